package apodex.signal;

import apodex.session.Clip;
import apodex.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The frames where any of several clips lies: ascending ranges that do not touch. */
final class Coverage {
    private final long[] starts;
    private final long[] ends;

    private Coverage(List<FrameRange> merged) {
        starts = merged.stream().mapToLong(FrameRange::start).toArray();
        ends = merged.stream().mapToLong(FrameRange::end).toArray();
    }

    static Coverage of(List<Clip> clips) {
        List<FrameRange> sorted = clips.stream()
                .map(Clip::range)
                .filter(range -> !range.isEmpty())
                .sorted(Comparator.comparingLong(FrameRange::start))
                .toList();
        List<FrameRange> merged = new ArrayList<>();
        for (FrameRange range : sorted) {
            int last = merged.size() - 1;
            if (last >= 0 && merged.get(last).end() >= range.start()) {
                FrameRange before = merged.get(last);
                merged.set(last, new FrameRange(before.start(), Math.max(before.end(), range.end())));
            } else {
                merged.add(range);
            }
        }
        return new Coverage(merged);
    }

    /** Whether a clip sounds at {@code frame}. */
    boolean covers(long frame) {
        int next = firstEndingAfter(frame);
        return next < starts.length && starts[next] <= frame;
    }

    /** The next frame after {@code frame} where {@link #covers} may change; the largest long when there is none. */
    long nextEdge(long frame) {
        int next = firstEndingAfter(frame);
        if (next == starts.length) {
            return Long.MAX_VALUE;
        }
        return starts[next] > frame ? starts[next] : ends[next];
    }

    private int firstEndingAfter(long frame) {
        int low = 0;
        int high = ends.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (ends[middle] <= frame) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
