package apodex.session;

import apodex.time.FrameRange;
import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;

/**
 * A stretch of a recording placed on the timeline. All frames are counted at the session's rate; a recording of another
 * rate counts as long as it lasts.
 *
 * @param recording     SHA-256 of the recording
 * @param firstChannel  first of its channels that is used, from 0
 * @param channels      1 or 2
 * @param position      frame of the session where it starts, from 0
 * @param offset        first frame of the recording that is heard
 * @param frames        length
 * @param gainDb        gain in dB; 0 leaves every sample as it is
 * @param fadeIn        at its start
 * @param fadeOut       at its end
 * @param inserts       effects on this clip alone
 * @param muted         it is there, but not heard at any station
 * @param inverted      its polarity is reversed; no, when it is not said
 */
public record Clip(
        String recording,
        int firstChannel,
        int channels,
        long position,
        long offset,
        long frames,
        double gainDb,
        Fade fadeIn,
        Fade fadeOut,
        List<Insert> inserts,
        boolean muted,
        Boolean inverted) {
    /** Of a single clip. */
    public static final Bounds GAIN_DB = new Bounds(Strip.SILENT_DB, 48);

    public Clip {
        inverted = inverted != null && inverted; // documents from before clips could be turned over do not say
        fadeIn = fadeIn == null ? Fade.NONE : fadeIn;
        fadeOut = fadeOut == null ? Fade.NONE : fadeOut;
        inserts = inserts == null ? List.of() : List.copyOf(inserts);
    }

    /** A clip of the polarity it was recorded with. */
    public Clip(
            String recording,
            int firstChannel,
            int channels,
            long position,
            long offset,
            long frames,
            double gainDb,
            Fade fadeIn,
            Fade fadeOut,
            List<Insert> inserts,
            boolean muted) {
        this(
                recording,
                firstChannel,
                channels,
                position,
                offset,
                frames,
                gainDb,
                fadeIn,
                fadeOut,
                inserts,
                muted,
                false);
    }

    /** A clip with straight fades and nothing else. */
    public Clip(
            String recording,
            int firstChannel,
            int channels,
            long position,
            long offset,
            long frames,
            double gainDb,
            long fadeInFrames,
            long fadeOutFrames) {
        this(
                recording,
                firstChannel,
                channels,
                position,
                offset,
                frames,
                gainDb,
                Fade.straight(fadeInFrames),
                Fade.straight(fadeOutFrames),
                List.of(),
                false,
                false);
    }

    /** All of a recording at a frame of the session, without gain and fades. */
    public static Clip whole(Recording recording, int firstChannel, int channels, long position) {
        return new Clip(recording.sha256(), firstChannel, channels, position, 0, recording.frames(), 0, 0, 0);
    }

    /** Frames of the session where it lies. */
    @JsonIgnore
    public FrameRange range() {
        return FrameRange.ofLength(position, frames);
    }

    /** True when its samples are heard as they were recorded, clip inserts left aside. */
    @JsonIgnore
    public boolean isUntouched() {
        return gainDb == 0 && !inverted && fadeIn.frames() == 0 && fadeOut.frames() == 0;
    }

    /** The same clip from another recording. */
    public Clip of(String otherRecording) {
        return new Clip(
                otherRecording,
                firstChannel,
                channels,
                position,
                offset,
                frames,
                gainDb,
                fadeIn,
                fadeOut,
                inserts,
                muted,
                inverted);
    }

    /** The same clip across other channels of its recording, from its first on. @param count 1 or 2 */
    Clip across(int count) {
        return count == channels
                ? this
                : new Clip(
                        recording,
                        firstChannel,
                        count,
                        position,
                        offset,
                        frames,
                        gainDb,
                        fadeIn,
                        fadeOut,
                        inserts,
                        muted,
                        inverted);
    }

    /** The same clip at another place. */
    public Clip at(long otherPosition) {
        return new Clip(
                recording,
                firstChannel,
                channels,
                otherPosition,
                offset,
                frames,
                gainDb,
                fadeIn,
                fadeOut,
                inserts,
                muted,
                inverted);
    }

    /** The clip's beginning; fades that no longer fit are shortened. */
    public Clip cutTo(long length) {
        long in = Math.min(fadeIn.frames(), length);
        return new Clip(
                recording,
                firstChannel,
                channels,
                position,
                offset,
                length,
                gainDb,
                new Fade(in, fadeIn.curve()),
                new Fade(Math.min(fadeOut.frames(), length - in), fadeOut.curve()),
                inserts,
                muted,
                inverted);
    }

    /** The same clip with other fades. */
    public Clip withFades(Fade in, Fade out) {
        return new Clip(
                recording, firstChannel, channels, position, offset, frames, gainDb, in, out, inserts, muted, inverted);
    }

    /** The same clip of the other polarity. */
    public Clip turnedOver() {
        return new Clip(
                recording,
                firstChannel,
                channels,
                position,
                offset,
                frames,
                gainDb,
                fadeIn,
                fadeOut,
                inserts,
                muted,
                !inverted);
    }

    /** The same clip with other inserts. */
    public Clip withInserts(List<Insert> other) {
        return new Clip(
                recording,
                firstChannel,
                channels,
                position,
                offset,
                frames,
                gainDb,
                fadeIn,
                fadeOut,
                other,
                muted,
                inverted);
    }
}
