package apodex.handoff;

import apodex.session.Session;
import apodex.signal.Passage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a plan will have become when it is printed, told from what is known of its sounds: how long its files are, and how large. */
public final class Foreseen {
    private Foreseen() {}

    /**
     * What is known of one file.
     *
     * @param channels it will have
     * @param quietAt  frame of the session at which it has been quiet for a second
     */
    public record Sound(int channels, long quietAt) {}

    /**
     * The plan with true channels, lengths and sizes; FLAC is told as large as what it holds, which is more than it will be.
     *
     * @param sounds by the plan's files; empty for the click, whose end never matters, and for what is not known
     * @return empty while a file is not known
     */
    public static Optional<Plan> of(Session session, Plan plan, List<Optional<Sound>> sounds) {
        List<Long> lengths = new ArrayList<>();
        for (int section = 0; section < plan.sections().size(); section++) {
            lengths.add(plan.sections().get(section).frames());
        }
        FileFrames files = new FileFrames(plan.rate(), session.rate());
        for (int i = 0; i < plan.prints().size(); i++) {
            Print print = plan.prints().get(i);
            Passage passage = plan.section(print).passage();
            if (print.isClick()) {
                continue;
            }
            if (sounds.get(i).isEmpty()) {
                return Optional.empty();
            }
            if (passage.tail().seconds() == null) {
                long end = Math.max(passage.range().end(), sounds.get(i).get().quietAt());
                lengths.set(print.section(), Math.max(lengths.get(print.section()), files.until(passage, end)));
            }
        }
        List<Integer> channels = new ArrayList<>();
        List<Long> sizes = new ArrayList<>();
        for (int i = 0; i < plan.prints().size(); i++) {
            Print print = plan.prints().get(i);
            int count = sounds.get(i).map(Sound::channels).orElse(print.channels());
            channels.add(count);
            sizes.add(bytes(session, plan, print.printed(count, 0), lengths.get(print.section())));
        }
        return Optional.of(plan.printed(channels, sizes, lengths));
    }

    private static long bytes(Session session, Plan plan, Print print, long frames) {
        return plan.format()
                .bytes(plan.rate(), print.channels(), plan.depth().sample(), frames, plan.label(session, print));
    }
}
