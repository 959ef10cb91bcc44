package apodex.server.runs;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.util.function.Consumer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The persistent queue of runs. Its table is shared by all nodes; a run left by a dead node goes to another, and keeps its turn. */
@Configuration
class RunQueue {
    @Bean
    OneTimeTask<Void> printRun(RunJob job) {
        return task("print-run", job::carryOut);
    }

    @Bean
    OneTimeTask<Void> proveRun(ProveJob job) {
        return task("prove-run", job::carryOut);
    }

    @Bean
    OneTimeTask<Void> printShare(ShareJob job) {
        return task(Shares.TASK, job::carryOut);
    }

    private static OneTimeTask<Void> task(String name, Consumer<String> work) {
        return Tasks.oneTime(name)
                // Only a server going down lets a job fail; it is to be picked up as soon as there is one again.
                .onFailure((complete, operations) ->
                        operations.reschedule(complete, complete.getExecution().executionTime))
                .onDeadExecution((complete, operations) ->
                        operations.reschedule(complete, complete.getExecution().executionTime))
                .execute((instance, context) -> work.accept(instance.getId()));
    }
}
