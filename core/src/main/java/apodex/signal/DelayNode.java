package apodex.signal;

/** Holds a stream back until another has caught up. */
final class DelayNode extends Node {
    private final Node before;
    private final Alignment alignment;

    DelayNode(Node before, long frames, int blockFrames) {
        super(before.width, before.latency + frames, before.tail, before.gap);
        this.before = before;
        this.alignment = new Alignment(before.width, frames, blockFrames);
    }

    @Override
    Node before() {
        return before;
    }

    @Override
    boolean run(double[][] block, int slot, long walk, int frames, boolean sounds) {
        double[][] delayed = alignment.delay(block, frames, sounds);
        if (delayed == null) {
            return false;
        }
        for (int c = 0; c < width; c++) {
            System.arraycopy(delayed[c], 0, block[c], 0, frames);
        }
        return true;
    }
}
