package apodex.server.web;

import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import java.io.IOException;
import java.util.List;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.springframework.boot.web.embedded.tomcat.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;

/** Remembers that a request came through a proxy, before what the proxy says of it is taken in and its headers are gone. */
@Component
public class ForwardedMark implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, Ordered {
    private static final String MARK = ForwardedMark.class.getName();
    private static final List<String> OF_PROXIES =
            List.of("Forwarded", "X-Forwarded-For", "X-Forwarded-Proto", "X-Forwarded-Host", "Via");

    public static boolean isOn(ServletRequest request) {
        return request.getAttribute(MARK) != null;
    }

    @Override
    public int getOrder() {
        return -1; // before the one that takes headers in
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addEngineValves(new Marking());
    }

    private static final class Marking extends ValveBase {
        Marking() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            if (OF_PROXIES.stream().anyMatch(header -> request.getHeader(header) != null)) {
                request.setAttribute(MARK, true);
            }
            getNext().invoke(request, response);
        }
    }
}
