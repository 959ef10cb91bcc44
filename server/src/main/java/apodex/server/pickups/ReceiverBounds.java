package apodex.server.pickups;

import apodex.server.web.ProblemAnswer;
import apodex.server.web.Refused;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Bounds what goes on under one link at a time, and what receivers together take of the house's listening. */
@Component
class ReceiverBounds extends OncePerRequestFilter {
    private static final Pattern ADDRESS = Pattern.compile("/api/p/([^/]+)(/.*)?");
    /** A browser opens six connections, and a receiver may have two. */
    private static final int AT_ONCE = 12;

    /** An answer of 8,000 letters, each written out in six. */
    private static final long LONGEST_BODY = 64 << 10;

    private static final int LISTENERS = 2;
    /** Of the four places there are for listening; the rest is for the house. */
    private static final int LISTENERS_TOGETHER = 2;

    private static final String TOGETHER = "";

    private final Map<String, Integer> busy = new ConcurrentHashMap<>();
    private final Map<String, Integer> hearing = new ConcurrentHashMap<>();
    private final ProblemAnswer problems;

    ReceiverBounds(ProblemAnswer problems) {
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Matcher address = ADDRESS.matcher(request.getRequestURI());
        if (!address.matches()) {
            chain.doFilter(request, response);
            return;
        }
        if (isTooMuch(request)) {
            problems.write(response, Refused.tooLarge("That is more than an answer can hold."));
            return;
        }
        String token = address.group(1);
        boolean hears = "/sound".equals(address.group(2));
        Runnable leave = enter(token, hears);
        if (leave == null) {
            problems.write(
                    response,
                    Refused.tooMany(
                            hears
                                    ? "Others listen to what this house sent right now. Try again in a moment."
                                    : "Much is fetched through this link right now. Try again in a moment.",
                            5));
            return;
        }
        boolean goesOn = false;
        try {
            chain.doFilter(request, response);
            if (request.isAsyncStarted()) {
                request.getAsyncContext().addListener(new WhenOver(leave));
                goesOn = true;
            }
        } finally {
            if (!goesOn) {
                leave.run();
            }
        }
    }

    /** Nothing that receivers send is long, and all of it says how long it is. */
    private static boolean isTooMuch(HttpServletRequest request) {
        return request.getContentLengthLong() > LONGEST_BODY || request.getHeader("Transfer-Encoding") != null;
    }

    /** @return what lets go of the place again; null where there is none */
    private Runnable enter(String token, boolean hears) {
        if (!take(busy, token, AT_ONCE)) {
            return null;
        }
        if (!hears) {
            return () -> give(busy, token);
        }
        if (take(hearing, token, LISTENERS)) {
            if (take(hearing, TOGETHER, LISTENERS_TOGETHER)) {
                return () -> {
                    give(hearing, TOGETHER);
                    give(hearing, token);
                    give(busy, token);
                };
            }
            give(hearing, token);
        }
        give(busy, token);
        return null;
    }

    private static boolean take(Map<String, Integer> taken, String key, int most) {
        int now = taken.merge(key, 1, Integer::sum);
        if (now > most) {
            give(taken, key);
            return false;
        }
        return true;
    }

    private static void give(Map<String, Integer> taken, String key) {
        taken.computeIfPresent(key, (same, count) -> count == 1 ? null : count - 1);
    }

    /** Lets go once. */
    private static final class WhenOver implements AsyncListener {
        private final java.util.concurrent.atomic.AtomicReference<Runnable> leave;

        WhenOver(Runnable leave) {
            this.leave = new java.util.concurrent.atomic.AtomicReference<>(leave);
        }

        private void over() {
            Runnable once = leave.getAndSet(null);
            if (once != null) {
                once.run();
            }
        }

        @Override
        public void onComplete(AsyncEvent event) {
            over();
        }

        @Override
        public void onTimeout(AsyncEvent event) {
            over();
        }

        @Override
        public void onError(AsyncEvent event) {
            over();
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            event.getAsyncContext().addListener(this);
        }
    }
}
