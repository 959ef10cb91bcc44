package apodex.time;

/**
 * Where bars and beats fall in frames: one tempo and one meter for the whole song.
 *
 * @param quartersPerMinute tempo in quarter notes a minute (as Standard MIDI Files count it), 10 to 999
 * @param meter             the time signature
 */
public record TempoMap(double quartersPerMinute, Meter meter) {
    public static final double SLOWEST = 10;
    public static final double FASTEST = 999;

    /** @throws IllegalArgumentException outside the range */
    public TempoMap {
        if (!(quartersPerMinute >= SLOWEST && quartersPerMinute <= FASTEST)) {
            throw new IllegalArgumentException("A tempo must be from 10 to 999 beats a minute, not "
                    + quartersPerMinute + ".");
        }
    }

    /** Frames in one bar, with its fraction. */
    public double framesPerBar(SampleRate rate) {
        return meter.quartersPerBar() * 60.0 / quartersPerMinute * rate.hertz();
    }

    /** Frames in one beat of the meter, with its fraction. */
    public double framesPerBeat(SampleRate rate) {
        return framesPerBar(rate) / meter.beats();
    }

    /** First frame of a bar; bar 1 starts at frame 0. */
    public long frameOfBar(int bar, SampleRate rate) {
        return Math.round((bar - 1) * framesPerBar(rate));
    }
}
