package apodex.server.runs;

import apodex.audio.WorkFolder;
import apodex.handoff.Effort;
import apodex.handoff.Plan;
import apodex.handoff.Printing;
import apodex.intake.RecordingStore;
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
import apodex.server.web.StorageAway;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
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
    /** At each, it waited minutes for what was away. */
    private static final int MOST_ATTEMPTS = 10;

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
    private final RunFigures figures;
    private final ReadBack readBack;
    private final Packing packing;
    private final Shares shares;

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
            ThisNode node,
            RunFigures figures,
            ReadBack readBack,
            Packing packing,
            Shares shares) {
        this.shares = shares;
        this.readBack = readBack;
        this.packing = packing;
        this.figures = figures;
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

    /** @throws CancellationException when the server goes down in the middle; the run is then to be begun again */
    void carryOut(String runId) {
        Run run = Patience.with(() -> mapper.find(runId));
        RunFigures.Stopwatch watch = new RunFigures.Stopwatch();
        String claim = UUID.randomUUID().toString();
        if (run == null || run.state().isOver() || Patience.with(() -> mapper.claim(runId, claim)) == 0) {
            return;
        }
        String name = storage.isShared() ? "runs/" + runId + "/" + claim : "runs/" + runId;
        Attempt attempt = new Attempt(run, claim, name, RunFolder.making(storage, name), watch);
        watch.isClaimed();
        node.runBegins();
        try {
            carryOut(attempt);
        } catch (LostClaim | LostWriting e) {
            giveUp(attempt);
        } catch (StorageAway e) {
            if (Patience.with(() -> mapper.attempts(runId)) < MOST_ATTEMPTS) { // what takes so long may be back by then
                LOG.warn("Run {} is begun again. {}", runId, e.getMessage());
                giveUp(attempt);
            } else {
                end(attempt, RunState.FAILED, RunTrouble.inWords(e));
            }
        } catch (CancellationException e) {
            if (!Patience.with(() -> mapper.isCancelRequested(runId))) {
                giveUp(attempt);
                return;
            }
            end(attempt, RunState.CANCELLED, null);
        } catch (IOException e) {
            CalledOff.refuse(e);
            LOG.warn("Run {} failed.", runId, e);
            end(attempt, RunState.FAILED, RunTrouble.inWords(e));
        } catch (RuntimeException e) {
            CalledOff.refuse(e);
            LOG.error("Run {} failed.", runId, e);
            end(attempt, RunState.FAILED, RunTrouble.OUR_SIDE);
        } catch (Error e) { // a job that let it go would be begun again for ever
            LOG.error("Run {} failed.", runId, e);
            end(attempt, RunState.FAILED, RunTrouble.inWords(e));
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
        attempt.watch().recordingsAreHere();
        Path sums = folder.begin();
        Printing.Result printed = print(attempt, sums, meter);
        Proof proof;
        List<RunMapper.StoredParcel> parcels;
        try (Storage.Ahead ahead = storage.ahead(attempt.name())) {
            ahead.begin(RunFolder.FILES); // while they are read back
            ahead.begin(RunFolder.RESULT);
            proof = readBack.of(attempt, printed, Map.of(), sums, meter);
            ahead.begin(RunFolder.PICTURES);
            WorkFolder.remove(sums);
            parcels = packing.of(attempt, printed.plan(), proof);
            attempt.watch().isPacked();
            storage.publish(attempt.name());
        }
        finish(attempt, printed.plan(), proof, parcels, meter);
        attempt.watch().isPublished();
        figures.over(
                run.id(),
                RunEnding.DONE,
                proof.files().size(),
                parcels.stream().mapToLong(RunMapper.StoredParcel::bytes).sum(),
                meter.finished(),
                attempt.watch());
        learnFrom(run, printed, effort, meter);
    }

    /**
     * Leaves a run to others.
     *
     * @throws CancellationException when there are none, so that it is begun again
     */
    private void giveUp(Attempt attempt) {
        Patience.doing(() -> writing.giveUp(attempt.name()));
        storage.letGo(attempt.name()); // where everything is on this machine, the next attempt finds what is whole
        tell(attempt, RunEnding.LOST);
        if (Patience.with(() -> mapper.isClaimed(attempt.run().id(), attempt.claim()))) {
            throw new CancellationException("Run " + attempt.run().id() + " is begun again.");
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

    /** @param sums where it is written what the files must be together */
    private Printing.Result print(Attempt attempt, Path sums, ProgressMeter meter) throws IOException {
        Run run = attempt.run();
        RunFolder folder = attempt.folder();
        if (Patience.with(() -> mapper.update(run.id(), attempt.claim(), RunState.PRINTING, RunProgress.NOT_STARTED))
                == 0) {
            throw new LostClaim(run.id());
        }
        if (folder.isPrinted()) {
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
        try (EarlierFiles.Found found = earlier.of(run);
                GivenShares given = shares.give(attempt, levelled, meter.secondsExpected(), sums, meter::isCancelled)) {
            result = Printing.print(
                    run.session(),
                    run.handoff(),
                    levelled,
                    work,
                    store,
                    THREADS,
                    meter,
                    key -> found.by(key).or(() -> given.by(key)),
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
        sums.take(id, attempt.name());
    }

    private void end(Attempt attempt, RunState state, String failure) {
        try {
            attempt.folder().remove();
        } catch (IOException e) {
            CalledOff.refuse(e);
            LOG.warn("The files of run {} could not be removed.", attempt.run().id(), e);
        }
        Patience.doing(() -> writing.giveUp(attempt.name())); // what was put there before it went wrong
        Patience.doing(() -> mapper.end(attempt.run().id(), attempt.claim(), state, failure));
        tell(attempt, state == RunState.CANCELLED ? RunEnding.CANCELLED : RunEnding.FAILED);
    }

    private void tell(Attempt attempt, RunEnding ending) {
        figures.over(attempt.run().id(), ending, 0, 0, RunProgress.NOT_STARTED, attempt.watch());
    }
}
