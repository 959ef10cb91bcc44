package apodex.server.findings;

import apodex.check.Checks;
import apodex.check.Finding;
import apodex.check.Look;
import apodex.check.Sounds;
import apodex.handoff.Handoff;
import apodex.intake.RecordingStore;
import apodex.server.handoffs.StoredHandoff;
import apodex.server.sessions.SessionState;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.Nullable;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Component;

/** What checks found, kept while nothing they look at has changed: every view asks for it, and so does every page of a long list. */
@Component
class Looks {
    private static final int KEPT = 8;

    private final RecordingStore store;
    private final Cache<State, List<Finding>> known =
            Caffeine.newBuilder().maximumSize(KEPT).softValues().build();

    Looks(RecordingStore store) {
        this.store = store;
    }

    /** All that findings depend on. */
    private record State(
            String session,
            int revision,
            String handoff,
            int handoffRevision,
            int unmeasured,
            List<Sounds.Standing> recordings) {}

    /**
     * @param handoff    what is going to be printed; null for what is usual
     * @param recordings that the session uses
     * @param unmeasured how many of them still have to be read
     */
    List<Finding> of(
            SessionState session, @Nullable StoredHandoff handoff, Collection<String> recordings, int unmeasured) {
        State state = new State(
                session.id(),
                session.revision(),
                handoff == null ? "" : handoff.id(),
                handoff == null ? 0 : handoff.revision(),
                unmeasured,
                recordings.stream().sorted().map(store::standing).toList());
        Handoff planned = handoff == null ? Handoff.named("x") : handoff.handoff();
        return known.get(state, key -> Checks.look(new Look(session.session(), planned, store)));
    }
}
