package apodex.signal;

import apodex.session.Move;
import java.util.List;

/** The value of a lane of moves at every frame: straight lines between its points. Asked in ascending frames, or back to where a line began. */
final class Lane {
    private final long[] frames;
    private final double[] values;
    private int next;

    Lane(List<Move> moves) {
        frames = moves.stream().mapToLong(Move::frame).toArray();
        values = moves.stream().mapToDouble(Move::value).toArray();
    }

    boolean isEmpty() {
        return frames.length == 0;
    }

    /** The frame after which nothing moves any more. */
    long lastFrame() {
        return frames.length == 0 ? Long.MIN_VALUE : frames[frames.length - 1];
    }

    /** The frame at which what holds at {@code frame} began. */
    long since(long frame) {
        find(frame);
        return next == 0 ? Long.MIN_VALUE : frames[next - 1];
    }

    /** The frame at which what holds at {@code frame}, a line or a rest, is over. */
    long until(long frame) {
        find(frame);
        return next == frames.length ? Long.MAX_VALUE : frames[next];
    }

    /** By how much the value grows from one frame to the next; 0 where it rests. */
    double slope(long frame) {
        find(frame);
        return next == 0 || next == frames.length
                ? 0
                : (values[next] - values[next - 1]) / (frames[next] - frames[next - 1]);
    }

    private void find(long frame) {
        while (next < frames.length && frames[next] <= frame) {
            next++;
        }
    }

    double at(long frame) {
        find(frame);
        if (next == 0) {
            return values[0];
        }
        if (next == frames.length) {
            return values[next - 1];
        }
        double share = (double) (frame - frames[next - 1]) / (frames[next] - frames[next - 1]);
        return values[next - 1] + share * (values[next] - values[next - 1]);
    }
}
