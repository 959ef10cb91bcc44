package apodex.signal;

import java.util.Objects;

/** A connection to another line's block, with a gain for each side, delayed so that it arrives together with the others. */
final class Edge {
    final Node from;
    final double leftGain;
    final double rightGain;
    private final Alignment alignment;

    Edge(Wish wish, long delayFrames, int blockFrames) {
        this.from = wish.from;
        this.leftGain = wish.leftGain;
        this.rightGain = wish.rightGain;
        this.alignment = delayFrames == 0 ? null : new Alignment(from.width, delayFrames, blockFrames);
    }

    /** What arrives of a block: {@code from.width} channels, or null when it holds nothing. */
    double[][] read(int slot, int frames) {
        boolean sounds = from.line.sounds(slot);
        double[][] block = from.line.block(slot);
        if (alignment != null) {
            return alignment.delay(block, frames, sounds);
        }
        return sounds ? block : null;
    }

    /** What a node connects to and how, before it is known when it arrives. */
    record Wish(Node from, double leftGain, double rightGain) {
        Wish {
            Objects.requireNonNull(from);
        }

        Wish(Node from, double gain) {
            this(from, gain, gain);
        }
    }
}
