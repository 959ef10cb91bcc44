package apodex.signal;

import java.io.IOException;
import java.util.List;

/**
 * Nodes that follow each other with nothing in between that another needs: one task, one block, worked on in place while
 * it is in the processor's cache. Its last node's blocks can be read by others.
 */
final class Line extends Task {
    private final Node[] nodes;
    private final double[][][] blocks;
    private final boolean[] sounds = new boolean[AHEAD];
    private final long walkStart;
    private final int blockFrames;
    /** Where the first node's block comes from when it is a stage; null when it is a head. */
    private final Node source;

    Line(List<Node> nodes, long walkStart, int blockFrames) {
        this.nodes = nodes.toArray(Node[]::new);
        this.walkStart = walkStart;
        this.blockFrames = blockFrames;
        this.source = nodes.get(0).before();
        int width = nodes.stream().mapToInt(node -> node.width).max().orElse(1);
        this.blocks = new double[AHEAD][width][blockFrames];
        nodes.forEach(node -> node.line = this);
    }

    /** Waits for every line it reads. All nodes must have their line. */
    void connect() {
        if (source != null) {
            waitFor(source.line);
        }
        for (Node node : nodes) {
            node.hears().forEach(heard -> waitFor(heard.line));
            node.follows().forEach(followed -> waitFor(followed.line));
        }
    }

    boolean hasTaps() {
        for (Node node : nodes) {
            if (!node.taps.isEmpty()) {
                return true;
            }
        }
        return false;
    }

    double[][] block(int slot) {
        return blocks[slot];
    }

    boolean sounds(int slot) {
        return sounds[slot];
    }

    @Override
    void step(long number) throws IOException {
        int slot = (int) (number % AHEAD);
        long walk = walkStart + number * blockFrames;
        double[][] block = blocks[slot];
        boolean sounding = false;
        if (source != null) {
            sounding = source.line.sounds(slot);
            if (sounding) {
                double[][] from = source.line.block(slot);
                for (int c = 0; c < source.width; c++) {
                    System.arraycopy(from[c], 0, block[c], 0, blockFrames);
                }
            }
        }
        for (Node node : nodes) {
            sounding = node.run(block, slot, walk, blockFrames, sounding);
            for (int i = 0; i < node.taps.size(); i++) {
                node.taps.get(i).take(block, node.width, walk - node.latency, blockFrames, sounding);
            }
        }
        sounds[slot] = sounding;
    }

    void close() throws IOException {
        for (Node node : nodes) {
            node.close();
        }
    }
}
