package apodex.server.accounts;

import apodex.server.web.ForwardedMark;
import apodex.server.web.PickupListener;
import apodex.server.web.ProblemAnswer;
import apodex.server.web.Refused;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * A proxy on this machine that leads to a desk would let everybody in: what came through one is refused where nobody signs in. Where
 * everything is encrypted, browsers are told to keep to that.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 2)
class BehindProxy extends OncePerRequestFilter {
    private final Door door;
    private final PickupListener pickups;
    private final ProblemAnswer problems;

    BehindProxy(Door door, PickupListener pickups, ProblemAnswer problems) {
        this.door = door;
        this.pickups = pickups;
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!door.isOpen() && !pickups.isAsked(request) && ForwardedMark.isOn(request)) {
            problems.write(
                    response,
                    Refused.forbidden(
                            "This Apodex is at somebody's desk, where nobody signs in; it is not to be reached"
                                    + " through a proxy. Whoever runs it can open it with APODEX_URL and accounts."));
            return;
        }
        if (request.isSecure()) {
            response.setHeader("Strict-Transport-Security", "max-age=31536000");
        }
        chain.doFilter(request, response);
    }
}
