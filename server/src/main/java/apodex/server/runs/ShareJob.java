package apodex.server.runs;

import apodex.handoff.Plan;
import apodex.handoff.Printing;
import apodex.intake.RecordingStore;
import apodex.proof.Proving;
import apodex.server.nodes.ThisNode;
import apodex.server.storage.LostWriting;
import apodex.server.storage.Patience;
import apodex.server.storage.Storage;
import apodex.server.storage.Writing;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Prints one section of a run for the node that has taken the run up. */
@Component
class ShareJob {
    private static final Logger LOG = LoggerFactory.getLogger(ShareJob.class);
    private static final int THREADS = Runtime.getRuntime().availableProcessors();
    private static final long LOOK_EVERY_NANOS = TimeUnit.MILLISECONDS.toNanos(500);

    private final ShareMapper mapper;
    private final RunMapper runs;
    private final RecordingStore store;
    private final RecordingsAtHand atHand;
    private final Storage storage;
    private final Writing writing;
    private final TransactionTemplate transaction;
    private final ThisNode node;

    ShareJob(
            ShareMapper mapper,
            RunMapper runs,
            RecordingStore store,
            RecordingsAtHand atHand,
            Storage storage,
            Writing writing,
            TransactionTemplate transaction,
            ThisNode node) {
        this.mapper = mapper;
        this.runs = runs;
        this.store = store;
        this.atHand = atHand;
        this.storage = storage;
        this.writing = writing;
        this.transaction = transaction;
        this.node = node;
    }

    /** @param taken which attempt at it this is: who has an older one has lost it */
    private record Part(String runId, String claim, int section, String taken) {
        static Part of(String task) {
            String[] words = task.split("/");
            return new Part(
                    words[0],
                    words[1],
                    Integer.parseInt(words[2]),
                    UUID.randomUUID().toString());
        }

        String name() {
            return "runs/" + runId + "/" + claim + "." + section + "." + taken.substring(0, 8);
        }
    }

    void carryOut(String task) {
        Part part = Part.of(task);
        Run run = Patience.with(() -> runs.find(part.runId()));
        boolean isWanted = run != null
                && Patience.with(() -> mapper.take(part.runId(), part.claim(), part.section(), part.taken())) > 0;
        if (!isWanted) {
            return;
        }
        node.runBegins();
        try {
            print(run, part);
        } catch (LostWriting | CancellationException e) {
            Patience.doing(() -> writing.giveUp(part.name()));
            if (Thread.currentThread().isInterrupted()) {
                throw new CancellationException("The server is going down.");
            }
        } catch (IOException | RuntimeException e) {
            LOG.warn("Section {} of run {} could not be printed for another node.", part.section(), part.runId(), e);
            Patience.doing(() ->
                    mapper.end(part.runId(), part.claim(), part.section(), part.taken(), ShareState.FAILED, null));
            Patience.doing(() -> writing.giveUp(part.name()));
        } finally {
            node.runEnds();
            storage.letGo(part.name());
        }
    }

    private void print(Run run, Part part) throws IOException {
        Plan plan = Patience.with(() -> mapper.find(part.runId(), part.claim(), part.section()))
                .plan();
        Wanted wanted = new Wanted(part);
        atHand.bring(run.session(), wanted::isCancelled);
        RunFolder folder = RunFolder.making(storage, part.name());
        Path sums = folder.beginSums();
        Path work = folder.begin();
        Printing.Result result = Printing.print(
                run.session(),
                run.handoff(),
                plan.ofSection(part.section()),
                work,
                store,
                THREADS,
                wanted,
                key -> Optional.empty(),
                Proving.plainSums(run.session(), run.handoff(), plan, sums));
        folder.keep(result);
        folder.finish(work, folder.files());
        storage.publish(part.name());
        Patience.doing(() -> transaction.executeWithoutResult(status -> {
            boolean isOurs =
                    mapper.end(part.runId(), part.claim(), part.section(), part.taken(), ShareState.DONE, part.name())
                                    > 0
                            && writing.settle(part.name());
            if (!isOurs) {
                throw new CancellationException("Nobody wants this part any more.");
            }
        }));
    }

    private final class Wanted implements WalkObserver {
        private final Part part;
        private long lookedNanos = System.nanoTime();
        private boolean isOver;

        Wanted(Part part) {
            this.part = part;
        }

        @Override
        public void printed(double share) {}

        @Override
        public synchronized boolean isCancelled() {
            long now = System.nanoTime();
            if (now - lookedNanos > LOOK_EVERY_NANOS) {
                lookedNanos = now;
                isOver =
                        !Patience.with(() -> mapper.isWanted(part.runId(), part.claim(), part.section(), part.taken()));
            }
            return isOver || Thread.currentThread().isInterrupted();
        }
    }
}
