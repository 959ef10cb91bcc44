package apodex.demo;

import java.util.List;

/**
 * A track of the demo: its whole sound, and which stretches of it were recorded and kept.
 *
 * @param name  as the row is called in the session
 * @param sides the sound, one or two channels, the song's length
 * @param parts the recordings made of it
 */
record Track(String name, List<double[]> sides, List<Part> parts) {
    /**
     * One recording, and the clips cut from it.
     *
     * @param fromBar first bar recorded
     * @param toBar   bar before which it ends; one past the last bar for the song's very end
     * @param cuts    bars that start a new clip inside it; a negative bar starts a gap of one bar there
     */
    record Part(int fromBar, int toBar, int... cuts) {}
}
