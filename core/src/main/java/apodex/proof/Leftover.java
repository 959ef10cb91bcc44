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
        for (int i = 0; i < count; i++) {
            double l = left[0][i];
            double r = left[1][i];
            energy += l * l + r * r;
            double loud = Math.max(Math.abs(l), Math.abs(r));
            int point = (int) ((first + i) * peaks.length / frames);
            if (loud > peaks[point]) {
                peaks[point] = loud;
                if (loud > peak) {
                    peak = loud;
                    loudestAt = first + i;
                }
            }
        }
        samples += 2L * count;
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
