package apodex.proof;

import apodex.audio.PcmDecoder;
import apodex.audio.SoundStream;
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
     * The files with their likenesses. That a mix is like the only file it is made of says nothing, nor that all silent files are alike.
     * Files of one row that differ by a gain are stations of it, and not marked.
     */
    static List<FileProof> marked(Plan plan, Path files, List<ReadFile> read) throws IOException {
        Map<String, String> firstWith = new HashMap<>();
        List<FileProof> marked = new ArrayList<>();
        for (int i = 0; i < read.size(); i++) {
            FileProof file = read.get(i).proof();
            Likeness like = null;
            if (file.isRead() && !file.silent() && !plan.prints().get(i).isReference()) {
                String earlier = firstWith.putIfAbsent(
                        plan.prints().get(i).section() + "/" + file.channels() + file.content(), file.path());
                like = earlier != null ? new Likeness(earlier, 1) : nearly(plan, files, read, i);
            }
            marked.add(like == null ? file : file.like(like));
        }
        return marked;
    }

    private static Likeness nearly(Plan plan, Path files, List<ReadFile> read, int index) throws IOException {
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
                    other ? read.get(i).measures().factorTo(read.get(index).measures()) : 0;
            if (factor != 0
                    && isTwin(files, read.get(i).proof(), read.get(index).proof(), factor)) {
                return new Likeness(read.get(i).proof().path(), factor == 1 ? Math.nextUp(1) : factor);
            }
        }
        return null;
    }

    private static boolean isTwin(Path files, FileProof one, FileProof other, double factor) throws IOException {
        if (one.frames() != other.frames() || one.channels() != other.channels()) {
            return false;
        }
        double[] a = new double[BLOCK_FRAMES];
        double[] b = new double[BLOCK_FRAMES];
        double energy = 0;
        double left = 0;
        try (SoundStream first = new SoundStream(files.resolve(one.path()), (bytes, from, length) -> {});
                SoundStream second = new SoundStream(files.resolve(other.path()), (bytes, from, length) -> {})) {
            byte[] rawOne = new byte[BLOCK_FRAMES * first.layout().frameBytes()];
            byte[] rawOther = new byte[BLOCK_FRAMES * second.layout().frameBytes()];
            int count = first.read(rawOne, BLOCK_FRAMES);
            while (count > 0) {
                second.read(rawOther, count);
                for (int c = 0; c < one.channels(); c++) {
                    PcmDecoder.decode(rawOne, first.layout(), c, count, a, 0);
                    PcmDecoder.decode(rawOther, second.layout(), c, count, b, 0);
                    for (int i = 0; i < count; i++) {
                        double rest = b[i] - factor * a[i];
                        energy += b[i] * b[i];
                        left += rest * rest;
                    }
                }
                count = first.read(rawOne, BLOCK_FRAMES);
            }
        }
        return left <= ALIKE * energy;
    }
}
