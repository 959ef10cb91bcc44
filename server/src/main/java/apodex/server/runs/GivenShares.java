package apodex.server.runs;

import apodex.handoff.AsPlanned;
import apodex.handoff.ContentKeys;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.server.storage.Patience;
import apodex.server.storage.Storage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Sections of a run that other nodes print, for the one that waits for them. */
final class GivenShares implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(GivenShares.class);
    private static final long LOOK_EVERY_MS = 200;

    private final Shares shares;
    private final ShareMapper mapper;
    private final Storage storage;
    private final String runId;
    private final String claim;
    private final List<Integer> sections;
    private final Path sums;
    private final BooleanSupplier isCancelled;
    private final Map<String, Integer> sectionOf = new HashMap<>();
    private final Map<Integer, Map<String, Printing.Earlier>> came = new HashMap<>();

    GivenShares(
            Shares shares,
            ShareMapper mapper,
            Storage storage,
            Attempt attempt,
            Plan plan,
            List<Integer> sections,
            Path sums,
            BooleanSupplier isCancelled) {
        this.shares = shares;
        this.mapper = mapper;
        this.storage = storage;
        this.runId = attempt.run().id();
        this.claim = attempt.claim();
        this.sections = sections;
        this.sums = sums;
        this.isCancelled = isCancelled;
        if (!sections.isEmpty()) {
            Run run = attempt.run();
            ContentKeys keys = new ContentKeys(
                    AsPlanned.of(run.session(), run.handoff()),
                    plan,
                    run.handoff().settled());
            plan.prints().stream()
                    .filter(print -> sections.contains(print.section()) && !print.isClick())
                    .forEach(print -> sectionOf.put(keys.of(print), print.section()));
        }
    }

    /** A file that another node has printed; waits for it as long as somebody is at it. */
    Optional<Printing.Earlier> by(String key) {
        Integer section = sectionOf.get(key);
        return section == null
                ? Optional.empty()
                : Optional.ofNullable(came.computeIfAbsent(section, this::await).get(key));
    }

    private Map<String, Printing.Earlier> await(int section) {
        try {
            while (true) {
                ShareMapper.Share share = Patience.with(() -> mapper.find(runId, claim, section));
                if (share == null || share.state() == ShareState.FAILED || share.state() == ShareState.WITHDRAWN) {
                    return Map.of();
                }
                if (share.state() == ShareState.DONE) {
                    return files(share, section);
                }
                boolean isBegun = Patience.with(() -> mapper.isAtWork(Shares.task(runId, claim, section)));
                if (!isBegun && Patience.with(() -> mapper.withdraw(runId, claim, section)) > 0) {
                    return Map.of(); // sooner done here
                }
                if (isCancelled.getAsBoolean()) {
                    throw new CancellationException("Cancelled while another node printed a part.");
                }
                Thread.sleep(LOOK_EVERY_MS);
            }
        } catch (IOException e) {
            LOG.warn("What another node printed of run {} cannot be used; it is printed here.", runId, e);
            return Map.of();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("Interrupted.");
        }
    }

    private Map<String, Printing.Earlier> files(ShareMapper.Share share, int section) throws IOException {
        RunFolder folder = new RunFolder(storage.here(share.name()));
        Printing.Result result = folder.result();
        Map<String, Printing.Earlier> files = new HashMap<>();
        for (int i = 0; i < result.prints().size(); i++) {
            Print print = result.plan().prints().get(i);
            files.put(
                    result.prints().get(i).key(),
                    new Printing.Earlier(
                            folder.files().resolve(print.path()),
                            result.plan().section(print).frames(),
                            result.prints().get(i),
                            Printing.Origin.THIS_RUN));
        }
        folder.copySum(section, sums);
        return files;
    }

    @Override
    public void close() {
        if (!sections.isEmpty()) {
            shares.over(runId);
        }
    }
}
