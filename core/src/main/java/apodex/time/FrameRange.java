package apodex.time;

import com.fasterxml.jackson.annotation.JsonIgnore;

/**
 * A half-open stretch of frames: {@code start} belongs to it, {@code end} does not.
 *
 * @param start first frame
 * @param end   frame after the last; never before {@code start}
 */
public record FrameRange(long start, long end) {
    /** @throws IllegalArgumentException when the end lies before the start */
    public FrameRange {
        if (end < start) {
            throw new IllegalArgumentException("A range cannot end (" + end + ") before it starts (" + start + ").");
        }
    }

    /** So many frames from {@code start} on. */
    public static FrameRange ofLength(long start, long frames) {
        return new FrameRange(start, start + frames);
    }

    /** Number of frames. */
    public long frames() {
        return end - start;
    }

    /** Whether no frame is in it. */
    @JsonIgnore
    public boolean isEmpty() {
        return end == start;
    }

    /** True when both share at least one frame. */
    public boolean overlaps(FrameRange other) {
        return start < other.end && other.start < end;
    }

    /** What both share; empty, at the later start, when they share nothing. */
    public FrameRange intersection(FrameRange other) {
        long from = Math.max(start, other.start);
        return new FrameRange(from, Math.max(from, Math.min(end, other.end)));
    }
}
