package apodex.demo;

import apodex.session.Song;
import apodex.time.Meter;
import apodex.time.SampleRate;
import apodex.time.TempoChange;
import apodex.time.TempoMap;
import java.util.List;

/** The song's clock: a steady waltz that slows down over its last four bars. */
final class Timing {
    static final SampleRate RATE = new SampleRate(48_000);
    static final Meter METER = new Meter(3, 4);
    private static final double SLOWEST = 66;
    private static final int SLOWING_BARS = 4;
    static final List<TempoChange> SLOWING = List.of(
            new TempoChange((Score.BARS - SLOWING_BARS) * 3.0, Score.BEATS_PER_MINUTE, TempoChange.Way.JUMP),
            new TempoChange((Score.BARS - 1) * 3.0, SLOWEST, TempoChange.Way.GLIDE));
    static final TempoMap TEMPO = new Song("", "", Score.BEATS_PER_MINUTE, METER, null, SLOWING, List.of()).timeline();
    /** The last bar rings out for nearly half a bar more. */
    static final int SONG_FRAMES = bar(Score.BARS + 1) + 36_000;

    private Timing() {}

    static int frame(double beats) {
        return Math.toIntExact(TEMPO.frameOf(beats, RATE));
    }

    static int bar(int bar) {
        return Math.toIntExact(TEMPO.frameOfBar(bar, RATE));
    }
}
