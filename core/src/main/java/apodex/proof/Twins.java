package apodex.proof;

import apodex.handoff.Plan;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Finds files that hold what another holds: sample for sample, or all but a gain and a turn of polarity. */
final class Twins {
    private static final int BLOCK_FRAMES = 16_384;
    /** What may be left of a file when its twin is taken from it, as a share of its energy: -60 dB. */
    private static final double ALIKE = 1e-6;

    private Twins() {}

    /**
     * The files with their likenesses. That a mix is like the only file it is made of says nothing. Files of one row that differ by a gain are stations of it, and not marked; that all silent
     * files are alike says nothing.
     */
    static List<FileProof> marked(Plan plan, Path files, List<FileReader.Result> read) throws IOException {
        Map<String, String> firstWith = new HashMap<>();
        List<FileProof> marked = new ArrayList<>();
        for (int i = 0; i < read.size(); i++) {
            FileProof file = read.get(i).proof();
            Likeness like = null;
            if (file.isRead() && !file.silent() && !plan.prints().get(i).isReference()) {
                String earlier = firstWith.putIfAbsent(
                        plan.prints().get(i).section() + "/" + file.channels() + file.contentSha256(), file.path());
                like = earlier != null ? new Likeness(earlier, 1) : nearly(plan, files, read, i);
            }
            marked.add(like == null ? file : file.like(like));
        }
        return marked;
    }

    private static Likeness nearly(Plan plan, Path files, List<FileReader.Result> read, int index) throws IOException {
        for (int i = 0; i < index; i++) {
            boolean other =
                    plan.prints().get(i).section() == plan.prints().get(index).section()
                            && !plan.prints()
                                    .get(i)
                                    .row()
                                    .equals(plan.prints().get(index).row())
                            && !read.get(i).proof().silent()
                            && read.get(i).proof().isRead();
            double factor =
                    other ? read.get(i).fingerprint().factorTo(read.get(index).fingerprint()) : 0;
            if (factor != 0
                    && isTwin(files, read.get(i).proof(), read.get(index).proof(), factor)) {
                return new Likeness(read.get(i).proof().path(), factor == 1 ? Math.nextUp(1) : factor);
            }
        }
        return null;
    }

    private static boolean isTwin(Path files, FileProof one, FileProof other, double factor) throws IOException {
        double[][] a = new double[one.channels()][BLOCK_FRAMES];
        double[][] b = new double[one.channels()][BLOCK_FRAMES];
        double energy = 0;
        double left = 0;
        try (PrintedSound first = PrintedSound.open(files.resolve(one.path()));
                PrintedSound second = PrintedSound.open(files.resolve(other.path()));
                var inOne = first.reader();
                var inOther = second.reader()) {
            for (long at = 0; at < one.frames(); at += BLOCK_FRAMES) {
                int count = (int) Math.min(BLOCK_FRAMES, one.frames() - at);
                inOne.read(at, count, 0, a, 0);
                inOther.read(at, count, 0, b, 0);
                for (int c = 0; c < a.length; c++) {
                    for (int i = 0; i < count; i++) {
                        double rest = b[c][i] - factor * a[c][i];
                        energy += b[c][i] * b[c][i];
                        left += rest * rest;
                    }
                }
            }
        }
        return left <= ALIKE * energy;
    }
}
