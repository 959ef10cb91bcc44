package apodex.instrument;

/** A voice that is heard faster or slower, and so higher or lower. Where it is not bent it is itself, sample for sample. */
final class BentVoice extends Voice {
    private static final int CHUNK = 256;
    /** Samples before and after a place that a cubic through four of them needs. */
    private static final int BEFORE = 1;

    private static final int AFTER = 2;

    private final Voice voice;
    private final Curve ratio;
    private final double[][] own;
    private int filled = BEFORE;
    private double at = BEFORE;
    private long frame;
    /** Samples that may still hold something once the voice is over. */
    private int left = BEFORE + AFTER;

    BentVoice(Voice voice, int channels, Curve ratio, long start) {
        this.voice = voice;
        this.ratio = ratio;
        this.frame = start;
        own = new double[channels][BEFORE + AFTER + 1 + CHUNK];
    }

    @Override
    public void add(double[][] block, int from, int to) {
        for (int i = from; i < to && !isOver(); i++) {
            int whole = (int) at;
            while (whole + AFTER >= filled) {
                int dropped = whole - BEFORE;
                fill(dropped);
                at -= dropped;
                whole -= dropped;
            }
            double rest = at - whole;
            for (int c = 0; c < own.length; c++) {
                block[c][i] += between(own[c], whole, rest);
            }
            at += ratio.at(frame++);
        }
    }

    /** Drops samples that are over and asks the voice for more. */
    private void fill(int dropped) {
        int kept = filled - dropped;
        int room = Math.min(CHUNK, own[0].length - kept);
        for (double[] channel : own) {
            System.arraycopy(channel, dropped, channel, 0, kept);
            java.util.Arrays.fill(channel, kept, kept + room, 0);
        }
        if (voice.isOver()) {
            left -= room;
        } else {
            voice.add(own, kept, kept + room);
        }
        filled = kept + room;
    }

    /** A cubic through four samples with the slopes of their neighbours (Catmull and Rom, 1974). */
    private static double between(double[] samples, int at, double rest) {
        double a = samples[at - 1];
        double b = samples[at];
        double c = samples[at + 1];
        double d = samples[at + 2];
        return b + 0.5 * rest * (c - a + rest * (2 * a - 5 * b + 4 * c - d + rest * (3 * (b - c) + d - a)));
    }

    @Override
    public boolean isOver() {
        return voice.isOver() && left <= 0;
    }
}
