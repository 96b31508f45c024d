package drevik.server.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import drevik.server.DrevikProperties;
import drevik.server.intake.Inbox;
import drevik.server.intake.InspectFiles;
import drevik.server.intake.InspectJob;
import drevik.server.intake.Uploads;
import drevik.server.mix.MixEdits;
import drevik.server.print.PrintJob;
import drevik.server.print.PrintService;
import drevik.server.space.Removal;
import java.time.Clock;
import java.time.Duration;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

/**
 * Long work on db-scheduler: each job has a heartbeat; one whose process died is taken up again: at
 * once by the next start, as only one works on a data folder.
 */
@Configuration
class JobsConfiguration {
  private static final Duration AGAIN_AFTER = Duration.ofSeconds(3);
  private static final Duration HEARTBEAT = Duration.ofSeconds(2);
  private static final Duration INBOX_EVERY = Duration.ofSeconds(3);
  private static final Duration TIDY_EVERY = Duration.ofHours(6);
  private static final Duration UPLOADS_EVERY = Duration.ofSeconds(5);

  /**
   * As many as there are cores, and one more, so that a print need not wait for a whole delivery.
   */
  private static final int THREADS = Runtime.getRuntime().availableProcessors() + 1;

  private final ObjectProvider<Scheduler> scheduler;
  private final ObjectProvider<InspectFiles> inspecting;
  private final ObjectProvider<JdbcClient> database;
  private final DrevikProperties properties;

  JobsConfiguration(
      ObjectProvider<Scheduler> scheduler,
      ObjectProvider<InspectFiles> inspecting,
      ObjectProvider<JdbcClient> database,
      DrevikProperties properties) {
    this.scheduler = scheduler;
    this.inspecting = inspecting;
    this.database = database;
    this.properties = properties;
  }

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }

  /**
   * Who notes a job asks this one: it writes by the connection of the transaction that it is called
   * in. The scheduler itself is a client too, and has connections of its own.
   */
  @Bean
  @Primary
  SchedulerClient schedulerClient(DataSource dataSource) {
    return SchedulerClient.Builder.create(new TransactionAwareDataSourceProxy(dataSource)).build();
  }

  @Bean(destroyMethod = "stop")
  Scheduler scheduler(
      DataSource dataSource,
      ObjectProvider<PrintService> prints,
      ObjectProvider<InspectFiles> inspecting,
      ObjectProvider<Inbox> inbox,
      ObjectProvider<Uploads> uploads,
      ObjectProvider<MixEdits> edits,
      ObjectProvider<Removal> removal) {
    return Scheduler.create(
            dataSource,
            Tasks.oneTime(PrintJob.TASK)
                .onFailure(soonAgain())
                .execute((instance, context) -> prints.getObject().carryOut(instance.getId())),
            Tasks.oneTime(InspectJob.TASK)
                .onFailure(soonAgain())
                .execute((instance, context) -> inspecting.getObject().carryOut(instance.getId())))
        .startTasks(
            Tasks.recurring("inbox", FixedDelay.of(INBOX_EVERY))
                .execute((instance, context) -> inbox.getObject().scan()),
            Tasks.recurring("uploads", FixedDelay.of(UPLOADS_EVERY))
                .execute((instance, context) -> uploads.getObject().takeInWhatIsWhole()),
            Tasks.recurring("tidying", FixedDelay.of(TIDY_EVERY))
                .execute(
                    (instance, context) -> {
                      edits.getObject().forgetOldRequests();
                      removal.getObject().forgetOld();
                    }))
        .threads(THREADS)
        .pollingInterval(Duration.ofMillis(400))
        .heartbeatInterval(HEARTBEAT)
        .missedHeartbeatsLimit(4)
        .shutdownMaxWait(Duration.ofSeconds(2))
        .build();
  }

  /**
   * What is wrong with a print or a file is written down with it, and is no failure of its job. A
   * job fails when the database goes away under it, and that is started again in seconds.
   */
  private static <T> FailureHandler<T> soonAgain() {
    return new FailureHandler.OnFailureRetryLater<>(AGAIN_AFTER);
  }

  @EventListener(ApplicationReadyEvent.class)
  void start() {
    if (!properties.works()) {
      return;
    }
    takeBackWhatTheLastOneHeld();
    inspecting.getObject().askForWhatWasLeft();
    scheduler.getObject().start();
  }

  /** Whoever had it is gone, as this one has the folder: nobody waits for its heartbeats to end. */
  private void takeBackWhatTheLastOneHeld() {
    database
        .getObject()
        .sql(
            "update scheduled_tasks set picked = false, picked_by = null, last_heartbeat = null,"
                + " version = version + 1 where picked")
        .update();
  }
}
