package apodex.handoff;

import apodex.naming.SafeName;
import apodex.session.Session;
import apodex.signal.Passage;
import apodex.time.FrameRange;
import apodex.time.SampleRate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Turns a handoff's sections into frames, lengths and folders. */
final class Passages {
    private static final long SECONDS_OF_A_DAY = 24 * 60 * 60;

    private final Session session;
    private final Settings settings;
    private final SampleRate rate;

    Passages(Session session, Settings settings, SampleRate rate) {
        this.session = session;
        this.settings = settings;
        this.rate = rate;
        if (settings.leadInBars() < 0 || settings.leadInBars() > 64) {
            throw new IllegalArgumentException("A lead-in is 0 to 64 bars long, not " + settings.leadInBars() + ".");
        }
        Double tail = settings.tailSeconds();
        if (tail != null && !(tail >= 0 && tail <= 600)) {
            throw new IllegalArgumentException("A tail is 0 to 600 seconds long, not " + tail + ".");
        }
    }

    List<PlannedSection> of(List<Section> sections) {
        List<Section> wanted = sections.isEmpty() ? List.of(new Section("", null)) : sections;
        if (wanted.size() > 99) {
            throw new IllegalArgumentException("A handoff has 99 sections at the most, not " + wanted.size() + ".");
        }
        Set<String> taken = new HashSet<>();
        List<PlannedSection> planned = new ArrayList<>();
        for (Section section : wanted) {
            if (wanted.size() > 1 && section.name().isEmpty()) {
                throw new IllegalArgumentException("Each of several sections needs a name: it names its folder.");
            }
            String folder = wanted.size() == 1 ? "" : SafeName.of(section.name());
            if (!taken.add(SafeName.clashKey(folder))) {
                throw new IllegalArgumentException(
                        "Two sections are called “" + section.name() + "”; each needs a name of its own.");
            }
            planned.add(planned(section, folder));
        }
        return planned;
    }

    private PlannedSection planned(Section section, String folder) {
        FrameRange range = section.stretch() == null
                ? new FrameRange(0, session.frames())
                : section.stretch().frames(session);
        long leadIn = session.song().timeline().framesOfBarsAt(settings.leadInBars(), range.start(), session.rate());
        Double seconds = settings.tailSeconds();
        Passage passage =
                new Passage(range, leadIn, seconds == null ? Passage.Tail.AUTOMATIC : new Passage.Tail(seconds));
        long tail = seconds == null ? 0 : Math.round(seconds * session.rate().hertz());
        long frames = atRate(leadIn) + atRateUp(range.frames() + tail);
        return new PlannedSection(section.name(), folder, passage, frames, startReference(passage));
    }

    private long atRate(long frames) {
        return Math.round((double) frames * rate.hertz() / session.rate().hertz());
    }

    private long atRateUp(long frames) {
        return Math.floorDiv(frames * rate.hertz() + session.rate().hertz() - 1, (long)
                session.rate().hertz());
    }

    /** A start before midnight belongs to the day before. */
    private long startReference(Passage passage) {
        long start = session.startReference() + passage.range().start() - passage.leadInFrames();
        return atRate(start < 0 ? start + SECONDS_OF_A_DAY * session.rate().hertz() : start);
    }
}
