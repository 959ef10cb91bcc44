package apodex.effect;

import apodex.time.SampleRate;
import apodex.time.TempoMap;

/**
 * Where units run.
 *
 * @param rate  frames per second
 * @param tempo the song's tempo map
 * @param width channels that come in: 1 or 2
 */
public record Conditions(SampleRate rate, TempoMap tempo, int width) {
    int frames(double milliseconds) {
        return (int) Math.round(milliseconds / 1000 * rate.hertz());
    }

    /** Frames of a number of quarter notes at the tempo of the song's start. */
    int framesOfQuarters(double quarters) {
        return (int) Math.round(quarters * 60 / tempo.tempoAt(0) * rate.hertz());
    }
}
