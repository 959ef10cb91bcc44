package apodex.signal;

import apodex.effect.ShaperUnit;
import java.util.Arrays;
import java.util.List;

/** A shaper at work. For shares it keeps the ratio of every output sample to its input. */
final class ShaperNode extends ControlNode {
    private final Node before;
    private final ShaperUnit unit;

    ShaperNode(Node before, ShaperUnit unit) {
        super(before.width, before.latency, before.tail, before.gap);
        this.before = before;
        this.unit = unit;
    }

    @Override
    Node before() {
        return before;
    }

    @Override
    boolean run(double[][] block, int slot, long walk, int frames, boolean sounds) {
        if (!sounds) {
            if (keepsControls()) {
                for (double[] ratio : controls(slot)) {
                    Arrays.fill(ratio, 0, frames, unit.slopeAtZero());
                }
            }
            return false;
        }
        for (int c = 0; c < width; c++) {
            if (keepsControls()) {
                withRatio(block[c], controls(slot)[c], frames);
            } else {
                unit.shape(block[c], block[c], 0, frames);
            }
        }
        return true;
    }

    private void withRatio(double[] samples, double[] ratio, int frames) {
        unit.shape(samples, ratio, 0, frames);
        double slope = unit.slopeAtZero();
        for (int i = 0; i < frames; i++) {
            double in = samples[i];
            samples[i] = ratio[i];
            ratio[i] = in == 0 ? slope : ratio[i] / in;
        }
    }

    @Override
    Node follower(Node share, int blockFrames) {
        keepControls(width, blockFrames);
        return new Follower(share);
    }

    /** The same ratios on a share of the same sum. */
    private final class Follower extends Node {
        private final Node share;

        Follower(Node share) {
            super(share.width, share.latency, share.tail, share.gap);
            this.share = share;
        }

        @Override
        Node before() {
            return share;
        }

        @Override
        List<Node> follows() {
            return List.of(ShaperNode.this);
        }

        @Override
        boolean run(double[][] block, int slot, long walk, int frames, boolean sounds) {
            if (!sounds) {
                return false;
            }
            for (int c = 0; c < share.width; c++) {
                double[] ratio = controls(slot)[Math.min(c, ShaperNode.this.width - 1)];
                double[] samples = block[c];
                for (int i = 0; i < frames; i++) {
                    samples[i] *= ratio[i];
                }
            }
            return true;
        }
    }
}
