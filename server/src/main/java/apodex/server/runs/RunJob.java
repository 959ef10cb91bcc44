package apodex.server.runs;

import apodex.audio.WorkFolder;
import apodex.handoff.Effort;
import apodex.handoff.Plan;
import apodex.handoff.Printing;
import apodex.intake.RecordingStore;
import apodex.intake.SessionFile;
import apodex.parcel.Difference;
import apodex.parcel.Parcel;
import apodex.parcel.ZipPieces;
import apodex.proof.Proof;
import apodex.proof.Proving;
import apodex.server.DiskRoom;
import apodex.server.levels.KnownLevels;
import apodex.server.nodes.ThisNode;
import apodex.server.pace.Pace;
import apodex.server.storage.LostWriting;
import apodex.server.storage.Patience;
import apodex.server.storage.Storage;
import apodex.server.storage.Writing;
import apodex.server.web.DiskTrouble;
import apodex.signal.WalkObserver;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;
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
    private static final String OUR_SIDE = "Something went wrong on our side; the log says more.";
    private static final int THREADS = Runtime.getRuntime().availableProcessors();

    private final RunMapper mapper;
    private final RecordingStore store;
    private final Storage storage;
    private final Writing writing;
    private final TransactionTemplate transaction;
    private final EarlierFiles earlier;
    private final ParcelSums sums;
    private final DiskRoom diskRoom;

    private final Pace pace;
    private final KnownLevels levels;
    private final RecordingsAtHand atHand;
    private final Turns turns;
    private final ThisNode node;

    RunJob(
            RunMapper mapper,
            RecordingStore store,
            Storage storage,
            Writing writing,
            TransactionTemplate transaction,
            EarlierFiles earlier,
            ParcelSums sums,
            DiskRoom diskRoom,
            Pace pace,
            KnownLevels levels,
            RecordingsAtHand atHand,
            Turns turns,
            ThisNode node) {
        this.node = node;
        this.turns = turns;
        this.atHand = atHand;
        this.pace = pace;
        this.levels = levels;
        this.diskRoom = diskRoom;
        this.earlier = earlier;
        this.sums = sums;
        this.mapper = mapper;
        this.store = store;
        this.storage = storage;
        this.writing = writing;
        this.transaction = transaction;
    }

    /**
     * One attempt at a run.
     *
     * @param claim  which attempt it is: who has an older one of the run has lost it
     * @param name   under which its files will lie in the storage
     * @param folder in which they are made
     */
    private record Attempt(Run run, String claim, String name, RunFolder folder) {}

    /** @throws CancellationException when the server goes down in the middle; the run is then to be begun again */
    void carryOut(String runId) {
        Run run = Patience.with(() -> mapper.find(runId));
        String claim = UUID.randomUUID().toString();
        if (run == null || run.state().isOver() || Patience.with(() -> mapper.claim(runId, claim)) == 0) {
            return;
        }
        String name = storage.isShared() ? "runs/" + runId + "/" + claim : "runs/" + runId;
        Attempt attempt = new Attempt(run, claim, name, new RunFolder(storage.making(name)));
        node.runBegins();
        try {
            carryOut(attempt);
        } catch (LostClaim | LostWriting e) {
            LOG.info("Run {} goes on elsewhere.", runId);
            Patience.doing(() -> writing.abandon(name));
            leave(attempt);
        } catch (CancellationException e) {
            if (!Patience.with(() -> mapper.isCancelRequested(runId))) {
                leave(attempt);
                if (!Patience.with(() -> mapper.isClaimed(runId, claim))) {
                    LOG.info("Run {} goes on elsewhere.", runId);
                    return;
                }
                throw e;
            }
            end(attempt, RunState.CANCELLED, null);
        } catch (IOException e) {
            if (Thread.currentThread()
                    .isInterrupted()) { // a file closes with an exception of its own when its thread is called off
                throw new CancellationException("The server is going down.");
            }
            LOG.warn("Run {} failed.", runId, e);
            end(attempt, RunState.FAILED, sentence(e));
        } catch (RuntimeException e) {
            if (Thread.currentThread().isInterrupted()) {
                throw e;
            }
            LOG.error("Run {} failed.", runId, e);
            end(attempt, RunState.FAILED, OUR_SIDE);
        } catch (Error e) { // a job that let it go would be begun again for ever
            LOG.error("Run {} failed.", runId, e);
            end(attempt, RunState.FAILED, inWords(e));
        } finally {
            node.runEnds();
        }
    }

    private void carryOut(Attempt attempt) throws IOException {
        Run run = attempt.run();
        RunFolder folder = attempt.folder();
        Patience.doing(() -> turns.taken(run.id()));
        folder.sweep();
        if (run.cancelRequested()) {
            throw new CancellationException("Cancelled before it began.");
        }
        Effort effort = Effort.of(run.session(), run.handoff(), run.plan());
        ProgressMeter meter =
                new ProgressMeter(mapper, run.id(), attempt.claim(), run.plan(), Patience.with(() -> pace.of(effort)));
        atHand.bring(run.session(), meter::isCancelled);
        Path sums = folder.begin();
        Printing.Result printed = print(attempt, sums, meter);
        Proof proof = readBack(attempt, printed, Map.of(), sums, meter);
        WorkFolder.remove(sums);
        List<RunMapper.StoredParcel> parcels = pack(run, printed.plan(), folder, proof);
        storage.publish(attempt.name());
        finish(attempt, printed.plan(), proof, parcels, meter);
        storage.leave(attempt.name());
        learnFrom(run, printed, effort, meter);
    }

    /** What this machine alone has of it. Where everything is on this machine, the next attempt finds what is whole. */
    private void leave(Attempt attempt) {
        try {
            storage.leave(attempt.name());
        } catch (IOException e) {
            LOG.warn(
                    "What was made of run {} is still on this machine.",
                    attempt.run().id(),
                    e);
        }
    }

    /** What the next run may know better for it. The run is done by then: nothing that goes wrong here may undo it. */
    void learnFrom(Run run, Printing.Result printed, Effort effort, ProgressMeter meter) {
        try {
            levels.keep(run.session(), run.handoff(), printed.plan(), printed.prints());
            if (meter.isWhole() && printed.prints().stream().noneMatch(Printing.Made::takenOver)) {
                pace.keep(run.id(), effort, meter.secondsPrinted(), meter.secondsRead());
            }
        } catch (RuntimeException e) {
            LOG.warn("What run {} measured is not kept.", run.id(), e);
        }
    }

    private static String inWords(Error e) {
        return e instanceof OutOfMemoryError
                ? "Memory ran out: this run needs more than the server has. Print fewer files at once, or give the server more."
                        + " What was printed of this run was removed."
                : OUR_SIDE;
    }

    /** @param sums where it is written what the files must be together */
    private Printing.Result print(Attempt attempt, Path sums, ProgressMeter meter) throws IOException {
        Run run = attempt.run();
        RunFolder folder = attempt.folder();
        if (Patience.with(() -> mapper.update(run.id(), attempt.claim(), RunState.PRINTING, RunProgress.NOT_STARTED))
                == 0) {
            throw new LostClaim(run.id());
        }
        if (Files.exists(folder.files())) {
            meter.printedBefore();
            return folder.result();
        }
        Optional<String> wrong = diskRoom.wrongFor(foreseen(run)); // much may have been printed while it waited
        if (wrong.isPresent()) {
            throw new IOException(wrong.get());
        }
        Plan levelled =
                levels.levelled(run.session(), run.handoff(), run.plan(), WalkObserver.cancelledBy(meter::isCancelled));
        Path work = folder.begin();
        Printing.Result result;
        try (EarlierFiles.Found found = earlier.of(run)) {
            result = Printing.print(
                    run.session(),
                    run.handoff(),
                    levelled,
                    work,
                    store,
                    THREADS,
                    meter,
                    found::by,
                    Proving.plainSums(run.session(), run.handoff(), run.plan(), sums));
        }
        folder.keep(result);
        folder.finish(work, folder.files());
        return result;
    }

    /** As it will be, where that is known. */
    private Plan foreseen(Run run) {
        return Patience.with(() -> levels.foreseen(run.session(), run.handoff(), run.plan()))
                .orElse(run.plan());
    }

    /** @param before hashes of the files when they were printed, by path */
    private Proof readBack(
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
                        Files.write(pictures.resolve(Integer.toString(index)), picture);
                    }

                    @Override
                    public boolean isCancelled() {
                        return meter.isCancelled();
                    }
                });
        folder.replace(pictures, folder.picture(0).getParent());
        return proof;
    }

    /** Reads the files of a run that is done once more, and says what has become of them since. */
    void proveAgain(String runId) {
        Run run = Patience.with(() -> mapper.find(runId));
        if (run == null || run.state() != RunState.PROOFING || run.proof() == null) {
            return;
        }
        String claim = UUID.randomUUID().toString();
        if (Patience.with(() -> mapper.claim(runId, claim)) == 0) {
            return;
        }
        String name = Patience.with(() -> mapper.storedAs(runId));
        Proof proof;
        try {
            storage.leave(name); // what lies in the storage is wanted, not what was brought here before
            Attempt attempt = new Attempt(run, claim, name, new RunFolder(Patience.reaching(() -> storage.here(name))));
            proof = provedAgain(attempt);
            storage.leave(name);
        } catch (LostClaim e) {
            return;
        } catch (IOException | RuntimeException | Error e) {
            if (Thread.currentThread().isInterrupted()) {
                throw new CancellationException("The server is going down.");
            }
            LOG.warn("Run {} could not be proved again.", runId, e);
            // what was found before holds no longer, and nothing else is known
            proof = Proof.notMade(run.plan(), whyNot(e));
        }
        Proof found = proof;
        Patience.doing(() -> mapper.saveProof(runId, claim, found));
        Patience.doing(() -> mapper.update(runId, claim, RunState.DONE, run.progress()));
    }

    private Proof provedAgain(Attempt attempt) throws IOException {
        Run run = attempt.run();
        RunFolder folder = attempt.folder();
        folder.sweep();
        Printing.Result printed = folder.result();
        Map<String, String> before = Patience.with(() -> mapper.files(run.id())).stream()
                .collect(Collectors.toMap(RunMapper.StoredFile::path, RunMapper.StoredFile::sha256));
        ProgressMeter meter = new ProgressMeter(
                mapper,
                run.id(),
                attempt.claim(),
                printed.plan(),
                Patience.with(() -> pace.of(Effort.of(run.session(), run.handoff(), printed.plan())))
                        .onlyReading());
        atHand.bring(run.session(), meter::isCancelled);
        Proof proof = readBack(attempt, printed, before, null, meter);
        if (storage.isShared()) {
            for (int file = 0; file < proof.files().size(); file++) {
                if (Files.exists(folder.picture(file))) {
                    storage.replace(
                            attempt.name(), RunFolder.picturePath(file), Files.readAllBytes(folder.picture(file)));
                }
            }
        }
        return proof;
    }

    private static String whyNot(Throwable e) {
        if (e instanceof CancellationException) {
            return "Reading was cancelled.";
        }
        return e instanceof IOException io
                ? DiskTrouble.in(io).orElse("Reading stopped: " + io.getMessage())
                : e instanceof Error error ? inWords(error) : OUR_SIDE;
    }

    private List<RunMapper.StoredParcel> pack(Run run, Plan plan, RunFolder folder, Proof proof) throws IOException {
        Parcel parcel = new Parcel(run.session(), run.handoff(), plan, proof, SessionFile.document(run.session()));
        List<ZipPieces> zips = new ArrayList<>(parcel.zips(folder.files()));
        int whole = zips.size();
        Optional<Difference> difference = sinceLast(run, plan, proof);
        if (difference.isPresent()) {
            zips.add(parcel.changes(difference.get(), folder.files()));
        }
        folder.keep(zips);
        List<RunMapper.StoredParcel> parcels = new ArrayList<>();
        for (int part = 0; part < zips.size(); part++) {
            ZipPieces zip = zips.get(part);
            String since = part < whole ? null : difference.orElseThrow().since();
            parcels.add(new RunMapper.StoredParcel(run.id(), part, zip.name(), zip.length(), null, since));
        }
        return parcels;
    }

    /** How this run differs from the one before; empty where there is none, or a parcel of the difference would be of no use. */
    private Optional<Difference> sinceLast(Run run, Plan plan, Proof proof) {
        String last = Patience.with(() -> mapper.lastDone(run.handoffId()));
        Run before = last == null ? null : Patience.with(() -> mapper.find(last));
        return before == null || before.proof() == null
                ? Optional.empty()
                : Optional.of(Difference.between(before.version(), before.plan(), before.proof(), plan, proof))
                        .filter(Difference::isWorthIt);
    }

    /** @throws LostClaim when somebody else has taken the run up since; nothing is written then */
    private void finish(
            Attempt attempt, Plan plan, Proof proof, List<RunMapper.StoredParcel> parcels, ProgressMeter meter) {
        String id = attempt.run().id();
        Patience.doing(() -> transaction.executeWithoutResult(status -> {
            if (mapper.isDone(id, attempt.claim())) {
                return; // the answer to the try before did not arrive
            }
            boolean isOurs = mapper.store(id, attempt.claim(), attempt.name()) > 0 && writing.settle(attempt.name());
            if (!isOurs) {
                throw new LostClaim(id);
            }
            mapper.savePlan(id, plan);
            mapper.saveProof(id, attempt.claim(), proof);
            mapper.deleteFiles(id);
            for (int i = 0; i < proof.files().size(); i++) {
                mapper.insertFile(id, i, proof.files().get(i));
            }
            parcels.forEach(mapper::saveParcel);
            mapper.update(id, attempt.claim(), RunState.DONE, meter.finished());
            mapper.end(id, attempt.claim(), RunState.DONE, null);
        }));
        sums.take(id);
    }

    private void end(Attempt attempt, RunState state, String failure) {
        try {
            attempt.folder().remove();
        } catch (IOException e) {
            if (Thread.currentThread()
                    .isInterrupted()) { // a file closes with an exception of its own when its thread is called off
                throw new CancellationException("The server is going down.");
            }
            LOG.warn("The files of run {} could not be removed.", attempt.run().id(), e);
        }
        Patience.doing(() -> mapper.end(attempt.run().id(), attempt.claim(), state, failure));
    }

    private static String sentence(IOException e) {
        return DiskTrouble.in(e)
                .map(trouble -> trouble + " What was printed of this run was removed.")
                .orElseGet(() ->
                        "Printing stopped: " + (e instanceof FileSystemException fs ? fs.getReason() : e.getMessage()));
    }
}
