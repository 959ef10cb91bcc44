package apodex.signal;

import apodex.audio.SampleFormat;
import apodex.session.Clip;
import apodex.session.Row;
import apodex.session.Session;
import apodex.time.FrameRange;
import java.util.Comparator;
import java.util.List;

/** Whether a row's Raw is its recordings, sample for sample, in a given format. */
public final class Exactness {
    private Exactness() {}

    /** True when nothing but placing happens to the samples and the format holds each of them exactly. */
    public static boolean isExact(Session session, Row row, SampleFormat depth) {
        return isOnlyPlaced(row)
                && row.clips().stream()
                        .map(clip -> session.recording(clip.recording()))
                        .allMatch(recording -> depth.holdsExactly(recording.sample())
                                && recording.rate().equals(session.rate()));
    }

    /** True when no clip is changed in level and no two overlap. */
    static boolean isOnlyPlaced(Row row) {
        List<Clip> clips = row.clips().stream()
                .sorted(Comparator.comparingLong(Clip::position))
                .toList();
        for (int i = 0; i < clips.size(); i++) {
            FrameRange range = clips.get(i).range();
            if (!clips.get(i).isUntouched() || i > 0 && clips.get(i - 1).range().overlaps(range)) {
                return false;
            }
        }
        return true;
    }
}
