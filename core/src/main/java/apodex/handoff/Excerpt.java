package apodex.handoff;

import apodex.audio.FileKind;
import apodex.audio.SampleFormat;
import apodex.time.SampleRate;
import com.fasterxml.jackson.annotation.JsonIgnore;

/**
 * A stretch of an original recording that goes out as it was recorded, for edits.
 *
 * @param file         its name
 * @param folder       the folder of the parcel it goes to
 * @param recording    SHA-256 of the recording
 * @param firstChannel first of the recording's channels that is in it, from 0
 * @param channels     1 or 2
 * @param start        first frame of the recording that is in it, at the recording's rate
 * @param frames       its length, at the recording's rate
 * @param rate         the recording's
 * @param sample       the recording's format, or the next that files have
 * @param kind         kind of the file
 * @param timeReference where its first frame lies for the first clip that uses it, counted from midnight at its own rate
 * @param bytes        size of the file, before packing
 */
public record Excerpt(
        String file,
        String folder,
        String recording,
        int firstChannel,
        int channels,
        long start,
        long frames,
        SampleRate rate,
        SampleFormat sample,
        FileKind kind,
        long timeReference,
        long bytes) {

    Excerpt sized(long size) {
        return new Excerpt(
                file,
                folder,
                recording,
                firstChannel,
                channels,
                start,
                frames,
                rate,
                sample,
                kind,
                timeReference,
                size);
    }

    /** Where it lies in the parcel. */
    @JsonIgnore
    public String path() {
        return folder.isEmpty() ? file : folder + "/" + file;
    }

    /** First frame of it, counted from the recording's at the rate of a session: always a whole number. */
    public long startAt(SampleRate session) {
        return start * session.hertz() / rate.hertz();
    }

    /** Its length when it is played at the rate of a session. */
    long framesAt(SampleRate session) {
        return Math.floorDiv(frames * session.hertz() + rate.hertz() - 1, (long) rate.hertz());
    }
}
