package apodex.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Clips cut at frames of the session. A fade stays where its end of the clip stays. */
public final class ClipCuts {
    private ClipCuts() {}

    /** What of the clip lies from {@code from} to before {@code to}; empty when nothing does. */
    public static Optional<Clip> inside(Clip clip, long from, long to) {
        long start = Math.max(from, clip.position());
        long end = Math.min(to, clip.range().end());
        if (start >= end) {
            return Optional.empty();
        }
        Fade in = start == clip.position() ? clip.fadeIn() : Fade.NONE;
        Fade out = end == clip.range().end() ? clip.fadeOut() : Fade.NONE;
        Clip whole = new Clip(
                clip.recording(),
                clip.firstChannel(),
                clip.channels(),
                start,
                clip.offset() + start - clip.position(),
                clip.range().end() - start,
                clip.gainDb(),
                in,
                out,
                clip.inserts(),
                clip.muted(),
                clip.inverted());
        return Optional.of(whole.cutTo(end - start));
    }

    /** What of the clip lies before {@code from} and from {@code to} on: none, one or two clips. */
    public static List<Clip> outside(Clip clip, long from, long to) {
        List<Clip> left = new ArrayList<>();
        inside(clip, Long.MIN_VALUE, from).ifPresent(left::add);
        inside(clip, to, Long.MAX_VALUE).ifPresent(left::add);
        return left;
    }

    /** Clips that no longer lie over each other: of two, the one named later stays whole. Muted ones are let be. */
    public static List<Clip> laterOnTop(List<Clip> clips) {
        List<Clip> seen = new ArrayList<>();
        for (Clip clip : clips) {
            if (!clip.muted()) {
                List<Clip> left = new ArrayList<>();
                seen.forEach(below -> left.addAll(
                        below.muted()
                                ? List.of(below)
                                : outside(below, clip.position(), clip.range().end())));
                seen = left;
            }
            seen.add(clip);
        }
        return seen;
    }
}
