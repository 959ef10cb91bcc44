package apodex.demo;

/**
 * A note of the score.
 *
 * @param beat    where it starts, in quarter notes from the song's start
 * @param beats   how long it is held, in quarter notes
 * @param pitch   MIDI note number
 * @param loudness 0 to 1
 */
record Note(double beat, double beats, int pitch, double loudness) {
    double hertz() {
        return 440 * StrictMath.pow(2, (pitch - 69) / 12.0);
    }
}
