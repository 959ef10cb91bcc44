package apodex.signal;

import apodex.effect.GainUnit;
import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.List;

/** A gain unit at work: compressor, gate, limiter. The sound is held back by the unit's latency and multiplied. */
final class GainNode extends ControlNode {
    private final Node before;
    private final GainUnit unit;
    private final Edge key;
    private final Alignment audio;
    private final double[] gains;
    private final double[][] silence;
    private final double[][][] views = new double[Task.AHEAD][][];

    /** @param key what it listens to; null for its own input */
    GainNode(Node before, GainUnit unit, long tail, @Nullable Edge key, int blockFrames) {
        super(
                before.width,
                before.latency + unit.latencyFrames(),
                before.tail + tail,
                Math.max(before.gap, key == null ? 0 : key.from.gap));
        this.before = before;
        this.unit = unit;
        this.key = key;
        this.audio = unit.latencyFrames() == 0 ? null : new Alignment(width, unit.latencyFrames(), blockFrames);
        this.gains = new double[blockFrames];
        this.silence = key == null ? null : new double[1][blockFrames];
    }

    @Override
    Node before() {
        return before;
    }

    @Override
    List<Node> hears() {
        return key == null ? List.of() : List.of(key.from);
    }

    @Override
    boolean run(double[][] block, int slot, long walk, int frames, boolean sounds) {
        double[][] heard = key == null ? null : key.read(slot, frames);
        boolean quiet = !sounds && heard == null && unit.isAtRest() && (audio == null || audio.isEmpty());
        if (quiet && !keepsControls()) {
            return false;
        }
        if (!sounds) {
            for (int c = 0; c < width; c++) {
                Arrays.fill(block[c], 0, frames, 0);
            }
        }
        listen(listened(heard, block, slot), walk - before.latency, frames);
        if (keepsControls()) {
            System.arraycopy(gains, 0, controls(slot)[0], 0, frames);
        }
        return multiply(
                block,
                audio == null ? sounds ? block : null : audio.delay(block, frames, sounds),
                gains,
                width,
                frames);
    }

    private double[][] listened(double[][] heard, double[][] block, int slot) {
        if (key == null) {
            if (views[slot] == null) {
                views[slot] = Arrays.copyOf(block, width);
            }
            return views[slot];
        }
        return heard == null ? silence : heard;
    }

    private void listen(double[][] heard, long first, int frames) {
        for (int from = 0; from < frames; ) {
            int to = Cells.end(first, from, frames);
            unit.gains(heard, gains, from, to);
            Cells.settle(unit, first + to);
            from = to;
        }
    }

    /** @param in what is multiplied; null when it holds nothing */
    static boolean multiply(double[][] block, double[][] in, double[] gains, int width, int frames) {
        if (in == null) {
            return false;
        }
        for (int c = 0; c < width; c++) {
            double[] from = in[c];
            double[] to = block[c];
            for (int i = 0; i < frames; i++) {
                to[i] = from[i] * gains[i];
            }
        }
        return true;
    }

    @Override
    Node follower(Node share, int blockFrames) {
        keepControls(1, blockFrames);
        return new Follower(share, blockFrames);
    }

    /** The same gains on a share of the same sum. */
    private final class Follower extends Node {
        private final Node share;
        private final Alignment own;

        Follower(Node share, int blockFrames) {
            super(share.width, share.latency + unit.latencyFrames(), share.tail, share.gap);
            this.share = share;
            this.own = unit.latencyFrames() == 0 ? null : new Alignment(share.width, unit.latencyFrames(), blockFrames);
        }

        @Override
        Node before() {
            return share;
        }

        @Override
        List<Node> follows() {
            return List.of(GainNode.this);
        }

        @Override
        boolean run(double[][] block, int slot, long walk, int frames, boolean sounds) {
            double[][] in = own == null ? sounds ? block : null : own.delay(block, frames, sounds);
            return multiply(block, in, controls(slot)[0], share.width, frames);
        }
    }
}
