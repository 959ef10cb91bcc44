package apodex.server.levels;

import apodex.handoff.Handoff;
import apodex.handoff.LookAhead;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.intake.RecordingStore;
import apodex.server.handoffs.Handoffs;
import apodex.server.handoffs.StoredHandoff;
import apodex.server.sessions.SessionState;
import apodex.server.sessions.Sessions;
import apodex.session.Session;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;

/** Knows the levels of a plan's files, or finds them out. */
@Service
class Levels {
    private final Handoffs handoffs;
    private final Sessions sessions;
    private final RecordingStore store;
    private final KnownLevels known;
    private final LookingAhead looking;
    /** What was told last, by handoff. */
    private final Map<String, LevelsView> told = new ConcurrentHashMap<>();

    Levels(Handoffs handoffs, Sessions sessions, RecordingStore store, KnownLevels known, LookingAhead looking) {
        this.handoffs = handoffs;
        this.sessions = sessions;
        this.store = store;
        this.known = known;
        this.looking = looking;
    }

    /**
     * Levels of a plan's files.
     *
     * @param revision        of the handoff they belong to
     * @param sessionRevision of the session they belong to
     * @param levels          that are known; the click has none
     * @param pending         how many are still looked for
     * @param exact           what the files will be; null while one of them is not known
     * @param failure         why they cannot be found; null when nothing is wrong
     */
    record LevelsView(
            int revision,
            int sessionRevision,
            List<Known> levels,
            int pending,
            @Nullable Exact exact,
            @Nullable String failure) {}

    /**
     * A file that is known.
     *
     * @param print place of the file in the plan
     * @param at    frame of the session where it is loudest; null when it is silent
     */
    record Known(int print, FileLevel level, @Nullable Long at) {}

    /**
     * Lengths and sizes as they will be.
     *
     * @param seconds of the files of each section, their tails included
     * @param bytes   of all files; of FLAC before it is packed
     */
    record Exact(List<Double> seconds, long bytes) {}

    /** What is known now; what is not is looked for from now on. */
    LevelsView of(String handoffId) {
        StoredHandoff stored = handoffs.stored(handoffId);
        SessionState session = sessions.get(stored.sessionId());
        LookingAhead.State state = new LookingAhead.State(handoffId, session.revision(), stored.revision());
        LevelsView before = told.get(handoffId);
        if (before != null
                && looking.isAt(state)
                && before.revision() == stored.revision()
                && before.sessionRevision() == session.revision()) {
            return before; // nothing is known until all of it is: it need not be planned again to say so
        }
        Handoff handoff = Planner.without(session.session(), stored.handoff());
        Plan plan = handoffs.plan(session, handoff);
        LookAhead ahead = new LookAhead(session.session(), handoff, plan, store, LookingAhead.THREADS);
        List<String> keys =
                plan.prints().stream().map(print -> ahead.key(print).orElse("")).toList();
        Map<String, FileLevel> known = this.known.of(keys);
        List<Known> levels = new ArrayList<>();
        for (int print = 0; print < keys.size(); print++) {
            FileLevel level = known.get(keys.get(print));
            if (level != null) {
                Print file = plan.prints().get(print);
                levels.add(new Known(
                        print,
                        level,
                        level.peakFrame() == null
                                ? null
                                : plan.section(file)
                                        .inSession(
                                                level.peakFrame(),
                                                plan.rate(),
                                                session.session().rate())));
            }
        }
        int pending = (int) keys.stream()
                .filter(key -> !key.isEmpty() && !known.containsKey(key))
                .count();
        String failure = pending == 0
                ? null
                : looking.ask(new LookingAhead.Asked(state, ahead, known)).orElse(null);
        LevelsView view = new LevelsView(
                stored.revision(),
                session.revision(),
                levels,
                failure == null ? pending : 0,
                exact(session.session(), plan, keys, known),
                failure);
        told.put(handoffId, view);
        return view;
    }

    private static @Nullable Exact exact(Session session, Plan plan, List<String> keys, Map<String, FileLevel> known) {
        return KnownLevels.foreseen(session, plan, keys, known)
                .map(foreseen -> new Exact(
                        foreseen.sections().stream()
                                .map(section -> foreseen.rate().seconds(section.frames()))
                                .toList(),
                        foreseen.bytes()))
                .orElse(null);
    }
}
