package apodex.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * A browser carries requests of any page it has open to any address. Only what our own pages ask, or no page at all (a script, a typed
 * address), is answered where something can change; and only under names that are known. Our pages in turn run nothing from elsewhere.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class ClosedToStrangers extends OncePerRequestFilter {
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");
    /** What browsers say of requests by our own pages, and by nobody's (Fetch Metadata, W3C, section 2.1). */
    private static final Set<String> OURS = Set.of("same-origin", "none");

    /** Positions are set on elements themselves; there is no style and no script in the page. */
    private static final String OF_PAGES =
            "default-src 'none'; script-src 'self'; style-src 'self'; style-src-attr 'unsafe-inline';"
                    + " img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; media-src 'self' blob:; frame-src 'self';"
                    + " base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
    /** A sheet is one file, for wherever it may be opened: its style is in it. It is shown within our pages. */
    private static final String OF_SHEETS =
            "default-src 'none'; style-src 'unsafe-inline'; img-src data:; base-uri 'none'; form-action 'none'; frame-ancestors 'self'";

    /** Misdirected Request (RFC 9110, section 15.5.20). */
    private static final int MISDIRECTED = 421;

    private final KnownHosts hosts;
    private final ProblemAnswer problems;

    ClosedToStrangers(KnownHosts hosts, ProblemAnswer problems) {
        this.hosts = hosts;
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean sheet = request.getRequestURI().endsWith("/sheet");
        response.setHeader("Content-Security-Policy", sheet ? OF_SHEETS : OF_PAGES);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("X-Frame-Options", sheet ? "SAMEORIGIN" : "DENY");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        String host = request.getHeader(HttpHeaders.HOST);
        if (host == null || !hosts.know(host)) {
            refuse(
                    response,
                    MISDIRECTED,
                    "Apodex is not known under this name here. Whoever runs it can tell it the name with APODEX_HOSTS.");
        } else if (!READING.contains(request.getMethod()) && !isOurs(request, host) || isReadFromElsewhere(request)) {
            refuse(
                    response,
                    HttpStatus.FORBIDDEN.value(),
                    "Another site's page asked for this; only Apodex's own pages may.");
        } else {
            chain.doFilter(request, response);
        }
    }

    /** They could not read the answer; but event streams, sounds and pictures would be opened for them all the same. */
    private static boolean isReadFromElsewhere(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        return request.getRequestURI().startsWith("/api/")
                && site != null
                && !OURS.contains(site)
                && !"document".equals(request.getHeader("Sec-Fetch-Dest")); // a link that somebody clicked
    }

    private static boolean isOurs(HttpServletRequest request, String host) {
        String site = request.getHeader("Sec-Fetch-Site");
        String origin = request.getHeader(HttpHeaders.ORIGIN);
        boolean fromHere = origin == null
                || origin.matches("https?://.*")
                        && origin.replaceFirst("https?://", "").equalsIgnoreCase(host);
        return (site == null || OURS.contains(site)) && fromHere;
    }

    private void refuse(HttpServletResponse response, int status, String why) throws IOException {
        problems.write(response, status, "Closed to strangers", why, Map.of());
    }
}
