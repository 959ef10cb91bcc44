package apodex.server.runs;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Instant;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The persistent queue of runs. Its table is shared by all nodes; a run left by a dead node goes to another. */
@Configuration
class RunQueue {
    private static final String TASK = "print-run";
    private static final int RETRY_SECONDS = 1;

    @Bean
    OneTimeTask<Void> printRun(RunJob job) {
        return Tasks.oneTime(TASK)
                // Only a server going down lets a job fail; it is to be picked up as soon as there is one again.
                .onFailure((complete, operations) ->
                        operations.reschedule(complete, Instant.now().plusSeconds(RETRY_SECONDS)))
                .execute((instance, context) -> job.carryOut(instance.getId()));
    }

    @Bean
    OneTimeTask<Void> proveRun(RunJob job) {
        return Tasks.oneTime("prove-run")
                .onFailure((complete, operations) ->
                        operations.reschedule(complete, Instant.now().plusSeconds(RETRY_SECONDS)))
                .execute((instance, context) -> job.proveAgain(instance.getId()));
    }

    static void add(SchedulerClient scheduler, OneTimeTask<Void> task, String runId) {
        scheduler.scheduleIfNotExists(task.instance(runId), Instant.now());
    }
}
