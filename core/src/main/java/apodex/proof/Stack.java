package apodex.proof;

import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Files laid together as whoever receives them lays them: all from the same start, at unity, in the middle or on their side. */
final class Stack implements AutoCloseable {
    static final int BLOCK_FRAMES = 16_384;

    private final Plan plan;
    private final List<Printing.Made> made;
    private final Path files;
    private final List<Laid> added = new ArrayList<>();
    private final List<Laid> against = new ArrayList<>();
    private final boolean mono;

    /**
     * @param added   what is laid together
     * @param against what it is held against
     * @param mono    whether everything is folded to mono before
     */
    Stack(Plan plan, List<Printing.Made> made, Path files, List<Print> added, List<Print> against, boolean mono)
            throws IOException {
        this.plan = plan;
        this.made = made;
        this.files = files;
        this.mono = mono;
        try {
            for (Print print : added) {
                this.added.add(lay(print));
            }
            for (Print print : against) {
                this.against.add(lay(print));
            }
        } catch (IOException | RuntimeException e) {
            close();
            throw e;
        }
    }

    private Laid lay(Print print) throws IOException {
        return new Laid(
                files.resolve(print.path()),
                made.get(plan.prints().indexOf(print)).placed(),
                print.trimDb(),
                BLOCK_FRAMES);
    }

    /** Holds the files against a file that was not printed. */
    void against(Path file) throws IOException {
        against.add(new Laid(file, apodex.signal.Placed.MIDDLE, 0, BLOCK_FRAMES));
    }

    /** Takes a stretch. */
    interface Taker {
        /**
         * @param sum  what the files make together, two sides
         * @param left what the sum leaves of what it is held against; where any file is cut off at full scale, nothing
         */
        void take(double[][] sum, double[][] left, long first, int count) throws IOException;
    }

    /** Walks all files in step. */
    void walk(long frames, Taker taker) throws IOException {
        double[][] sum = new double[2][BLOCK_FRAMES];
        double[][] left = new double[2][BLOCK_FRAMES];
        double[][] one = new double[2][BLOCK_FRAMES];
        boolean[] cut = new boolean[BLOCK_FRAMES];
        for (long first = 0; first < frames; first += BLOCK_FRAMES) {
            int count = (int) Math.min(BLOCK_FRAMES, frames - first);
            Arrays.fill(cut, false);
            for (int side = 0; side < 2; side++) {
                Arrays.fill(sum[side], 0, count, 0);
                Arrays.fill(left[side], 0, count, 0);
            }
            for (Laid each : against) {
                read(each, first, count, one, cut);
                add(one, left, count, 1);
            }
            for (Laid each : added) {
                read(each, first, count, one, cut);
                add(one, sum, count, 1);
            }
            add(sum, left, count, -1);
            for (int i = 0; i < count; i++) {
                if (cut[i]) {
                    left[0][i] = 0;
                    left[1][i] = 0;
                }
            }
            taker.take(sum, left, first, count);
        }
    }

    private void read(Laid file, long first, int count, double[][] into, boolean[] cut) throws IOException {
        file.read(first, count, into, cut);
        if (mono) {
            for (int i = 0; i < count; i++) {
                double middle = 0.5 * (into[0][i] + into[1][i]);
                into[0][i] = middle;
                into[1][i] = middle;
            }
        }
    }

    private static void add(double[][] from, double[][] to, int count, int sign) {
        for (int side = 0; side < 2; side++) {
            for (int i = 0; i < count; i++) {
                to[side][i] += sign * from[side][i];
            }
        }
    }

    @Override
    public void close() throws IOException {
        for (Laid each : added) {
            each.close();
        }
        for (Laid each : against) {
            each.close();
        }
    }
}
