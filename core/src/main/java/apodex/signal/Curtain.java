package apodex.signal;

/** The frame of the session from which on nothing new sounds; known only once the whole graph stands. */
final class Curtain {
    private long frame = Long.MAX_VALUE;

    long frame() {
        return frame;
    }

    void fallAt(long sessionFrame) {
        frame = sessionFrame;
    }
}
