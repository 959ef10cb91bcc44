package apodex.signal;

import apodex.audio.SampleFormat;
import apodex.session.Clip;
import apodex.session.Session;
import apodex.time.FrameRange;
import java.util.Comparator;
import java.util.List;

/** Whether placed clips are their recordings, sample for sample, in a given format. */
public final class Exactness {
    private Exactness() {}

    /** True when nothing but placing happens to the samples and the format holds each of them exactly. */
    public static boolean isExact(Session session, List<Clip> clips, SampleFormat depth) {
        return isOnlyPlaced(clips)
                && clips.stream()
                        .map(clip -> session.recording(clip.recording()))
                        .allMatch(recording -> depth.holdsExactly(recording.sample())
                                && recording.rate().equals(session.rate()));
    }

    /** True when no clip is changed in level and no two overlap. */
    static boolean isOnlyPlaced(List<Clip> placed) {
        List<Clip> clips =
                placed.stream().sorted(Comparator.comparingLong(Clip::position)).toList();
        for (int i = 0; i < clips.size(); i++) {
            FrameRange range = clips.get(i).range();
            if (!clips.get(i).isUntouched() || i > 0 && clips.get(i - 1).range().overlaps(range)) {
                return false;
            }
        }
        return true;
    }
}
