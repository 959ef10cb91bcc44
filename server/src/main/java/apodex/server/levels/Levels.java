package apodex.server.levels;

import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Levelling;
import apodex.handoff.LookAhead;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.handoff.Settings;
import apodex.intake.RecordingStore;
import apodex.server.handoffs.Handoffs;
import apodex.server.handoffs.StoredHandoff;
import apodex.server.levels.Looking.Scope;
import apodex.server.levels.Looking.State;
import apodex.server.sessions.SessionState;
import apodex.server.sessions.Sessions;
import apodex.server.web.Refused;
import apodex.session.Session;
import apodex.session.Station;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Knows the levels of a plan's files, or finds them out. */
@Service
class Levels {
    private final Handoffs handoffs;
    private final Sessions sessions;
    private final RecordingStore store;
    private final KnownLevels known;
    private final Looking looking;
    /** What was told last, by handoff. */
    private final Map<String, LevelsView> told = new ConcurrentHashMap<>();

    Levels(Handoffs handoffs, Sessions sessions, RecordingStore store, KnownLevels known, Looking looking) {
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
     * @param others          levels where rows could be taken and are not, that are known
     * @param othersPending   how many files are still looked for before all others are known
     * @param exact           what the files will be; null while one of them is not known
     * @param failure         why they cannot be found; null when nothing is wrong
     */
    record LevelsView(
            int revision,
            int sessionRevision,
            List<Known> levels,
            int pending,
            List<AtStation> others,
            int othersPending,
            @Nullable Exact exact,
            @Nullable String failure) {
        @JsonIgnore
        boolean isComplete() {
            return pending == 0 && othersPending == 0 && failure == null;
        }
    }

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

    /**
     * A level where nothing is printed.
     *
     * @param peakDbfs     loudest sample of the row there, also past full scale; null when it is silent
     * @param loudnessLufs of the loudest of what its files would be; null when too quiet to tell
     */
    record AtStation(String row, Station station, @Nullable Double peakDbfs, @Nullable Double loudnessLufs) {}

    /** What is known now; what is not is looked for from now on: first what is chosen, then all that could be. */
    LevelsView of(String handoffId) {
        StoredHandoff stored = handoffs.stored(handoffId);
        SessionState session = sessions.get(stored.sessionId());
        LevelsView before = told.get(handoffId);
        State state = new State(handoffId, session.revision(), stored.revision(), Scope.CHOSEN);
        boolean same = before != null
                && before.revision() == stored.revision()
                && before.sessionRevision() == session.revision();
        if (same && (looking.isAt(state) || looking.isAt(state.everywhere()) || before.isComplete())) {
            return before; // nothing is known until all of it is: it need not be planned again to say so
        }
        Handoff handoff = Planner.without(session.session(), stored.handoff());
        Ahead chosen = ahead(session, handoff);
        Optional<Ahead> everywhere = chosen.pending() > 0 ? Optional.empty() : everywhere(session, handoff, chosen);
        String failure = ask(state, chosen)
                .or(() -> everywhere.flatMap(each -> ask(state.everywhere(), each)))
                .orElse(null);
        LevelsView view = new LevelsView(
                stored.revision(),
                session.revision(),
                levels(session.session(), chosen, handoff.settled()),
                failure == null ? chosen.pending() : 0,
                everywhere.map(each -> others(chosen, each)).orElse(List.of()),
                failure != null ? 0 : everywhere.map(Ahead::pending).orElse(chosen.pending()),
                exact(session.session(), chosen.plan(), chosen.keys(), chosen.known()),
                failure);
        told.put(handoffId, view);
        return view;
    }

    /** What is to be looked at for a state, if it is still the state of things. */
    Optional<Looking.Asked> asked(State state) {
        StoredHandoff stored = handoffs.stored(state.handoffId());
        SessionState session = sessions.get(stored.sessionId());
        if (stored.revision() != state.revision() || session.revision() != state.sessionRevision()) {
            return Optional.empty();
        }
        Handoff handoff = Planner.without(session.session(), stored.handoff());
        Ahead chosen = ahead(session, handoff);
        Optional<Ahead> looked =
                state.scope() == Scope.CHOSEN ? Optional.of(chosen) : everywhere(session, handoff, chosen);
        return looked.map(ahead -> new Looking.Asked(state, ahead.look(), ahead.known()));
    }

    /** A plan, and what is known of its files. */
    private record Ahead(Plan plan, LookAhead look, List<String> keys, Map<String, FileLevel> known) {
        int pending() {
            return (int) keys.stream()
                    .filter(key -> !key.isEmpty() && !known.containsKey(key))
                    .count();
        }
    }

    private Ahead ahead(SessionState session, Handoff handoff) {
        Plan plan = handoffs.plan(session, handoff);
        LookAhead look = new LookAhead(session.session(), handoff, plan, store, Looking.THREADS);
        List<String> keys =
                plan.prints().stream().map(print -> look.key(print).orElse("")).toList();
        return new Ahead(plan, look, keys, known.of(keys));
    }

    /** As if every row were printed at every station it has; empty when that cannot be planned. */
    private Optional<Ahead> everywhere(SessionState session, Handoff handoff, Ahead chosen) {
        List<Choice> all = chosen.plan().rows().stream()
                .flatMap(row -> row.stations().stream().map(station -> new Choice(row.row(), station)))
                .toList();
        try {
            return Optional.of(ahead(session, handoff.withFiles(all, List.of())));
        } catch (Refused cannot) {
            return Optional.empty(); // names that many files cannot share, say: nobody asked for them
        }
    }

    private Optional<String> ask(State state, Ahead ahead) {
        return ahead.pending() == 0
                ? Optional.empty()
                : looking.ask(new Looking.Asked(state, ahead.look(), ahead.known()));
    }

    /** As they will be when the brief's levels are given, which takes that all are known. */
    private static List<Known> levels(Session session, Ahead ahead, Settings settings) {
        List<Known> levels = new ArrayList<>();
        List<Optional<Double>> peaks = ahead.pending() > 0 ? List.of() : KnownLevels.peaks(ahead.keys(), ahead.known());
        List<Double> turns = Levelling.turns(settings, peaks);
        for (int print = 0; print < ahead.keys().size(); print++) {
            FileLevel level = ahead.known().get(ahead.keys().get(print));
            if (level != null) {
                Print file = ahead.plan().prints().get(print);
                Long peak = level.peakFrame();
                Long at = peak == null
                        ? null
                        : ahead.plan()
                                .section(file)
                                .inSession(peak, ahead.plan().rate(), session.rate());
                levels.add(new Known(print, turns.isEmpty() ? level : level.turned(turns.get(print)), at));
            }
        }
        return levels;
    }

    /** Of several files of a row at a station the loudest. */
    private static List<AtStation> others(Ahead chosen, Ahead everywhere) {
        Set<Choice> printed = chosen.plan().prints().stream()
                .map(print -> new Choice(print.row(), print.station()))
                .collect(Collectors.toSet());
        Map<Choice, FileLevel> loudest = new LinkedHashMap<>();
        for (int i = 0; i < everywhere.keys().size(); i++) {
            Print print = everywhere.plan().prints().get(i);
            Choice choice = new Choice(print.row(), print.station());
            FileLevel level = everywhere.known().get(everywhere.keys().get(i));
            if (level != null && !printed.contains(choice)) {
                loudest.merge(choice, level, (one, other) -> peak(one) >= peak(other) ? one : other);
            }
        }
        List<AtStation> others = new ArrayList<>();
        loudest.forEach((choice, level) ->
                others.add(new AtStation(choice.row(), choice.station(), level.peakDbfs(), level.loudnessLufs())));
        return others;
    }

    private static double peak(FileLevel level) {
        return level.peakDbfs() == null ? Double.NEGATIVE_INFINITY : level.peakDbfs();
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
