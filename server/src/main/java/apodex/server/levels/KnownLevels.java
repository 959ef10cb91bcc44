package apodex.server.levels;

import apodex.handoff.Foreseen;
import apodex.handoff.Handoff;
import apodex.handoff.Levelling;
import apodex.handoff.LookAhead;
import apodex.handoff.Plan;
import apodex.handoff.Printing;
import apodex.handoff.Settings;
import apodex.intake.RecordingStore;
import apodex.session.Session;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Levels that were found out, by looking ahead or by printing. */
@Component
public class KnownLevels {
    private final LevelMapper mapper;
    private final RecordingStore store;

    KnownLevels(LevelMapper mapper, RecordingStore store) {
        this.mapper = mapper;
        this.store = store;
    }

    /** Those of a plan's files, by their keys; of keys that are empty there are none. */
    Map<String, FileLevel> of(List<String> keys) {
        List<String> asked =
                keys.stream().filter(key -> !key.isEmpty()).distinct().toList();
        Map<String, FileLevel> known = new HashMap<>();
        if (!asked.isEmpty()) {
            mapper.find(asked).forEach(stored -> known.put(stored.contentKey(), stored.level()));
        }
        return known;
    }

    /** The plan with the lengths and sizes its files will have; empty while one of them is not known. */
    public Optional<Plan> foreseen(Session session, Handoff handoff, Plan plan) {
        LookAhead ahead = new LookAhead(session, handoff, plan, store, Looking.THREADS);
        List<String> keys =
                plan.prints().stream().map(print -> ahead.key(print).orElse("")).toList();
        return foreseen(session, plan, keys, of(keys));
    }

    /**
     * The plan with its files turned to the levels it asks for. What is not known is measured first.
     *
     * @throws IOException when a recording cannot be read
     */
    public Plan levelled(Session session, Handoff handoff, Plan plan, WalkObserver observer) throws IOException {
        Settings settings = handoff.settled();
        if (!Levelling.isAskedFor(settings)) {
            return plan;
        }
        LookAhead ahead = new LookAhead(
                session, handoff, plan, store, Runtime.getRuntime().availableProcessors());
        List<String> keys =
                plan.prints().stream().map(print -> ahead.key(print).orElse("")).toList();
        Map<String, FileLevel> known = new HashMap<>(of(keys));
        ahead.of(key -> Optional.ofNullable(known.get(key)).map(FileLevel::quietAt), observer)
                .forEach((key, printed) -> {
                    FileLevel level = FileLevel.of(printed.channels(), printed.quietAt(), printed.measures());
                    mapper.saveIfNew(key, level);
                    known.put(key, level);
                });
        return Levelling.of(plan, Levelling.turns(settings, peaks(keys, known)));
    }

    static List<Optional<Double>> peaks(List<String> keys, Map<String, FileLevel> known) {
        return keys.stream()
                .map(key -> Optional.ofNullable(known.get(key)).map(FileLevel::peakDbfs))
                .toList();
    }

    static Optional<Plan> foreseen(Session session, Plan plan, List<String> keys, Map<String, FileLevel> known) {
        return Foreseen.of(
                session,
                plan,
                keys.stream()
                        .map(key -> Optional.ofNullable(known.get(key))
                                .map(level -> new Foreseen.Sound(level.channels(), level.quietAt())))
                        .toList());
    }

    /**
     * Keeps levels of files that were printed. What was held at full scale says nothing of how far it would have gone.
     *
     * @param plan    as it was before printing
     * @param printed by the plan's files
     */
    public void keep(Session session, Handoff handoff, Plan plan, List<Printing.Made> printed) {
        LookAhead ahead = new LookAhead(session, handoff, plan, store, Looking.THREADS);
        for (int i = 0; i < printed.size(); i++) {
            Printing.Made made = printed.get(i);
            if (made.measures() != null && made.overs() == 0) {
                FileLevel level = FileLevel.of(made.channels(), made.quietAt(), made.measures());
                ahead.key(plan.prints().get(i)).ifPresent(key -> mapper.saveIfNew(key, level));
            }
        }
    }
}
