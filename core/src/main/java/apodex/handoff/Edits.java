package apodex.handoff;

import apodex.session.Clip;
import apodex.session.Session;
import apodex.time.FrameRange;
import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;
import java.util.Optional;

/**
 * What goes out as edits, in the place of files of Raw: stretches of the original recordings, and which rows and takes are laid of them.
 *
 * @param ranges   clips that lie in none of these stay at home; none: all go out
 * @param rows     rows whose Raw goes out so
 * @param excerpts what is cut out of the recordings
 */
public record Edits(List<FrameRange> ranges, List<EditedRow> rows, List<Excerpt> excerpts) {
    public static final Edits NONE = new Edits(List.of(), List.of(), List.of());

    public Edits {
        ranges = List.copyOf(ranges);
        rows = List.copyOf(rows);
        excerpts = List.copyOf(excerpts);
    }

    /** A row, and ids of the takes of it that go out; the one that is heard comes first. */
    public record EditedRow(String row, List<String> takes) {
        public EditedRow {
            takes = List.copyOf(takes);
        }
    }

    @JsonIgnore
    public boolean isEmpty() {
        return rows.isEmpty();
    }

    /** Whether a row's Raw goes out as edits. */
    public boolean hold(String row) {
        return rows.stream().anyMatch(each -> each.row().equals(row));
    }

    /** What holds a clip; empty where it stays at home. */
    public Optional<Excerpt> excerptOf(Clip clip, Session session) {
        return excerpts.stream()
                .filter(excerpt -> isWanted(ranges, clip))
                .filter(excerpt -> excerpt.recording().equals(clip.recording())
                        && excerpt.firstChannel() == clip.firstChannel()
                        && excerpt.channels() == clip.channels())
                .filter(excerpt -> {
                    long start = excerpt.startAt(session.rate());
                    return clip.offset() >= start
                            && clip.offset() + clip.frames() <= start + excerpt.framesAt(session.rate());
                })
                .findFirst();
    }

    static boolean isWanted(List<FrameRange> ranges, Clip clip) {
        return ranges.isEmpty() || ranges.stream().anyMatch(range -> range.overlaps(clip.range()));
    }

    /** Bytes of all excerpts. */
    long bytes() {
        return excerpts.stream().mapToLong(Excerpt::bytes).sum();
    }
}
