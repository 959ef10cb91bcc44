package apodex.measure;

import java.util.Arrays;

/**
 * Sum and fingerprint of one channel. Samples are laid into pieces of one length at fixed places of the sound, whatever blocks
 * they come in, so that the compiler works on several of them at once and equal sounds give equal sums.
 */
final class ChannelScan {
    /** Sums of a fingerprint. */
    static final int SUMS = 48;

    private static final int PIECE = 256;
    private static final int PIECES_OF_SUM = 16;
    /** The golden ratio's bits: neighbours get unlike signs. */
    private static final long MIX = 0x9E3779B97F4A7C15L;

    private static final double[][] SIGNS = signs();

    private final double[] piece = new double[PIECE];
    private final double[] sum = new double[PIECE];
    private final double[] signed = new double[PIECE];
    private final double[] fingerprint = new double[SUMS];
    private long summed = -1;

    private static double[][] signs() {
        double[][] signs = new double[PIECES_OF_SUM][PIECE];
        long number = 1;
        for (double[] row : signs) {
            for (int i = 0; i < PIECE; i++) {
                row[i] = sign(number++);
            }
        }
        return signs;
    }

    private static double sign(long number) {
        long mixed = number * MIX;
        mixed = (mixed ^ mixed >>> 31) * MIX;
        return (mixed ^ mixed >>> 29) << 63 < 0 ? -1 : 1;
    }

    /** Takes samples {@code [from, to)}, of which the first is frame {@code first} of the sound. */
    void add(double[] samples, int from, int to, long first) {
        for (int at = from; at < to; ) {
            long frame = first + at - from;
            int inPiece = (int) (frame % PIECE);
            int count = Math.min(PIECE - inPiece, to - at);
            if (count < PIECE) {
                Arrays.fill(piece, 0);
            }
            System.arraycopy(samples, at, piece, inPiece, count);
            take(frame / PIECE);
            at += count;
        }
    }

    private void take(long number) {
        long sumNumber = number / PIECES_OF_SUM;
        if (sumNumber != summed) {
            endSum();
            summed = sumNumber;
        }
        add(piece, sum);
        add(piece, SIGNS[(int) (number % PIECES_OF_SUM)], signed);
    }

    private static void add(double[] in, double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] += in[i];
        }
    }

    private static void add(double[] in, double[] signs, double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] += signs[i] * in[i];
        }
    }

    private void endSum() {
        if (summed >= 0) {
            double total = 0;
            for (double each : signed) {
                total += each;
            }
            fingerprint[(int) (summed % SUMS)] += sign(-summed - 1) * total;
            Arrays.fill(signed, 0);
        }
    }

    /** Of all samples. */
    double sum() {
        double total = 0;
        for (double each : sum) {
            total += each;
        }
        return total;
    }

    /** {@link #SUMS} sums with signs that look like chance; they follow every gain and turn of polarity exactly. */
    double[] fingerprint() {
        endSum();
        summed = -1;
        return fingerprint;
    }
}
