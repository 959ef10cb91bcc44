package apodex.proof;

import apodex.audio.PcmReader;
import apodex.proof.Culprit.Kind;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Holds a file against what it should be, and says what has become of it. Both are read as streams, however long they are. */
final class Comparison implements AutoCloseable {
    private static final int BLOCK_FRAMES = 16_384;
    /** A file is explained when of its energy no more than this is left: rounding to 16 bits of a quiet sound is about as much. */
    private static final double EXPLAINED = 1e-3;
    /** Stretches in which a shift is looked for. */
    private static final int MOST_STRETCHES = 12;
    /** Differences below -60 dBFS are called samples that differ, not another sound. */
    private static final double SMALL = 1e-3;
    /** A change of level below this, in dB, is none. */
    private static final double SAME_LEVEL_DB = 0.02;

    private final String path;
    private final PrintedSound actual;
    private final PrintedSound wanted;
    private final PcmReader is;
    private final PcmReader must;
    private final int channels;
    private final long frames;

    /** @param frames how long it should be */
    Comparison(String path, Path file, Path expected, long frames) throws IOException {
        this.path = path;
        this.actual = PrintedSound.open(file);
        this.wanted = PrintedSound.open(expected);
        this.is = actual.reader();
        this.must = wanted.reader();
        this.channels = wanted.info().channels();
        this.frames = frames;
    }

    private String name() {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private Culprit found(Kind kind, double amount) {
        return Culprit.of(kind, path, name(), amount);
    }

    /** What is the matter. */
    Culprit verdict() throws IOException {
        if (actual.info().channels() != channels) {
            return found(Kind.ALTERED, 0);
        }
        if (actual.info().frames() != frames) {
            long more = actual.info().frames() - frames;
            return found(more < 0 ? Kind.SHORT : Kind.LONG, (double) Math.abs(more));
        }
        Sums plain = sums(0);
        if (plain.is() == 0) {
            return found(Kind.SILENT, 0);
        }
        Culprit sides = channels == 2 ? sides(plain) : null;
        if (sides != null) {
            return sides;
        }
        Culprit best = plain.explains() ? levelOrNoise(plain) : null;
        if (best != null && best.kind() != Kind.NOISE) {
            return best;
        }
        for (int shift : shifts(plain)) {
            Sums shifted = sums(shift);
            if (shifted.explains() && shifted.left() < plain.left() / 100) {
                return found(Kind.SHIFTED, shift);
            }
        }
        return best != null || plain.loudestDifference < SMALL
                ? found(Kind.NOISE, (double) plain.differing)
                : found(Kind.ALTERED, 0);
    }

    private Culprit levelOrNoise(Sums sums) {
        double db = 20 * Math.log10(Math.abs(sums.factor()));
        if (sums.factor() < 0) {
            return found(Kind.TURNED, 0);
        }
        if (Math.abs(db - 20 * Math.log10(2)) < SAME_LEVEL_DB) {
            return found(Kind.TWICE, db);
        }
        return Math.abs(db) > SAME_LEVEL_DB ? found(Kind.LEVEL, db) : found(Kind.NOISE, (double) sums.differing);
    }

    private Culprit sides(Sums sums) {
        for (int side = 0; side < 2; side++) {
            if (sums.is[side] == 0 && sums.must[side] > 0) {
                return found(Kind.ONE_SIDE, 0);
            }
        }
        boolean exchanged = sums.leftExchanged <= EXPLAINED * sums.is() && sums.left() > 100 * sums.leftExchanged;
        return exchanged ? found(Kind.SIDES_EXCHANGED, 0) : null;
    }

    /** What both have in common at one shift. */
    private static final class Sums {
        private final double[] is = new double[2];
        private final double[] must = new double[2];
        private double both;
        private double loudestDifference;
        private double leftExchanged;
        private long differing;
        private long isFirst = -1;
        private long mustFirst = -1;
        private long isLast = -1;
        private long mustLast = -1;

        void edges(long frame, boolean isSounds, boolean mustSounds) {
            if (isSounds) {
                isFirst = isFirst < 0 ? frame : isFirst;
                isLast = frame;
            }
            if (mustSounds) {
                mustFirst = mustFirst < 0 ? frame : mustFirst;
                mustLast = frame;
            }
        }

        double is() {
            return is[0] + is[1];
        }

        double factor() {
            double energy = must[0] + must[1];
            return energy == 0 ? 0 : both / energy;
        }

        /** Energy that is left when the wanted sound is taken away at its best level. */
        double left() {
            return Math.max(0, is() - factor() * both);
        }

        boolean explains() {
            return factor() != 0 && left() <= EXPLAINED * is();
        }
    }

    /** @param shift frames by which the file may be late */
    private Sums sums(int shift) throws IOException {
        Sums sums = new Sums();
        double[][] a = new double[channels][BLOCK_FRAMES];
        double[][] b = new double[channels][BLOCK_FRAMES];
        for (long first = 0; first < frames; first += BLOCK_FRAMES) {
            int count = (int) Math.min(BLOCK_FRAMES, frames - first);
            is.read(first, count, 0, a, 0);
            read(must, first - shift, count, b);
            for (int i = 0; i < count; i++) {
                boolean differs = false;
                boolean isSounds = false;
                boolean mustSounds = false;
                for (int c = 0; c < channels; c++) {
                    double x = a[c][i];
                    double y = b[c][i];
                    sums.is[c] += x * x;
                    sums.must[c] += y * y;
                    sums.both += x * y;
                    sums.loudestDifference = Math.max(sums.loudestDifference, Math.abs(x - y));
                    double other = x - b[channels - 1 - c][i];
                    sums.leftExchanged += other * other;
                    differs |= x != y;
                    isSounds |= x != 0;
                    mustSounds |= y != 0;
                }
                sums.edges(first + i, isSounds, mustSounds);
                sums.differing += differs ? 1 : 0;
            }
        }
        return sums;
    }

    private static void read(PcmReader in, long first, int count, double[][] into) throws IOException {
        int before = (int) Math.max(0, Math.min(count, -first));
        long from = Math.max(0, first);
        int there = (int) Math.max(0, Math.min(count - before, in.frames() - from));
        for (double[] channel : into) {
            Arrays.fill(channel, 0, before, 0);
            Arrays.fill(channel, before + there, count, 0);
        }
        if (there > 0) {
            in.read(from, there, 0, into, before);
        }
    }

    /** What a shift could be: as both begin, as both end, and what the correlation says. */
    private List<Integer> shifts(Sums plain) throws IOException {
        int most = (int) Math.min(frames, wanted.info().rate().hertz());
        ShiftFinder finder = new ShiftFinder(most);
        int stretch = finder.stretch();
        long count = (frames + stretch - 1) / stretch;
        long step = Math.max(1, count / MOST_STRETCHES);
        double[][] late = new double[channels][stretch];
        double[][] early = new double[channels][stretch + 2 * most];
        for (long i = 0; i < count; i += step) {
            read(is, i * stretch, stretch, late);
            read(must, i * stretch - most, stretch + 2 * most, early);
            for (int c = 0; c < channels; c++) {
                finder.add(late[c], early[c]);
            }
        }
        Set<Integer> shifts = new LinkedHashSet<>(
                List.of((int) (plain.isFirst - plain.mustFirst), (int) (plain.isLast - plain.mustLast)));
        shifts.addAll(finder.shifts());
        shifts.removeIf(shift -> shift == 0 || Math.abs(shift) > most);
        return List.copyOf(shifts);
    }

    @Override
    public void close() throws IOException {
        try (actual;
                wanted;
                is;
                must) {
            // all four, whatever happens to one of them
        }
    }
}
