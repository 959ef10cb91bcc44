package apodex.examine;

import java.util.Optional;

/** Hears a recording from front to back and tells, at its end, whether one thing is odd about it. One for each recording. */
interface Watch {
    /**
     * Hears the next frames.
     *
     * @param block channels x frames; amplitudes, full scale at 1.0
     * @param first frame of the recording that index 0 holds
     * @param peak  greatest sample of the block, as an amplitude
     */
    void hear(double[][] block, int frames, long first, double peak);

    Optional<Oddity> tell();
}
