package apodex.handoff;

import apodex.signal.Passage;
import apodex.time.SampleRate;

/**
 * Lengths of the session in frames of the files.
 *
 * @param files   rate of the files
 * @param session rate of the session
 */
record FileFrames(SampleRate files, SampleRate session) {
    /** The nearest frame. */
    long at(long sessionFrames) {
        return Math.round((double) sessionFrames * files.hertz() / session.hertz());
    }

    /** As many frames as hold all of it. */
    long holding(long sessionFrames) {
        return Math.floorDiv(sessionFrames * files.hertz() + session.hertz() - 1, (long) session.hertz());
    }

    /** Of a file, from its lead-in to a frame of the session. */
    long until(Passage passage, long end) {
        return at(passage.leadInFrames()) + holding(end - passage.range().start());
    }
}
