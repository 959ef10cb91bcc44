package apodex.audio;

import apodex.time.SampleRate;

/**
 * What Apodex takes in, in one place; the README repeats it.
 * Rates are bounded by {@link SampleRate}.
 */
public final class Limits {
    /** A recording must be smaller than this, packed in a zip or not. */
    public static final long FILE_BYTES = 64_000_000_000L;
    /** Files in one drop, after unpacking. */
    public static final int FILES_PER_DROP = 5_000;
    /** What one drop's zips may unpack to, all together. */
    public static final long UNPACKED_BYTES = 256_000_000_000L;
    /**
     * Recordings shrink two to four times in a zip, with long silences some ten times more. What unpacks to more than
     * this times its size, and to more than {@link #UNPACKED_HARMLESS_BYTES}, is silence or a trap.
     */
    public static final int UNPACKED_RATIO = 250;
    /** Seven minutes of silence at 48 kHz 24-bit mono still come in from a zip. */
    public static final long UNPACKED_HARMLESS_BYTES = 64_000_000L;

    public static final int CHANNELS = 64;
    /** Rows a session can have. */
    public static final int ROWS = 1_000;
    /** A session's length: a day. */
    public static final long SESSION_SECONDS = 24L * 60 * 60;

    private Limits() {}

    /** Checks what a header says against the limits. */
    static void check(long channels, long hertz) throws SoundFileException {
        if (channels < 1) {
            throw new SoundFileException("Its header says it has no channels.");
        }
        if (channels > CHANNELS) {
            throw new SoundFileException("It has " + channels + " channels; Apodex reads up to " + CHANNELS + ".");
        }
        if (!SampleRate.isUsable(hertz)) {
            throw new SoundFileException("Its sample rate of " + hertz + " Hz is outside 8 to 384 kHz.");
        }
    }
}
