package apodex.signal;

/**
 * The frame of the session from which on nothing new sounds. Whether there is one is known from the start, where it falls only once the
 * whole graph stands.
 */
final class Curtain {
    private final boolean falls;
    private long frame = Long.MAX_VALUE;

    Curtain(boolean falls) {
        this.falls = falls;
    }

    /** Whether there is one. */
    boolean falls() {
        return falls;
    }

    long frame() {
        return frame;
    }

    void fallAt(long sessionFrame) {
        frame = sessionFrame;
    }
}
