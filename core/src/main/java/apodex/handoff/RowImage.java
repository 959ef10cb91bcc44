package apodex.handoff;

import apodex.measure.Decibels;
import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.signal.MeasuredRecordings;
import apodex.signal.UnreadableRecording;
import apodex.time.FrameRange;
import java.io.IOException;
import java.util.List;

/** Measures the two sides of a row's Raw from its recordings' overviews, over just the stretches its clips use. */
public final class RowImage {
    private RowImage() {}

    /** Fades are left out of account: they can only lower what is found. */
    public static StereoImage measure(Session session, AudioRow row, MeasuredRecordings recordings)
            throws UnreadableRecording {
        return measure(session, row.clips(), recordings);
    }

    /** The same for any clips. */
    public static StereoImage measure(Session session, List<Clip> clips, MeasuredRecordings recordings)
            throws UnreadableRecording {
        StereoImage image = StereoImage.NOTHING;
        for (Clip clip : clips) {
            try {
                StereoImage stretch =
                        recordings.image(clip.recording(), clip.firstChannel(), clip.channels(), heard(session, clip));
                image = image.with(stretch.times(Decibels.toFactor(clip.gainDb())));
            } catch (IOException e) {
                throw new UnreadableRecording(session, clip.recording(), e);
            }
        }
        return image;
    }

    /** The frames of the recording that a clip uses, at the recording's own rate. */
    public static FrameRange heard(Session session, Clip clip) {
        Recording recording = session.recording(clip.recording());
        double ratio = (double) recording.rate().hertz() / session.rate().hertz();
        long from = (long) Math.floor(clip.offset() * ratio);
        long to = Math.min(recording.frames(), (long) Math.ceil((clip.offset() + clip.frames()) * ratio));
        return new FrameRange(from, Math.max(from, to));
    }
}
