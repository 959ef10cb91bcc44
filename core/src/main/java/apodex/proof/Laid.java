package apodex.proof;

import apodex.audio.PcmDecoder;
import apodex.audio.PcmLayout;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.measure.Decibels;
import apodex.signal.Placed;

/** How a file lies in a sum: on both sides or one, with its trim taken back, and added up. */
final class Laid {
    private final double left;
    private final double right;
    private final boolean mayBeCut;

    private Laid(double gain, Placed placed, boolean mayBeCut) {
        this.mayBeCut = mayBeCut;
        this.left = placed == Placed.RIGHT ? 0 : gain;
        this.right = placed == Placed.LEFT ? 0 : gain;
    }

    static Laid of(Print print, Printing.Made made) {
        boolean mayBeCut = made.measures() == null || made.measures().fullScaleSamples() > 0;
        return new Laid(Decibels.toFactor(-print.trimDb()), made.placed(), mayBeCut);
    }

    /** As it is. */
    static Laid plainly() {
        return new Laid(1, Placed.MIDDLE, false);
    }

    /**
     * Lays frames onto two sides.
     *
     * @param raw  frames as they are stored
     * @param from which of them is the first
     */
    void add(byte[] raw, PcmLayout layout, int from, int count, SumBlock block, Member.Part part) {
        double[][] samples = layout.channels() == 1 ? block.one : block.two;
        PcmDecoder.decode(raw, from * layout.frameBytes(), layout, 0, count, samples, 0);
        if (mayBeCut && !layout.sample().isFloat()) {
            for (double[] channel : samples) {
                mark(channel, layout.sample().fullScale(), count, block.cut);
            }
        }
        double[][] onto = part == Member.Part.ADDED ? block.sum : block.left;
        add(samples[0], left, onto[0], count);
        add(samples[samples.length - 1], right, onto[1], count);
    }

    private static void mark(double[] samples, double top, int count, boolean[] cut) {
        for (int i = 0; i < count; i++) {
            if (samples[i] >= top || samples[i] <= -1) {
                cut[i] = true;
            }
        }
    }

    private static void add(double[] in, double gain, double[] out, int count) {
        if (gain == 1) {
            for (int i = 0; i < count; i++) {
                out[i] += in[i];
            }
        } else if (gain != 0) {
            for (int i = 0; i < count; i++) {
                out[i] += gain * in[i];
            }
        }
    }
}
