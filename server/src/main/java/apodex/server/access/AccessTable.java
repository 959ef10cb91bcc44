package apodex.server.access;

import static apodex.server.access.Right.CHANGE;
import static apodex.server.access.Right.LISTEN;
import static apodex.server.access.Right.OWN;
import static apodex.server.access.Right.PRINT;
import static apodex.server.access.Thing.BRIEF;
import static apodex.server.access.Thing.HANDOFF;
import static apodex.server.access.Thing.HOUSE;
import static apodex.server.access.Thing.INTAKE;
import static apodex.server.access.Thing.PICKUP;
import static apodex.server.access.Thing.RECORDING;
import static apodex.server.access.Thing.RUN;
import static apodex.server.access.Thing.SESSION;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.server.PathContainer;
import org.springframework.web.util.pattern.PathPattern;
import org.springframework.web.util.pattern.PathPatternParser;

/** Every address, and what it takes to ask it. What has no line is closed. */
final class AccessTable {
    /** What is asked for. */
    enum Asks {
        /** Nothing: it tells nobody anything, or its own token is the key. */
        NOTHING,
        AN_ACCOUNT,
        A_RIGHT
    }

    /**
     * A line.
     *
     * @param right what is needed, on the thing whose id is the path's variable {@code id}; null unless {@link Asks#A_RIGHT}
     */
    record Line(Asks asks, String method, PathPattern path, @Nullable Right right, @Nullable Thing thing) {}

    private static final PathPatternParser PATHS = new PathPatternParser();
    private static final List<Line> LINES = new ArrayList<>();

    static {
        free(
                "GET /",
                "GET /index.html",
                "GET /icon.svg",
                "GET /assets/**",
                "GET /p/*",
                "GET /actuator/health",
                "GET /actuator/health/readiness",
                "GET /actuator/health/liveness",
                "GET /readyz",
                "GET /livez",
                "GET /actuator/prometheus", // there on a listener of its own only
                "GET /api/me",
                "POST /api/me/sign-in",
                "GET /api/welcome/*",
                "POST /api/welcome/*",
                // of Spring Security: what to sign by a passkey, and the signature
                "POST /webauthn/authenticate/options",
                "POST /login/webauthn",
                "GET /api/p/*",
                "POST /api/p/*/unlock",
                "GET /api/p/*/files/*",
                "GET /api/p/*/files/*/picture",
                "GET /api/p/*/parcel",
                "GET /api/p/*/sheet",
                "GET /api/p/*/sound",
                "POST /api/p/*/reply");
        account(
                "POST /api/me/sign-out",
                "POST /api/me/sign-out-everywhere",
                "PUT /api/me/phrase",
                "PUT /api/me/mail",
                "GET /api/me/log",
                "GET /api/me/passkeys",
                "DELETE /api/me/passkeys/*",
                "POST /webauthn/register/options",
                "POST /webauthn/register",
                "GET /api/openapi",
                "GET /api/effects",
                "GET /api/instruments",
                "GET /api/rules",
                "GET /api/sessions",
                "POST /api/sessions/import",
                "POST /api/sessions/import/arrived",
                // whose files they are is kept with them
                "POST /api/arrivals",
                "HEAD /api/arrivals/*",
                "PATCH /api/arrivals/*",
                "DELETE /api/arrivals/*",
                "GET /api/arrivals/looked/*",
                "GET /api/briefs",
                "POST /api/briefs",
                "POST /api/briefs/file",
                "GET /api/intakes",
                "POST /api/intakes",
                "GET /api/bin",
                "GET /api/space",
                "GET /api/outbox",
                "GET /api/outbox/*",
                "GET /api/queue",
                "GET /api/invitations/*",
                "POST /api/invitations/*");
        on(
                SESSION,
                LISTEN,
                "GET /api/sessions/{id}",
                "GET /api/sessions/{id}/sound",
                "GET /api/sessions/{id}/offers",
                "GET /api/sessions/{id}/findings",
                "GET /api/sessions/{id}/findings/summary",
                "GET /api/sessions/{id}/handoffs");
        on(
                SESSION,
                CHANGE,
                "GET /api/sessions/{id}/file",
                "POST /api/sessions/{id}/duplicate",
                "POST /api/sessions/{id}/edits",
                "POST /api/sessions/{id}/undo",
                "POST /api/sessions/{id}/redo",
                "POST /api/sessions/{id}/files",
                "POST /api/sessions/{id}/files/arrived",
                "POST /api/sessions/{id}/pairs",
                "POST /api/sessions/{id}/findings/leave",
                "POST /api/sessions/{id}/findings/restore",
                "POST /api/sessions/{id}/findings/safe",
                "POST /api/sessions/{id}/findings/take",
                "POST /api/sessions/{id}/handoffs");
        // the first look at the plan makes the usual handoff, whoever looks
        on(SESSION, PRINT, "PUT /api/sessions/{id}/handoffs/first");
        on(
                SESSION,
                OWN,
                "DELETE /api/sessions/{id}",
                "POST /api/sessions/{id}/forget",
                "PUT /api/sessions/{id}/keeping",
                "POST /api/bin/sessions/{id}/restore",
                "DELETE /api/bin/sessions/{id}",
                "GET /api/sessions/{id}/log",
                "GET /api/sessions/{id}/members",
                "PUT /api/sessions/{id}/members/*",
                "DELETE /api/sessions/{id}/members/*",
                "POST /api/sessions/{id}/invitations",
                "DELETE /api/sessions/{id}/invitations/*");
        on(
                HANDOFF,
                LISTEN,
                "GET /api/handoffs/{id}",
                "GET /api/handoffs/{id}/changes",
                "GET /api/handoffs/{id}/runs",
                "GET /api/handoffs/{id}/levels");
        on(HANDOFF, PRINT, "POST /api/handoffs/{id}/runs");
        on(
                HANDOFF,
                CHANGE,
                "DELETE /api/handoffs/{id}",
                "PUT /api/handoffs/{id}",
                "POST /api/handoffs/{id}/adjustments",
                "POST /api/handoffs/{id}/include",
                "POST /api/handoffs/{id}/keep",
                "POST /api/handoffs/{id}/turn");
        // the bin is the owner's
        on(HANDOFF, OWN, "POST /api/bin/handoffs/{id}/restore", "DELETE /api/bin/handoffs/{id}");
        on(RUN, OWN, "POST /api/bin/runs/{id}/restore", "DELETE /api/bin/runs/{id}");
        on(HOUSE, OWN, "PUT /api/keeping");
        on(
                RUN,
                LISTEN,
                "GET /api/runs/{id}",
                "GET /api/runs/{id}/events",
                "GET /api/runs/{id}/files/*/picture",
                "GET /api/runs/{id}/parcel",
                "GET /api/runs/{id}/sheet",
                "GET /api/runs/{id}/sound");
        on(
                RUN,
                PRINT,
                "POST /api/runs/{id}/cancel",
                "POST /api/runs/{id}/proof",
                "POST /api/runs/{id}/retry",
                "POST /api/queue/{id}/place",
                // who sees the links of a run can use them
                "GET /api/runs/{id}/pickups",
                "POST /api/runs/{id}/pickups");
        on(RUN, CHANGE, "DELETE /api/runs/{id}");
        on(PICKUP, PRINT, "POST /api/pickups/{id}/withdraw");
        on(RECORDING, LISTEN, "GET /api/recordings/{id}/waveform/*/*");
        on(
                INTAKE,
                OWN,
                "DELETE /api/intakes/{id}",
                "GET /api/intakes/{id}",
                "POST /api/intakes/{id}/corrections",
                "POST /api/intakes/{id}/undo",
                "POST /api/intakes/{id}/redo",
                "GET /api/intakes/{id}/reply.html",
                "GET /api/intakes/{id}/reply.txt",
                "POST /api/intakes/{id}/session",
                "GET /api/intakes/{id}/sound",
                "GET /api/intakes/{id}/sum",
                "POST /api/intakes/{id}/tables/*",
                "POST /api/intakes/{id}/tables/*/preview");
        on(BRIEF, LISTEN, "GET /api/briefs/{id}/file", "POST /api/briefs/{id}/usual");
        on(BRIEF, OWN, "PUT /api/briefs/{id}", "DELETE /api/briefs/{id}", "PUT /api/briefs/{id}/shared");
    }

    private AccessTable() {}

    private static void free(String... addresses) {
        add(Asks.NOTHING, null, null, addresses);
    }

    private static void account(String... addresses) {
        add(Asks.AN_ACCOUNT, null, null, addresses);
    }

    private static void on(Thing thing, Right right, String... addresses) {
        add(Asks.A_RIGHT, right, thing, addresses);
    }

    private static void add(Asks asks, @Nullable Right right, @Nullable Thing thing, String... addresses) {
        for (String address : addresses) {
            int space = address.indexOf(' ');
            LINES.add(new Line(
                    asks, address.substring(0, space), PATHS.parse(address.substring(space + 1)), right, thing));
        }
    }

    /** A line with what the address names. @param id null where the line asks for no right */
    record Match(Line line, @Nullable String id) {}

    static Optional<Match> of(String method, String path) {
        PathContainer asked = PathContainer.parsePath(path);
        return LINES.stream()
                .filter(line -> line.method.equals(method) || method.equals("HEAD") && line.method.equals("GET"))
                .filter(line -> line.path.matches(asked))
                // of addresses that fit, the one with fewer blanks: /import is no session
                .min((a, b) -> PathPattern.SPECIFICITY_COMPARATOR.compare(a.path, b.path))
                .map(line -> new Match(line, id(line, asked)));
    }

    @Nullable
    private static String id(Line line, PathContainer asked) {
        PathPattern.PathMatchInfo info = line.path.matchAndExtract(asked);
        Map<String, String> variables = info == null ? Map.of() : info.getUriVariables();
        return variables.get("id");
    }
}
