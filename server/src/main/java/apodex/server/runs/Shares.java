package apodex.server.runs;

import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.server.nodes.Nodes;
import apodex.server.storage.Patience;
import apodex.server.storage.Storage;
import apodex.server.storage.Writing;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Splits a print where that pays: sections go to nodes that have nothing to do. What comes back is taken over by its content, as files of
 * earlier runs are, so that a part that does not fit, or does not come, is printed here. Files of one section are not split: their walk is
 * the same for one as for all, and files that are hardly walked, as at Raw, are sooner printed than moved, whole sections of them too.
 */
@Component
class Shares {
    static final String TASK = "print-share";
    private static final Logger LOG = LoggerFactory.getLogger(Shares.class);

    private final ShareMapper mapper;
    private final Nodes nodes;
    private final Storage storage;
    private final Writing writing;
    private final TransactionTemplate transaction;
    private final ObjectProvider<SchedulerClient> scheduler;
    private final WorthSharing worth;

    /** @param scheduler that begins runs, and so is made after this */
    Shares(
            ShareMapper mapper,
            Nodes nodes,
            Storage storage,
            Writing writing,
            TransactionTemplate transaction,
            ObjectProvider<SchedulerClient> scheduler,
            WorthSharing worth) {
        this.mapper = mapper;
        this.nodes = nodes;
        this.storage = storage;
        this.writing = writing;
        this.transaction = transaction;
        this.scheduler = scheduler;
        this.worth = worth;
    }

    static String task(String runId, String claim, int section) {
        return runId + "/" + claim + "/" + section;
    }

    /**
     * Gives sections away.
     *
     * @param plan    with levels
     * @param seconds that printing all of it is expected to take
     * @param sums    where it is written what the files of a section must be together
     */
    GivenShares give(Attempt attempt, Plan plan, double seconds, Path sums, BooleanSupplier isCancelled) {
        String runId = attempt.run().id();
        List<Integer> given = sections(runId, plan, seconds);
        if (!given.isEmpty()) {
            Patience.doing(() -> transaction.executeWithoutResult(status -> {
                forget(runId);
                for (int section : given) {
                    mapper.insert(runId, attempt.claim(), section, plan);
                    scheduler
                            .getObject()
                            .scheduleIfNotExists(
                                    new TaskInstance<>(TASK, task(runId, attempt.claim(), section)), Turns.instant(0));
                }
            }));
            LOG.info("Sections {} of run {} are printed by others.", given, runId);
        }
        return new GivenShares(this, mapper, storage, attempt, plan, given, sums, isCancelled);
    }

    /** The last ones, since this node begins with the first. */
    private List<Integer> sections(String runId, Plan plan, double seconds) {
        int all = plan.sections().size();
        if (!storage.isShared() || all < 2 || Patience.with(() -> mapper.otherRuns(runId)) > 0) {
            return List.of();
        }
        int others = Patience.with(nodes::printing) - 1;
        int away = all * others / (others + 1);
        List<Integer> given = new ArrayList<>();
        for (int section = all - away; section < all; section++) {
            if (worth.is(seconds * plan.sections().get(section).frames() / plan.frames(), bytes(plan, section))) {
                given.add(section);
            }
        }
        return given;
    }

    private static long bytes(Plan plan, int section) {
        return plan.prints().stream()
                .filter(print -> print.section() == section)
                .mapToLong(Print::bytes)
                .sum();
    }

    private List<String> forget(String runId) {
        List<String> names = mapper.names(runId);
        mapper.forget(runId);
        names.forEach(writing::abandon);
        return names;
    }

    /** Nobody needs the parts of a run any more. */
    void over(String runId) {
        for (String name : Patience.with(() -> transaction.execute(status -> forget(runId)))) {
            try {
                storage.remove(name);
                writing.forget(name);
            } catch (IOException e) {
                LOG.debug("{} is swept later.", name, e);
            }
        }
    }
}
