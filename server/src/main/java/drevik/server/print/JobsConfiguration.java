package drevik.server.print;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.time.Duration;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

/**
 * Long work on db-scheduler: each job has a heartbeat; one whose process died is taken up again, by
 * this process or by any other on the same database.
 */
@Configuration
class JobsConfiguration {
  private static final Duration HEARTBEAT = Duration.ofSeconds(2);

  private final ObjectProvider<Scheduler> scheduler;

  JobsConfiguration(ObjectProvider<Scheduler> scheduler) {
    this.scheduler = scheduler;
  }

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }

  @Bean
  SchedulerClient schedulerClient(DataSource dataSource) {
    return SchedulerClient.Builder.create(new TransactionAwareDataSourceProxy(dataSource)).build();
  }

  @Bean(destroyMethod = "stop")
  Scheduler scheduler(DataSource dataSource, ObjectProvider<PrintService> prints) {
    return Scheduler.create(
            dataSource,
            Tasks.oneTime(PrintJob.TASK)
                .execute((instance, context) -> prints.getObject().carryOut(instance.getId())))
        .threads(2)
        .pollingInterval(Duration.ofMillis(400))
        .heartbeatInterval(HEARTBEAT)
        .missedHeartbeatsLimit(4)
        .shutdownMaxWait(Duration.ofSeconds(2))
        .build();
  }

  @EventListener(ApplicationReadyEvent.class)
  void start() {
    scheduler.getObject().start();
  }
}
