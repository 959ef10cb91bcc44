package apodex.server.nodes;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** A node that prints answers nothing but how it is. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class ServesNobody extends OncePerRequestFilter {
    private static final String HOW_IT_IS = "/actuator";

    private final ThisNode node;

    ServesNobody(ThisNode node) {
        this.node = node;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (node.serves() || request.getRequestURI().startsWith(HOW_IT_IS)) {
            chain.doFilter(request, response);
        } else {
            response.setStatus(HttpServletResponse.SC_NOT_FOUND);
        }
    }
}
