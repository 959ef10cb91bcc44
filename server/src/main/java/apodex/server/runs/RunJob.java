package apodex.server.runs;

import apodex.audio.Digests;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.intake.Folders;
import apodex.intake.RecordingStore;
import apodex.parcel.Parcel;
import apodex.proof.FileProof;
import apodex.proof.FileReader;
import apodex.proof.Proof;
import apodex.server.DataFolder;
import java.io.IOException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Carries a run out: prints, reads back, packs. May be begun any number of times; what an earlier attempt finished is
 * kept, what it left unfinished is made again, with the same bytes.
 */
@Component
class RunJob {
    private static final Logger LOG = LoggerFactory.getLogger(RunJob.class);
    private static final int THREADS = Runtime.getRuntime().availableProcessors();

    private final RunMapper mapper;
    private final RecordingStore store;
    private final DataFolder dataFolder;
    private final TransactionTemplate transaction;
    private final EarlierFiles earlier;

    RunJob(RunMapper mapper, RecordingStore store, DataFolder dataFolder, TransactionTemplate transaction, EarlierFiles earlier) {
        this.earlier = earlier;
        this.mapper = mapper;
        this.store = store;
        this.dataFolder = dataFolder;
        this.transaction = transaction;
    }

    /** @throws CancellationException when the server goes down in the middle; the run is then to be begun again */
    void carryOut(String runId) {
        Run run = mapper.find(runId);
        if (run == null || run.state().isOver()) {
            return;
        }
        RunFolder folder = new RunFolder(dataFolder.run(runId));
        try {
            folder.sweep();
            mapper.begin(runId);
            if (run.cancelRequested()) {
                throw new CancellationException("Cancelled before it began.");
            }
            ProgressMeter meter = new ProgressMeter(mapper, runId, run.plan().rate(), run.plan().frames(),
                    run.plan().prints().size());
            Printing.Result printed = print(run, folder, meter);
            Proof proof = readBack(printed, folder, meter);
            RunMapper.StoredParcel parcel = pack(run, printed.plan(), folder, proof);
            finish(run, printed.plan(), proof, parcel, meter, printed.prints().stream().noneMatch(Printing.Made::takenOver));
        } catch (CancellationException e) {
            if (!mapper.isCancelRequested(runId)) {
                throw e;
            }
            end(runId, folder, RunState.CANCELLED, null);
        } catch (IOException e) {
            if (Thread.currentThread().isInterrupted()) { // a file closes with an exception of its own when its thread is called off
                throw new CancellationException("The server is going down.");
            }
            LOG.warn("Run {} failed.", runId, e);
            end(runId, folder, RunState.FAILED, sentence(e));
        } catch (RuntimeException e) {
            if (Thread.currentThread().isInterrupted()) {
                throw e;
            }
            LOG.error("Run {} failed.", runId, e);
            end(runId, folder, RunState.FAILED, "Something went wrong on our side; the log says more.");
        }
    }

    private Printing.Result print(Run run, RunFolder folder, ProgressMeter meter) throws IOException {
        mapper.update(run.id(), RunState.PRINTING, RunProgress.NOT_STARTED);
        if (Files.exists(folder.files())) {
            meter.printed(1);
            return folder.result();
        }
        Path work = folder.begin();
        Printing.Result result = Printing.print(run.session(), run.handoff(), run.plan(), work, store, THREADS, meter,
                earlier.of(run));
        folder.keep(result);
        folder.finish(work, folder.files());
        return result;
    }

    private Proof readBack(Printing.Result printed, RunFolder folder, ProgressMeter meter) throws IOException {
        meter.tellReading();
        Path pictures = folder.begin();
        ExecutorService readers = Executors.newFixedThreadPool(THREADS);
        try {
            List<Future<FileProof>> reading = new ArrayList<>();
            for (int i = 0; i < printed.plan().prints().size(); i++) {
                int file = i;
                reading.add(readers.submit(() -> readBack(printed, folder, file, pictures, meter)));
            }
            List<FileProof> read = new ArrayList<>();
            for (Future<FileProof> each : reading) {
                read.add(result(each));
            }
            folder.finish(pictures, folder.picture(0).getParent());
            return Proof.of(printed.plan(), read);
        } finally {
            readers.shutdownNow();
        }
    }

    private static FileProof readBack(Printing.Result printed, RunFolder folder, int index, Path pictures,
            ProgressMeter meter) throws IOException {
        if (meter.isCancelled()) {
            throw new CancellationException("Cancelled while reading back.");
        }
        Print print = printed.plan().prints().get(index);
        FileReader.Measure measure = print.isReference() ? FileReader.Measure.LOUDNESS_TOO
                : FileReader.Measure.SAMPLES;
        FileReader.Result result = FileReader.read(folder.files().resolve(print.path()), print.folder(),
                printed.prints().get(index), measure);
        Files.write(pictures.resolve(Integer.toString(index)), result.picture().toBytes());
        meter.read();
        return result.proof();
    }

    private static <T> T result(Future<T> future) throws IOException {
        try {
            return future.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("Interrupted while reading back.");
        } catch (ExecutionException e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            throw e.getCause() instanceof RuntimeException runtime ? runtime : new IllegalStateException(e.getCause());
        }
    }

    private RunMapper.StoredParcel pack(Run run, Plan plan, RunFolder folder, Proof proof) throws IOException {
        Parcel parcel = new Parcel(run.session(), plan, proof, run.handoff().name());
        if (!Files.exists(folder.parcel())) {
            Path work = folder.begin();
            parcel.write(folder.files(), work.resolve("parcel.zip"));
            folder.finish(work.resolve("parcel.zip"), folder.parcel());
            Folders.remove(work);
        }
        return new RunMapper.StoredParcel(run.id(), parcel.zipName(), Files.size(folder.parcel()), Digests.sha256(folder.parcel()));
    }

    private void finish(Run run, Plan plan, Proof proof, RunMapper.StoredParcel parcel, ProgressMeter meter,
            boolean fresh) {
        transaction.executeWithoutResult(status -> {
            mapper.savePlan(run.id(), plan);
            mapper.saveProof(run.id(), proof);
            mapper.deleteFiles(run.id());
            for (int i = 0; i < proof.files().size(); i++) {
                mapper.insertFile(run.id(), i, proof.files().get(i));
            }
            mapper.saveParcel(parcel);
            mapper.tellFresh(run.id(), fresh);
            mapper.update(run.id(), RunState.DONE, meter.finished());
            mapper.end(run.id(), RunState.DONE, null);
        });
    }

    private void end(String runId, RunFolder folder, RunState state, String failure) {
        try {
            folder.remove();
        } catch (IOException e) {
            if (Thread.currentThread().isInterrupted()) { // a file closes with an exception of its own when its thread is called off
                throw new CancellationException("The server is going down.");
            }
            LOG.warn("The files of run {} could not be removed.", runId, e);
        }
        mapper.end(runId, state, failure);
    }

    private static String sentence(IOException e) {
        String message = String.valueOf(e instanceof FileSystemException fs ? fs.getReason() : e.getMessage());
        if (message.contains("No space left")) {
            return "The disk is full; what was printed of this run was removed.";
        }
        return "Printing stopped: " + message;
    }
}
