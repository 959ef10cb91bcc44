package apodex.demo;

import apodex.time.Meter;
import apodex.time.SampleRate;
import apodex.time.TempoMap;

/** The song's clock. */
final class Timing {
    static final SampleRate RATE = new SampleRate(48_000);
    static final TempoMap TEMPO = new TempoMap(Score.BEATS_PER_MINUTE, new Meter(3, 4));
    /** The last bar rings out for nearly half a bar more. */
    static final int SONG_FRAMES = bar(Score.BARS + 1) + 36_000;

    private Timing() {}

    static int frame(double beats) {
        return (int) Math.round(beats * 60 / Score.BEATS_PER_MINUTE * RATE.hertz());
    }

    static int bar(int bar) {
        return Math.toIntExact(TEMPO.frameOfBar(bar, RATE));
    }
}
