package apodex.proof;

import apodex.handoff.AsPlanned;
import apodex.handoff.Handoff;
import apodex.handoff.Outgoing;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.handoff.Reprint;
import apodex.handoff.Settings;
import apodex.session.Session;
import apodex.signal.Recordings;
import apodex.signal.UnreadableRecording;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Reads a run's files back from the disk, measures them, adds them up, and loads them as whoever receives them would. */
public final class Proving {
    private final Session session;
    private final Settings settings;
    private final Printing.Result printed;
    private final Path files;
    private final Recordings recordings;
    private final int threads;
    private final Told told;

    private Proving(
            Session session,
            Settings settings,
            Printing.Result printed,
            Path files,
            Recordings recordings,
            int threads,
            Told told) {
        this.session = session;
        this.settings = settings;
        this.printed = printed;
        this.files = files;
        this.recordings = recordings;
        this.threads = threads;
        this.told = told;
    }

    /** Told on the way. */
    public interface Told {
        /** A file was read. @param index its place in the plan */
        void read(int index, FilePicture picture) throws IOException;

        /** Asked now and then; true ends it. */
        default boolean isCancelled() {
            return false;
        }
    }

    /**
     * Proves.
     *
     * @param session as it is
     * @param before  hashes of the files when they were printed, by path; empty when this is the first reading
     */
    public static Proof prove(
            Session session,
            Handoff handoff,
            Printing.Result printed,
            Path files,
            Recordings recordings,
            int threads,
            Map<String, String> before,
            Told told)
            throws IOException {
        return new Proving(AsPlanned.of(session, handoff), handoff.settled(), printed, files, recordings, threads, told)
                .prove(before);
    }

    private Proof prove(Map<String, String> before) throws IOException {
        Plan plan = printed.plan();
        List<FileReader.Result> read = readAll(plan);
        List<FileProof> proofs = Twins.marked(plan, files, read);
        Map<Integer, Culprit> faults = FileFaults.find(
                plan,
                printed.prints(),
                files,
                read,
                new Reprint(session, settings, plan, recordings, threads),
                told::isCancelled);
        Map<Integer, FirstSound.Expected> expected = new LinkedHashMap<>();
        FirstSound first = new FirstSound(session, plan, recordings);
        for (int i = 0; i < plan.prints().size(); i++) {
            int index = i;
            if (!faults.containsKey(i)) {
                expected(first, plan.prints().get(i)).ifPresent(each -> expected.put(index, each));
            }
        }
        List<SumProof> sums = new ArrayList<>();
        List<ReceivedProof> received = new ArrayList<>();
        Outgoing outgoing = Outgoing.of(session, plan);
        ReceivedCheck raw = new ReceivedCheck(session, plan, printed.prints(), files, recordings, threads);
        for (SumCheck.Result each : new SumCheck(outgoing, plan, printed.prints(), files, faults).all()) {
            boolean meant = each.sum().whyNot().isEmpty();
            ReceivedProof proof = meant ? each.received() : received(raw, sums.size(), proofs, faults);
            sums.add(each.sum());
            if (proof != null) {
                received.add(proof);
            }
        }
        List<String> altered = new ArrayList<>();
        for (int i = 0; i < proofs.size(); i++) {
            FileProof file = proofs.get(i);
            boolean differs =
                    before.containsKey(file.path()) && !before.get(file.path()).equals(file.sha256());
            if (file.isRead() && differs && !faults.containsKey(i)) {
                altered.add(file.path());
            }
        }
        List<Verdict> verdicts = Verdicts.of(plan, proofs, expected, sums, received, faults, altered);
        return new Proof(proofs, verdicts, sums, received, List.copyOf(faults.values()));
    }

    /** Whoever reads a run again may not have its recordings any more: then nothing is known of where its sounds begin. */
    private static Optional<FirstSound.Expected> expected(FirstSound first, Print print) throws IOException {
        try {
            return first.of(print);
        } catch (UnreadableRecording gone) {
            return Optional.empty();
        }
    }

    private ReceivedProof received(ReceivedCheck raw, int section, List<FileProof> proofs, Map<Integer, Culprit> faults)
            throws IOException {
        try {
            return raw.of(section, proofs, faults, told::isCancelled);
        } catch (UnreadableRecording gone) {
            return null;
        }
    }

    private List<FileReader.Result> readAll(Plan plan) throws IOException {
        ExecutorService readers = Executors.newFixedThreadPool(Math.max(1, threads));
        try {
            List<Future<FileReader.Result>> reading = new ArrayList<>();
            for (int i = 0; i < plan.prints().size(); i++) {
                int index = i;
                reading.add(readers.submit(() -> read(plan, index)));
            }
            List<FileReader.Result> read = new ArrayList<>();
            for (Future<FileReader.Result> each : reading) {
                read.add(each.get());
            }
            return read;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("Interrupted while reading back.");
        } catch (ExecutionException e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            throw e.getCause() instanceof RuntimeException runtime ? runtime : new IllegalStateException(e.getCause());
        } finally {
            readers.shutdownNow();
        }
    }

    private FileReader.Result read(Plan plan, int index) throws IOException {
        if (told.isCancelled()) {
            throw new CancellationException("Cancelled while reading back.");
        }
        Print print = plan.prints().get(index);
        FileReader.Result result =
                FileReader.read(files, plan, print, printed.prints().get(index));
        told.read(index, result.picture());
        return result;
    }
}
