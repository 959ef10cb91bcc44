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
    private static final int SECONDS_OF_AN_HOUR = 60 * 60;

    private final Session session;
    private final Settings settings;
    private final FileFrames files;

    Passages(Session session, Settings settings, SampleRate rate) {
        this.session = session;
        this.settings = settings;
        this.files = new FileFrames(rate, session.rate());
        if (!Settings.LEAD_IN_BARS.hold(settings.leadInBars())) {
            throw new IllegalArgumentException(
                    "A lead-in is " + Settings.LEAD_IN_BARS.words() + " bars long, not " + settings.leadInBars() + ".");
        }
        Double tail = settings.tailSeconds();
        if (tail != null && !Settings.TAIL_SECONDS.hold(tail)) {
            throw new IllegalArgumentException(
                    "A tail is " + Settings.TAIL_SECONDS.words() + " seconds long, not " + tail + ".");
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
        long raised = raisedBy(planned);
        planned.replaceAll(section -> section.startingAt(files.at(start(section.passage()) + raised)));
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
        long frames = files.until(passage, range.end() + tail);
        return new PlannedSection(section.name(), folder, passage, frames, 0);
    }

    /**
     * What is added to all time stamps so that none lies before midnight, in frames of the session: a time stamp counts from midnight
     * and cannot be less, and one of the day before would put a file at the end of a day. Whole hours, as sessions are moved by hand.
     */
    private long raisedBy(List<PlannedSection> sections) {
        long earliest = sections.stream()
                .mapToLong(section -> start(section.passage()))
                .min()
                .orElse(0);
        long hour = (long) SECONDS_OF_AN_HOUR * session.rate().hertz();
        return earliest >= 0 ? 0 : (-earliest + hour - 1) / hour * hour;
    }

    private long start(Passage passage) {
        return session.startReference() + passage.range().start() - passage.leadInFrames();
    }
}
