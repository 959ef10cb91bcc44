package apodex.proof;

import apodex.audio.AllCores;
import apodex.audio.PcmDecoder;
import apodex.audio.PcmReader;
import apodex.audio.SampleFormat;
import apodex.handoff.Excerpt;
import apodex.handoff.Plan;
import apodex.signal.Recordings;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;

/** Reads what was cut out of recordings back, and holds every sample against the recording it came from. */
final class EditCheck {
    private static final int BLOCK_FRAMES = 8_192;

    private final Path files;
    private final Recordings recordings;
    private final BooleanSupplier isCancelled;

    private EditCheck(Path files, Recordings recordings, BooleanSupplier isCancelled) {
        this.files = files;
        this.recordings = recordings;
        this.isCancelled = isCancelled;
    }

    /** In the plan's order. */
    static List<EditProof> of(Plan plan, Path files, Recordings recordings, int threads, BooleanSupplier isCancelled)
            throws IOException {
        EditCheck check = new EditCheck(files, recordings, isCancelled);
        return AllCores.with(plan.edits().excerpts(), threads, check::of);
    }

    private EditProof of(Excerpt excerpt) {
        Path file = files.resolve(excerpt.path());
        if (!Files.exists(file)) {
            return EditProof.unread(excerpt, "It is not on the disk.");
        }
        try (Reading reading = new Reading(file);
                PcmReader recording = recording(excerpt)) {
            String trouble = compare(excerpt, reading, recording);
            Reading.Checksums sums = reading.checksums();
            return new EditProof(excerpt.path(), sums.bytes(), sums.sha256(), sums.crc32(), recording != null, trouble);
        } catch (IOException e) {
            return EditProof.unread(excerpt, "It cannot be read. " + e.getMessage());
        }
    }

    /** Whoever reads a run again may not have its recordings any more. */
    private @Nullable PcmReader recording(Excerpt excerpt) {
        try {
            return recordings.open(excerpt.recording());
        } catch (IOException gone) {
            return null;
        }
    }

    private @Nullable String compare(Excerpt excerpt, Reading reading, @Nullable PcmReader recording)
            throws IOException {
        byte[] raw = new byte[BLOCK_FRAMES * reading.layout().frameBytes()];
        boolean fits = reading.info().channels() == excerpt.channels()
                && reading.info().frames() == excerpt.frames();
        String trouble = fits ? null : "It is not as long or as wide as what was cut out.";
        double[][] found = new double[excerpt.channels()][BLOCK_FRAMES];
        double[][] wanted = new double[excerpt.channels()][BLOCK_FRAMES];
        for (long done = 0; fits && trouble == null && done < excerpt.frames(); ) {
            if (isCancelled.getAsBoolean()) {
                throw new CancellationException("Cancelled while reading back.");
            }
            int count = reading.read(raw, BLOCK_FRAMES);
            if (recording != null) {
                PcmDecoder.decode(raw, 0, reading.layout(), 0, count, found, 0);
                recording.read(excerpt.start() + done, count, excerpt.firstChannel(), wanted, 0);
                trouble = difference(excerpt, found, wanted, count, done).orElse(null);
            }
            done += count;
        }
        reading.finish(raw);
        return trouble;
    }

    private static Optional<String> difference(
            Excerpt excerpt, double[][] found, double[][] wanted, int count, long first) {
        boolean narrowed = excerpt.sample() == SampleFormat.FLOAT32; // doubles are written as floats
        for (int c = 0; c < found.length; c++) {
            for (int i = 0; i < count; i++) {
                double want = narrowed ? (float) wanted[c][i] : wanted[c][i];
                if (found[c][i] != want && !(Double.isNaN(found[c][i]) && Double.isNaN(want))) {
                    return Optional.of("From sample " + (first + i) + " on it is not its recording.");
                }
            }
        }
        return Optional.empty();
    }
}
