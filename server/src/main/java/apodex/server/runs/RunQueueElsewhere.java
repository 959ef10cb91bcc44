package apodex.server.runs;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.jdbc.AutodetectJdbcCustomization;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

/** On a node that does not print: what it asks for is carried out by others. */
@Configuration
@ConditionalOnProperty(name = "apodex.role", havingValue = "web")
class RunQueueElsewhere {
    @Bean
    SchedulerClient schedulerClient(DataSource dataSource, List<OneTimeTask<Void>> tasks) {
        DataSource inTransactions = new TransactionAwareDataSourceProxy(dataSource);
        return SchedulerClient.Builder.create(inTransactions, List.copyOf(tasks))
                .jdbcCustomization(new AutodetectJdbcCustomization(inTransactions, true))
                .build();
    }
}
