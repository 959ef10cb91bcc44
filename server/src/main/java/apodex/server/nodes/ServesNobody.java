package apodex.server.nodes;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** A node that prints answers nothing but how it is. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class ServesNobody extends OncePerRequestFilter {
    private static final List<String> HOW_IT_IS = List.of("/actuator", "/readyz", "/livez");

    private final ThisNode node;

    ServesNobody(ThisNode node) {
        this.node = node;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (node.serves() || HOW_IT_IS.stream().anyMatch(request.getRequestURI()::startsWith)) {
            chain.doFilter(request, response);
        } else {
            response.setStatus(HttpServletResponse.SC_NOT_FOUND);
        }
    }
}
