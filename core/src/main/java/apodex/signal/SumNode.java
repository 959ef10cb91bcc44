package apodex.signal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The sum of other nodes' blocks, always taken in the same order. A mono one goes to both sides. */
final class SumNode extends Node {
    private final List<Edge> edges = new ArrayList<>();

    /** @param latency when it is heard; no earlier than the latest it sums */
    SumNode(int width, List<Edge.Wish> wishes, long latency, int blockFrames) {
        super(
                width,
                latency,
                wishes.stream().mapToLong(wish -> wish.from().tail).max().orElse(0),
                wishes.stream().mapToLong(wish -> wish.from().gap).max().orElse(0));
        for (Edge.Wish wish : wishes) {
            edges.add(new Edge(wish, latency - wish.from().latency, blockFrames));
        }
    }

    static long latestOf(List<Edge.Wish> wishes) {
        return wishes.stream().mapToLong(wish -> wish.from().latency).max().orElse(0);
    }

    @Override
    List<Node> hears() {
        return edges.stream().map(edge -> edge.from).toList();
    }

    @Override
    boolean run(double[][] block, int slot, long walk, int frames, boolean sounds) {
        boolean sounding = false;
        for (int e = 0; e < edges.size(); e++) {
            Edge edge = edges.get(e);
            double[][] in = edge.read(slot, frames);
            if (in == null) {
                continue;
            }
            if (!sounding) {
                for (int c = 0; c < width; c++) {
                    Arrays.fill(block[c], 0, frames, 0);
                }
                sounding = true;
            }
            for (int c = 0; c < width; c++) {
                add(in[edge.channelFor(c)], c == 0 ? edge.leftGain : edge.rightGain, block[c], frames);
            }
        }
        return sounding;
    }

    private static void add(double[] in, double gain, double[] out, int frames) {
        if (gain == 1) {
            for (int i = 0; i < frames; i++) {
                out[i] += in[i];
            }
        } else {
            for (int i = 0; i < frames; i++) {
                out[i] += gain * in[i];
            }
        }
    }
}
