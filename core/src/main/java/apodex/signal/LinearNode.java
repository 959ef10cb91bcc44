package apodex.signal;

import apodex.effect.Biquads;
import apodex.effect.LinearUnit;
import java.util.Arrays;

/** A linear unit at work. Cells in which nothing sounds while it is at rest are skipped. */
final class LinearNode extends Node {
    private final Node before;
    private final double[][][] views = new double[Task.AHEAD][][];
    private LinearUnit unit;

    LinearNode(Node before, LinearUnit unit, int width, long tail, long gap) {
        super(width, before.latency + unit.latencyFrames(), before.tail + tail, before.gap + gap);
        this.before = before;
        this.unit = unit;
    }

    @Override
    Node before() {
        return before;
    }

    /** Takes the filter of the node after it into its own loop, when both are filters; the other is then not needed. */
    boolean absorb(Node next) {
        if (next instanceof LinearNode other && unit instanceof Biquads mine && other.unit instanceof Biquads filter) {
            unit = mine.then(filter);
            return true;
        }
        return false;
    }

    @Override
    boolean run(double[][] block, int slot, long walk, int frames, boolean sounds) {
        if (!sounds) {
            if (unit.isAtRest()) {
                return false;
            }
            for (int c = 0; c < before.width; c++) {
                Arrays.fill(block[c], 0, frames, 0);
            }
        }
        if (views[slot] == null) {
            views[slot] = Arrays.copyOf(block, width);
        }
        long first = walk - before.latency;
        boolean sounding = false;
        for (int from = 0; from < frames; ) {
            int to = Cells.end(first, from, frames);
            if (unit.isAtRest() && Cells.isSilent(block, before.width, from, to)) {
                for (int c = before.width; c < width; c++) {
                    Arrays.fill(block[c], from, to, 0);
                }
            } else {
                unit.process(views[slot], from, to, first + from);
                Cells.settle(unit, first + to);
                sounding = true;
            }
            from = to;
        }
        return sounding;
    }
}
