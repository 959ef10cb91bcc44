package apodex.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.InetAddress;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.apache.catalina.connector.Connector;
import org.apache.coyote.AbstractProtocol;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.embedded.tomcat.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * A listener of its own for receivers: their page and its files, and nothing else, so that it can be opened to the world while the rest
 * stays at home.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
public class PickupListener extends OncePerRequestFilter
        implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    /** The page, what it is made of, and what it asks for. */
    private static final List<Pattern> SERVED = List.of(
            Pattern.compile("GET /(index\\.html|icon\\.svg|assets/[^/]+)?"),
            Pattern.compile("GET /p/[^/]+"),
            Pattern.compile("GET /api/p/[^/]+(/files/[^/]+(/picture)?|/parcel|/sheet|/sound)?"),
            Pattern.compile("POST /api/p/[^/]+/(unlock|reply)"));

    private static final int NONE = -1;
    /** Receivers leave their connections open; there is no end of receivers. */
    private static final int CONNECTIONS = 2_000;

    private final int port;
    private final String address;
    private final ProblemAnswer problems;

    PickupListener(
            @Value("${apodex.pickup.port}") int port,
            @Value("${apodex.pickup.address}") String address,
            ProblemAnswer problems) {
        this.port = port;
        this.address = address;
        this.problems = problems;
    }

    /** Where it is on this machine; nothing where there is none. */
    public Optional<String> url() {
        return isThere() ? Optional.of("http://" + address + ":" + port) : Optional.empty();
    }

    public boolean isThere() {
        return port != NONE;
    }

    /** Whether a request came in there. */
    public boolean isAsked(HttpServletRequest request) {
        return port != NONE && request.getLocalPort() == port;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        if (port == NONE) {
            return;
        }
        Connector connector = new Connector(TomcatServletWebServerFactory.DEFAULT_PROTOCOL);
        connector.setPort(port);
        if (connector.getProtocolHandler() instanceof AbstractProtocol<?> protocol) {
            protocol.setMaxConnections(CONNECTIONS);
            try {
                protocol.setAddress(InetAddress.getByName(address));
            } catch (IOException e) {
                throw new IllegalStateException("APODEX_PICKUP_ADDRESS “" + address + "” is no address.", e);
            }
        }
        factory.addAdditionalTomcatConnectors(connector);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String method = request.getMethod().equals("HEAD") ? "GET" : request.getMethod();
        String asked = method + " " + request.getRequestURI();
        if (isAsked(request)
                && SERVED.stream().noneMatch(pattern -> pattern.matcher(asked).matches())) {
            problems.write(response, Refused.notFound("There is nothing here by this name."));
        } else {
            chain.doFilter(request, response);
        }
    }
}
