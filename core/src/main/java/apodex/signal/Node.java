package apodex.signal;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/**
 * A point of the signal graph. A head makes a block; a stage changes, in place, the block of the node before it. Every
 * stream has a time of its own: what a node with latency {@code l} makes at frame {@code t} of the walk is the session's
 * frame {@code t - l}.
 */
abstract class Node {
    final int width;
    /** Frames by which its stream is later than the session. */
    final long latency;
    /** Frames after the last sound goes in until its output has fallen by 90 dB, as its effects tell. */
    final long tail;

    /** Frames of silence there can be on the way between two sounds of that tail. */
    final long gap;

    final List<TapFile> taps = new ArrayList<>();
    /** The task that runs it. */
    Line line;

    Node(int width, long latency, long tail, long gap) {
        this.width = width;
        this.latency = latency;
        this.tail = tail;
        this.gap = gap;
    }

    /** The node whose block it changes; null for a head. */
    Node before() {
        return null;
    }

    /** Other nodes whose blocks it reads. */
    List<Node> hears() {
        return List.of();
    }

    /** Nodes whose gains or ratios it applies. */
    List<Node> follows() {
        return List.of();
    }

    /**
     * Makes or changes a block.
     *
     * @param block  channels x frames; at least as many channels as it is wide
     * @param slot   which of the blocks that are kept
     * @param walk   frame of the walk that index 0 stands for
     * @param sounds whether the block before it holds anything; when not, its content is not to be read
     * @return whether the block holds anything now; when not, its content is left undefined
     */
    abstract boolean run(double[][] block, int slot, long walk, int frames, boolean sounds) throws IOException;

    void close() throws IOException {}
}
