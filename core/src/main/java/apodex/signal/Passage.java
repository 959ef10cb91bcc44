package apodex.signal;

import apodex.session.Session;
import apodex.time.FrameRange;

/**
 * The stretch of the song that every file covers.
 *
 * @param range        frames of the session
 * @param leadInFrames digital silence before it
 * @param tail         how long the files go on after it
 */
public record Passage(FrameRange range, long leadInFrames, Tail tail) {
    /** Until every print has stayed below this for a second, in dBFS. */
    public static final double QUIET_DBFS = -90;
    /** An automatic tail is never longer, in seconds. */
    public static final int LONGEST_TAIL_SECONDS = 30;

    /**
     * What follows the range. While it lasts nothing new sounds; what sounded rings out.
     *
     * @param seconds length; null: until every print is quiet
     */
    public record Tail(Double seconds) {
        public static final Tail AUTOMATIC = new Tail(null);
        public static final Tail NONE = new Tail(0.0);

        boolean isAutomatic() {
            return seconds == null;
        }
    }

    /**
     * The frame of the session from which on nothing new sounds: the range's end. Only where files end there for certain, effects
     * hear what comes for as long as they look ahead, so that the range sounds as in the whole song to its last frame.
     *
     * @param latest frames by which the latest file is late
     */
    long curtain(long latest) {
        boolean endsThere = !tail.isAutomatic() && tail.seconds() == 0;
        return range.end() + (endsThere ? latest : 0);
    }

    /** From the session's start to the end of its last sound, and until it has died away. */
    public static Passage whole(Session session) {
        return new Passage(new FrameRange(0, session.frames()), 0, Tail.AUTOMATIC);
    }
}
