package apodex.signal;

import java.util.Objects;

/** A connection to another line's block, with a gain for each side, delayed so that it arrives together with the others. */
final class Edge {
    final Node from;
    final double leftGain;
    final double rightGain;
    private final PlainSum.Sides sides;
    private final Alignment alignment;

    Edge(Wish wish, long delayFrames, int blockFrames) {
        this.from = wish.from;
        this.leftGain = wish.leftGain;
        this.rightGain = wish.rightGain;
        this.sides = wish.sides;
        this.alignment = delayFrames == 0 ? null : new Alignment(from.width, delayFrames, blockFrames);
    }

    /** Which of the channels that arrive goes to a channel of the sum. */
    int channelFor(int channel) {
        return sides == PlainSum.Sides.LEFT_FOR_BOTH ? 0 : Math.min(channel, from.width - 1);
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
    record Wish(Node from, double leftGain, double rightGain, PlainSum.Sides sides) {
        Wish {
            Objects.requireNonNull(from);
        }

        Wish(Node from, double leftGain, double rightGain) {
            this(from, leftGain, rightGain, PlainSum.Sides.BOTH);
        }

        Wish(Node from, double gain) {
            this(from, gain, gain);
        }
    }
}
