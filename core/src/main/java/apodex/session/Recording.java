package apodex.session;

import apodex.audio.Digests;
import apodex.audio.SampleFormat;
import apodex.time.SampleRate;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;
import java.util.Locale;

/**
 * An audio file in the store, known by the SHA-256 of its bytes, and what its header says.
 *
 * @param sha256        hash of the file as it came, in lower-case hex
 * @param fileName      the name it came with
 * @param rate          frames per second
 * @param channels      number of channels
 * @param sample        sample format
 * @param frames        length, at its own rate
 * @param timeReference first frame counted from midnight, where the file says so
 * @param originated    when it was made, {@code yyyy-mm-dd}, where the file says so
 * @param title         what the file says it holds, where it does
 */
public record Recording(
        String sha256,
        String fileName,
        SampleRate rate,
        int channels,
        SampleFormat sample,
        long frames,
        @Nullable Long timeReference,
        @Nullable String originated,
        @Nullable String title) {

    private static final String MISSING = "missing ";

    /** A recording that does not say what it holds. */
    public Recording(
            String sha256,
            String fileName,
            SampleRate rate,
            int channels,
            SampleFormat sample,
            long frames,
            @Nullable Long timeReference,
            @Nullable String originated) {
        this(sha256, fileName, rate, channels, sample, frames, timeReference, originated, null);
    }

    /**
     * Stands for a recording that is named and not here: of two sides, as long as is needed of it, at a depth that holds most.
     *
     * @param name in lower case, without folders
     */
    public static Recording standIn(String name, String fileName, SampleRate rate, long frames) {
        return new Recording(
                Digests.sha256OfText(MISSING + name), fileName, rate, 2, SampleFormat.INT24, frames, null, null);
    }

    /** Whether it stands for one that is not here: nobody knows yet what that is like. */
    @JsonIgnore
    public boolean isStandIn() {
        String path = fileName.replace('\\', '/');
        String name = path.substring(path.lastIndexOf('/') + 1).strip().toLowerCase(Locale.ROOT);
        return sha256.equals(Digests.sha256OfText(MISSING + name));
    }

    /** The same, with a place in the day that something else than its time reference says. */
    public Recording stamped(long frames) {
        return new Recording(sha256, fileName, rate, channels, sample, this.frames, frames, originated, title);
    }

    /** The same facts, under another name in the store. */
    public Recording under(String otherSha256) {
        return new Recording(otherSha256, fileName, rate, channels, sample, frames, timeReference, originated, title);
    }

    /** The same samples, taken to follow each other at another rate than the file's header says. */
    public Recording withRate(SampleRate other) {
        return new Recording(sha256, fileName, other, channels, sample, frames, timeReference, originated, title);
    }

    /** Its length when it is played at another rate. */
    public long framesAt(SampleRate other) {
        return rate.equals(other)
                ? frames
                : Math.floorDiv(frames * (long) other.hertz() + rate.hertz() - 1, (long) rate.hertz());
    }
}
