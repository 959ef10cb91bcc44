package apodex.server.findings;

import apodex.audio.Digests;
import apodex.check.Finding;
import apodex.check.Remedy;
import apodex.check.SafeRemedies;
import apodex.check.Severity;
import apodex.check.SharedFault;
import apodex.handoff.Handoff;
import apodex.intake.RecordingStore;
import apodex.naming.NameProposal;
import apodex.naming.NameProposals;
import apodex.server.handoffs.Handoffs;
import apodex.server.handoffs.StoredHandoff;
import apodex.server.sessions.SessionState;
import apodex.server.sessions.Sessions;
import apodex.server.web.Refused;
import apodex.session.Session;
import apodex.session.SessionEdit;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** Looks sessions over. What has to be read from every sample comes as it is measured. */
@Service
class Findings {
    private final Sessions sessions;
    private final Handoffs handoffs;
    private final RecordingStore store;
    private final Measuring measuring;
    private final Looks looks;
    private final DismissalMapper dismissals;

    Findings(
            Sessions sessions,
            Handoffs handoffs,
            RecordingStore store,
            Measuring measuring,
            Looks looks,
            DismissalMapper dismissals) {
        this.sessions = sessions;
        this.handoffs = handoffs;
        this.store = store;
        this.measuring = measuring;
        this.looks = looks;
        this.dismissals = dismissals;
    }

    /**
     * A finding, and whether somebody decided to leave it as it is.
     *
     * @param seen      what a dismissal has to name
     * @param dismissed whether it was left, and is still what it was then
     * @param safe      whether its first remedy leaves every sound as it is
     */
    record Found(Finding finding, String seen, boolean dismissed, boolean safe) {}

    /**
     * A name that is proposed.
     *
     * @param edits what accepts it
     */
    record Proposed(NameProposal proposal, List<SessionEdit> edits) {}

    /**
     * What was found.
     *
     * @param sessionRevision of the session that was looked over
     * @param handoffRevision of the handoff; 0 for none
     * @param recordings      how many recordings the session uses
     * @param unmeasured      how many of them still have to be read
     * @param open            of those not left as they are, how many of each kind
     * @param left            how many are left as they are
     * @param safe            how many of the open ones can be put right without listening
     * @param findings        the first of them: open ones in the order asked for, then those left
     */
    record Report(
            int sessionRevision,
            int handoffRevision,
            int recordings,
            int unmeasured,
            Open open,
            int left,
            int safe,
            List<Found> findings,
            List<Proposed> names) {}

    /**
     * What still waits.
     *
     * @param stops of the worst kind; as {@code look} and {@code know}
     */
    record Open(int stops, int look, int know) {
        static Open of(List<Found> findings) {
            Map<Severity, Long> open = findings.stream()
                    .filter(found -> !found.dismissed())
                    .collect(Collectors.groupingBy(found -> found.finding().severity(), Collectors.counting()));
            return new Open(
                    open.getOrDefault(Severity.STOPS, 0L).intValue(),
                    open.getOrDefault(Severity.LOOK, 0L).intValue(),
                    open.getOrDefault(Severity.KNOW, 0L).intValue());
        }
    }

    /** How findings are put in order. */
    enum Order {
        /** By what they are; what many rows share is one. */
        worst,
        /** Of the song first, then row by row. */
        row
    }

    /**
     * @param handoffId what is going to be printed; null for what is usual
     * @param count     how many findings to tell at the most
     */
    Report report(String sessionId, @Nullable String handoffId, Order order, int count) {
        Seen seen = seen(sessionId, handoffId);
        Session session = seen.state().session();
        List<Found> all = order == Order.worst ? seen.shared() : seen.findings();
        List<Proposed> names = NameProposals.of(session).stream()
                .map(each -> new Proposed(each, NameProposals.accepting(session, each)))
                .toList();
        return new Report(
                seen.state().revision(),
                seen.handoffRevision(),
                seen.recordings(),
                seen.unmeasured(),
                Open.of(seen.shared()),
                (int) all.stream().filter(Found::dismissed).count(),
                (int) all.stream()
                        .filter(found -> found.safe() && !found.dismissed())
                        .count(),
                all.stream().sorted(inOrder(order, session)).limit(count).toList(),
                names);
    }

    private static Comparator<Found> inOrder(Order order, Session session) {
        Comparator<Found> openFirst = Comparator.comparing(Found::dismissed);
        return order == Order.worst
                ? openFirst
                : openFirst.thenComparing(found -> found.finding().rows().stream()
                        .findFirst()
                        .flatMap(session::row)
                        .map(session::place)
                        .orElse(-1));
    }

    /**
     * A look at a session as it stands.
     *
     * @param findings row by row
     * @param shared   the same with what many rows share as one
     * @param left     keys of what somebody left, row by row
     */
    private record Seen(
            SessionState state,
            int handoffRevision,
            int recordings,
            int unmeasured,
            List<Found> findings,
            List<Found> shared,
            Set<String> left) {}

    private Seen seen(String sessionId, @Nullable String handoffId) {
        SessionState state = sessions.get(sessionId);
        Session session = state.session();
        StoredHandoff handoff = handoffId == null ? null : handoffs.storedOf(sessionId, handoffId);
        Set<String> used = session.rows().stream()
                .flatMap(row -> row.allClips().stream())
                .map(clip -> clip.recording())
                .collect(Collectors.toSet());
        int unmeasured = measuring.see(used);
        Map<String, String> left = dismissals.ofSession(sessionId).stream()
                .collect(Collectors.toMap(DismissalMapper.Dismissal::finding, DismissalMapper.Dismissal::seen));
        Map<Boolean, List<Finding>> each = looks.of(state, handoff, used, unmeasured).stream()
                .collect(Collectors.partitioningBy(
                        finding -> found(finding, left).dismissed()));
        List<Found> findings = new ArrayList<>();
        List<Found> shared = new ArrayList<>();
        Set<String> keys = new HashSet<>();
        for (SharedFault fault : SharedFault.of(state.session(), each.get(false))) {
            Found whole = found(fault.finding(), left);
            shared.add(whole);
            if (whole.dismissed()) {
                findings.add(whole); // left as one, it comes back as one
                fault.parts().forEach(part -> keys.add(part.key()));
            } else {
                fault.parts().forEach(part -> findings.add(found(part, left)));
            }
        }
        each.get(true).stream().map(finding -> found(finding, left)).forEach(found -> {
            findings.add(found);
            shared.add(found);
            keys.add(found.finding().key());
        });
        Comparator<Found> worst = Comparator.comparing(found -> found.finding().severity());
        findings.sort(worst);
        shared.sort(worst);
        return new Seen(
                state, handoff == null ? 0 : handoff.revision(), used.size(), unmeasured, findings, shared, keys);
    }

    /** @param left what somebody left, and what was seen of it then; both as SHA-256 */
    private static Found found(Finding finding, Map<String, String> left) {
        String seen = Digests.sha256OfText(finding.seen());
        return new Found(
                finding,
                seen,
                seen.equals(left.get(Digests.sha256OfText(finding.key()))),
                finding.remedies().stream().limit(1).anyMatch(SafeRemedies::isSafe));
    }

    /** How much of what was found still waits; small, whatever the session's size. */
    record Summary(int sessionRevision, int handoffRevision, int recordings, int unmeasured, Open open) {}

    /** @param handoffId what is going to be printed; null for what is usual */
    Summary summary(String sessionId, @Nullable String handoffId) {
        Seen seen = seen(sessionId, handoffId);
        return new Summary(
                seen.state().revision(),
                seen.handoffRevision(),
                seen.recordings(),
                seen.unmeasured(),
                Open.of(seen.shared()));
    }

    /**
     * Takes a remedy that is an edit of the session.
     *
     * @param key    of the finding
     * @param seen   what the report said was seen of it
     * @param remedy which of its remedies, from 0
     */
    SessionState take(String sessionId, @Nullable String handoffId, int revision, String key, String seen, int remedy) {
        Seen now = seen(sessionId, handoffId);
        List<Remedy> offered = Stream.concat(now.shared().stream(), now.findings().stream())
                .filter(found ->
                        found.finding().key().equals(key) && found.seen().equals(seen))
                .findFirst()
                .map(found -> found.finding().remedies())
                .orElseThrow(() -> Refused.conflict("This finding is not there any more, or has changed meanwhile."));
        if (remedy < 0 || remedy >= offered.size() || offered.get(remedy).edit() == null) {
            throw Refused.unusable("This finding has no such remedy for the session.")
                    .with("field", "remedy");
        }
        return sessions.edit(sessionId, revision, offered.get(remedy).edit());
    }

    /** Takes every remedy that leaves the sound as it is, as one step. */
    SessionState putRightWhatIsSafe(String sessionId, @Nullable String handoffId, int revision) {
        Handoff handoff = handoffId == null
                ? Handoff.named("x")
                : handoffs.storedOf(sessionId, handoffId).handoff();
        Set<String> left = seen(sessionId, handoffId).left();
        return sessions.edit(
                sessionId,
                revision,
                SafeRemedies.of(sessions.get(sessionId).session(), handoff, store, left)
                        .orElseThrow(() ->
                                Refused.unusable("There is nothing left that can be put right without listening.")));
    }

    void dismiss(String sessionId, String key, String seen) {
        if (!sessions.exists(sessionId)) {
            throw Refused.notFound("There is no session “" + sessionId + "”.");
        }
        if (key == null || seen == null || !seen.matches("[0-9a-f]{64}")) {
            throw Refused.unusable("What is left has to be named by its key and by what was seen.")
                    .with("field", "seen");
        }
        dismissals.keep(sessionId, Digests.sha256OfText(key), seen);
    }

    void restore(String sessionId, String key) {
        dismissals.remove(sessionId, Digests.sha256OfText(String.valueOf(key)));
    }
}
