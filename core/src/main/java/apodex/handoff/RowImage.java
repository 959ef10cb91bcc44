package apodex.handoff;

import apodex.measure.Decibels;
import apodex.measure.Overview;
import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.signal.Recordings;
import java.io.IOException;

/** Measures the two sides of a row's Raw from its recordings' overviews, over just the stretches its clips use. */
final class RowImage {
    private RowImage() {}

    /** Fades are left out of account: they can only lower what is found. */
    static StereoImage measure(AudioRow row, Recordings recordings) throws IOException {
        StereoImage image = StereoImage.NOTHING;
        for (Clip clip : row.clips()) {
            try (Overview overview = recordings.overview(clip.recording())) {
                StereoImage stretch = overview.measure(clip.firstChannel(), clip.channels(),
                        apodex.time.FrameRange.ofLength(clip.offset(), clip.frames()));
                image = image.with(stretch.times(Decibels.toFactor(clip.gainDb())));
            }
        }
        return image;
    }
}
