package apodex.server.security;

import apodex.server.web.ProblemAnswer;
import apodex.server.web.Refused;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Only who signed in just now adds a passkey: somebody who finds a browser open for a moment does not get in for good (ASVS 3.7.1).
 */
final class JustSignedIn extends OncePerRequestFilter {
    private static final Duration JUST_NOW = Duration.ofMinutes(15);

    private final ProblemAnswer problems;

    JustSignedIn(ProblemAnswer problems) {
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/webauthn/register");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        HttpSession session = request.getSession(false);
        Object since = session == null ? null : session.getAttribute(SignedIn.SINCE);
        if (since instanceof Long then && System.currentTimeMillis() - then > JUST_NOW.toMillis()) {
            problems.write(
                    response,
                    Refused.forbidden("You signed in a while ago. Sign out and in again, then add the passkey."));
        } else {
            chain.doFilter(request, response); // who did not sign in at all is told so further on
        }
    }
}
