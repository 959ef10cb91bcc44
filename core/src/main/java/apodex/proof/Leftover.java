package apodex.proof;

import apodex.measure.Decibels;
import java.util.ArrayList;
import java.util.List;

/** What one sum leaves of another sound: how much, where, and drawn over time. */
final class Leftover {
    static final int POINTS = 240;
    static final double NOTHING_DBFS = -200;

    private final long frames;
    private final double[] peaks;
    private double energy;
    private double peak;
    private long loudestAt;
    private long samples;

    Leftover(long frames) {
        this.frames = Math.max(1, frames);
        this.peaks = new double[(int) Math.min(POINTS, this.frames)];
    }

    /** @param left the two sides of what is left */
    void add(double[][] left, long first, int count) {
        for (int from = 0; from < count; ) {
            int point = (int) ((first + from) * peaks.length / frames);
            long pointEnd = ((point + 1) * frames + peaks.length - 1) / peaks.length;
            int to = (int) Math.min(count, pointEnd - first);
            for (double[] side : left) {
                add(side, from, to, first, point);
            }
            from = to;
        }
        samples += 2L * count;
    }

    private void add(double[] side, int from, int to, long first, int point) {
        double sum = 0;
        double most = peaks[point];
        for (int i = from; i < to; i++) {
            double loud = Math.abs(side[i]);
            sum += loud * loud;
            if (loud > most) {
                most = loud;
                if (loud > peak) {
                    peak = loud;
                    loudestAt = first + i;
                }
            }
        }
        peaks[point] = most;
        energy += sum;
    }

    double energy() {
        return energy;
    }

    double peak() {
        return peak;
    }

    long samples() {
        return samples;
    }

    long loudestAt() {
        return loudestAt;
    }

    Double rmsDbfs() {
        return energy == 0 ? null : 10 * Math.log10(energy / samples);
    }

    Double peakDbfs() {
        return peak == 0 ? null : Decibels.ofAmplitude(peak);
    }

    List<Double> curve() {
        List<Double> curve = new ArrayList<>();
        for (double each : peaks) {
            curve.add(
                    each == 0
                            ? NOTHING_DBFS
                            : Math.max(NOTHING_DBFS, Math.round(100 * Decibels.ofAmplitude(each)) / 100.0));
        }
        return curve;
    }
}
