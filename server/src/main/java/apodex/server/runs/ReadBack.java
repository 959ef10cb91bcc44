package apodex.server.runs;

import apodex.handoff.Printing;
import apodex.intake.RecordingStore;
import apodex.proof.Proof;
import apodex.proof.Proving;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Reads back what was printed. */
@Component
class ReadBack {
    private static final int THREADS = Runtime.getRuntime().availableProcessors();

    private final RecordingStore store;

    ReadBack(RecordingStore store) {
        this.store = store;
    }

    /**
     * Reads everything, and draws it.
     *
     * @param before hashes of the files when they were printed, by path
     * @param sums   where it is written what the files must be together; null where that is not known any more
     */
    Proof of(
            Attempt attempt,
            Printing.Result printed,
            Map<String, String> before,
            @Nullable Path sums,
            ProgressMeter meter)
            throws IOException {
        Run run = attempt.run();
        RunFolder folder = attempt.folder();
        meter.tellReading();
        Path pictures = folder.begin();
        Proof proof = Proving.prove(
                run.session(),
                run.handoff(),
                printed,
                folder.files(),
                store,
                THREADS,
                before,
                sums,
                new Proving.Told() {
                    @Override
                    public void read(double share) {
                        meter.read(share);
                    }

                    @Override
                    public void drawn(int index, byte[] picture) throws IOException {
                        RunFolder.draw(pictures, index, picture);
                    }

                    @Override
                    public boolean isCancelled() {
                        return meter.isCancelled();
                    }
                });
        folder.replace(pictures, folder.picture(0).getParent());
        return proof;
    }
}
