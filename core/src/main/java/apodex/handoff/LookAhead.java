package apodex.handoff;

import apodex.session.Session;
import apodex.signal.Measuring;
import apodex.signal.Printed;
import apodex.signal.Recordings;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.Function;

/**
 * What a plan's files will hold, told before one is printed: the walk that prints, writing nothing. What is known of the very same content
 * is not looked at again.
 */
public final class LookAhead {
    private final Session session;
    private final Plan plan;
    private final ContentKeys keys;
    private final Recordings recordings;
    private final int threads;

    /** @param session as it is */
    public LookAhead(Session session, Handoff handoff, Plan plan, Recordings recordings, int threads) {
        this.session = AsPlanned.of(session, handoff);
        this.plan = plan;
        this.keys = new ContentKeys(this.session, plan, handoff.settled());
        this.recordings = recordings;
        this.threads = threads;
    }

    /** What the sound of a print follows from, whatever it is called. Nothing for the click, which is always as loud. */
    public Optional<String> key(Print print) {
        return print.isClick() ? Optional.empty() : Optional.of(keys.ofSound(print));
    }

    /**
     * Measures what is not known.
     *
     * @param quietAt of what is known, by key: frame of the session at which it had been quiet for a second
     * @return what was not known, by key, with {@link Printed#measures}
     * @throws CancellationException when the observer ended it
     */
    public Map<String, Printed> of(Function<String, Optional<Long>> quietAt, WalkObserver observer) throws IOException {
        Map<String, Printed> found = new HashMap<>();
        for (int section = 0; section < plan.sections().size(); section++) {
            found.putAll(section(section, quietAt, observer));
        }
        return found;
    }

    private Map<String, Printed> section(int section, Function<String, Optional<Long>> quietAt, WalkObserver observer)
            throws IOException {
        List<Print> unknown = new ArrayList<>();
        List<Print> beside = new ArrayList<>();
        long quiet = 0;
        for (Print print : plan.prints()) {
            if (print.section() != section || print.isClick()) {
                continue;
            }
            Optional<Long> known = quietAt.apply(keys.ofSound(print));
            (known.isEmpty() ? unknown : beside).add(print);
            quiet = Math.max(quiet, known.orElse(0L));
        }
        if (unknown.isEmpty()) {
            return Map.of();
        }
        List<Printed> printed = new Walk(
                        session,
                        plan.tapsWithoutFiles(session, unknown),
                        plan.sections().get(section).passage(),
                        plan.sharing(),
                        recordings,
                        threads)
                .beside(plan.tapsWithoutFiles(session, beside), quiet)
                .measuring(Measuring.ALL)
                .print(observer);
        Map<String, Printed> found = new HashMap<>();
        for (int i = 0; i < unknown.size(); i++) {
            found.put(keys.ofSound(unknown.get(i)), printed.get(i));
        }
        return found;
    }
}
