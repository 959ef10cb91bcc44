package apodex.server.errands;

import apodex.server.nodes.ThisNode;
import apodex.server.storage.Storage;
import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.SchedulerName;
import com.github.kagkarlsson.scheduler.jdbc.AutodetectJdbcCustomization;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import jakarta.annotation.Nullable;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import javax.sql.DataSource;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.springframework.stereotype.Component;

/** The queue of errands, beside that of the runs. */
@Component
public class Errands {
    private static final String TABLE = "background_tasks";
    private static final int THREADS = Math.max(1, Runtime.getRuntime().availableProcessors() / 2);
    private static final Duration LATER = Duration.ofSeconds(2);
    private static final Duration POLLING = Duration.ofMillis(500);
    private static final Duration HEARTBEAT = Duration.ofSeconds(2);

    /** Null where a process has everything to itself, and sees to all that by itself. */
    @Nullable
    private final SchedulerClient client;

    @Nullable
    private final Scheduler scheduler;

    Errands(DataSource dataSource, List<Errand> errands, ThisNode node, Storage storage) {
        DataSource inTransactions = new TransactionAwareDataSourceProxy(dataSource);
        List<Task<?>> tasks = errands.stream().<Task<?>>map(Errands::task).toList();
        if (!storage.isShared()) {
            scheduler = null;
            client = null;
        } else if (!node.prints()) {
            scheduler = null;
            client = SchedulerClient.Builder.create(inTransactions, tasks)
                    .tableName(TABLE)
                    .jdbcCustomization(new AutodetectJdbcCustomization(inTransactions, true))
                    .build();
        } else {
            scheduler = Scheduler.create(inTransactions, tasks)
                    .tableName(TABLE)
                    .schedulerName(new SchedulerName.Fixed(node.id()))
                    .threads(THREADS)
                    .pollingInterval(POLLING)
                    .heartbeatInterval(HEARTBEAT)
                    .alwaysPersistTimestampInUTC()
                    .shutdownMaxWait(Duration.ofSeconds(1))
                    .build();
            client = scheduler;
        }
    }

    private static Task<Void> task(Errand errand) {
        return Tasks.custom(errand.name(), Void.class)
                .onFailure((complete, operations) ->
                        operations.reschedule(complete, Instant.now().plus(LATER)))
                .execute((instance, context) -> {
                    Errand.Ending ending = errand.run(instance.getId());
                    return (complete, operations) -> {
                        if (ending == Errand.Ending.DONE) {
                            operations.remove();
                        } else {
                            operations.reschedule(complete, Instant.now().plus(LATER));
                        }
                    };
                });
    }

    /** Asked twice, done once. */
    public void ask(String errand, String id) {
        Objects.requireNonNull(client).scheduleIfNotExists(new TaskInstance<>(errand, id), Instant.now());
    }

    @EventListener(ApplicationReadyEvent.class)
    void start() {
        if (scheduler != null) {
            scheduler.start();
        }
    }

    @PreDestroy
    void stop() {
        if (scheduler != null) {
            scheduler.stop();
        }
    }
}
