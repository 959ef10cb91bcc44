package apodex.signal;

/** A unit whose doing on a sum can be repeated on a share of it: it keeps its gains, or its ratios of out to in. */
abstract class ControlNode extends Node {
    private double[][][] controls;

    ControlNode(int width, long latency, long tail, long gap) {
        super(width, latency, tail, gap);
    }

    /** Keeps them from the first block on. @param rows one for gains, one per channel for ratios */
    final void keepControls(int rows, int blockFrames) {
        if (controls == null) {
            controls = new double[Task.AHEAD][rows][blockFrames];
        }
    }

    final boolean keepsControls() {
        return controls != null;
    }

    final double[][] controls(int slot) {
        return controls[slot];
    }

    /** A node that does to a share what this one does to the sum. */
    abstract Node follower(Node share, int blockFrames);
}
