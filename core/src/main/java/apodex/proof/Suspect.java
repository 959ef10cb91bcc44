package apodex.proof;

import apodex.handoff.Print;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A sound held against the leftover, as it is and shifted against itself by a few frames. */
final class Suspect implements AutoCloseable {
    private static final int MOST_SHIFT = 3;
    /** Frames it reads at once. */
    static final int ROOM_FRAMES = SumCheck.BLOCK_FRAMES + 2 * MOST_SHIFT;
    /** A leftover that is explained falls to this share of its energy at most. */
    private static final double FALLS_TO = 1e-3;

    private static final int[] SHIFTS = {-3, -2, -1, 1, 2, 3};

    private final String name;
    private final List<Print> prints;
    private final boolean counted;
    private final List<Laid> laid = new ArrayList<>();
    private final double[][] own = new double[2][ROOM_FRAMES];
    private final double[][] one = new double[2][ROOM_FRAMES];
    private double energy;
    private double with;
    private final double[] shiftedEnergy = new double[SHIFTS.length];
    private final double[] withShifted = new double[SHIFTS.length];

    /** @param counted whether it is in the sum */
    Suspect(String name, List<Print> prints, boolean counted) {
        this.name = name;
        this.prints = prints;
        this.counted = counted;
    }

    List<Print> prints() {
        return prints;
    }

    void lay(Laid file) {
        laid.add(file);
    }

    @Override
    public void close() throws IOException {
        for (Laid each : laid) {
            each.close();
        }
    }

    /** @param left what the sum leaves of the reference, two sides */
    void compare(double[][] left, long first, int count) throws IOException {
        long from = Math.max(0, first - MOST_SHIFT);
        int before = (int) (first - from);
        int length = before + count + MOST_SHIFT;
        for (int side = 0; side < 2; side++) {
            Arrays.fill(own[side], 0);
        }
        for (Laid each : laid) {
            each.read(from, length, one);
            for (int side = 0; side < 2; side++) {
                for (int i = 0; i < length; i++) {
                    own[side][i + MOST_SHIFT - before] += one[side][i];
                }
            }
        }
        for (int side = 0; side < 2; side++) {
            double[] x = own[side];
            double[] e = left[side];
            for (int i = 0; i < count; i++) {
                double sample = x[i + MOST_SHIFT];
                energy += sample * sample;
                with += sample * e[i];
            }
            for (int s = 0; s < SHIFTS.length && counted; s++) {
                for (int i = 0; i < count; i++) {
                    double change = x[i + MOST_SHIFT + SHIFTS[s]] - x[i + MOST_SHIFT];
                    shiftedEnergy[s] += change * change;
                    withShifted[s] += change * e[i];
                }
            }
        }
    }

    /** What is the matter with it, if that explains the leftover; null otherwise. */
    Culprit verdict(Leftover leftover) {
        double best = leftover.energy() * FALLS_TO;
        Culprit found = null;
        if (energy > 0) {
            double factor = with / energy;
            double left = Math.max(0, leftover.energy() - factor * with);
            if (left < best) {
                best = left;
                found = culprit(factor, rms(left, leftover));
            }
        }
        for (int s = 0; s < SHIFTS.length; s++) {
            double left = Math.max(0, leftover.energy() - 2 * withShifted[s] + shiftedEnergy[s]);
            if (shiftedEnergy[s] > 0 && left < best) {
                best = left;
                found = new Culprit(Culprit.Kind.SHIFTED, paths(), name, SHIFTS[s], rms(left, leftover));
            }
        }
        return found;
    }

    /** @param factor how much of the file the leftover is */
    private Culprit culprit(double factor, Double left) {
        if (!counted) {
            return factor <= 0 ? null : new Culprit(Culprit.Kind.MISSING, paths(), name, 0, left);
        }
        if (Math.abs(factor + 1) < 0.01) {
            return new Culprit(Culprit.Kind.TWICE, paths(), name, 0, left);
        }
        if (Math.abs(factor + 2) < 0.01) {
            return new Culprit(Culprit.Kind.TURNED, paths(), name, 0, left);
        }
        double should = 1 + factor;
        return should <= 0 ? null : new Culprit(Culprit.Kind.LEVEL, paths(), name, -20 * Math.log10(should), left);
    }

    private List<String> paths() {
        return prints.stream().map(Print::path).toList();
    }

    private static Double rms(double energyLeft, Leftover leftover) {
        return energyLeft == 0 ? null : 10 * Math.log10(energyLeft / leftover.samples());
    }
}
