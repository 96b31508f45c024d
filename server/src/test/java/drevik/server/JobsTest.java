package drevik.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import drevik.server.mix.Shelf;
import drevik.starters.Starters;
import java.io.IOException;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * What is noted and what is to be done about it are one transaction; neither is ever without the
 * other.
 */
class JobsTest {
  @RegisterExtension static final RunningServer server = new RunningServer();

  private static final TaskDescriptor<Void> PRINT = TaskDescriptor.of("print");

  @TempDir Path folder;

  private byte[] noise(long seed) throws IOException {
    Path file = folder.resolve(seed + ".wav");
    Random random = new Random(seed);
    float[][] audio = new float[1][4_800];
    for (int i = 0; i < audio[0].length; i++) {
      audio[0][i] = (float) (0.1 * random.nextGaussian());
    }
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, 48_000, Layout.MONO)) {
      writer.write(audio, 0, audio[0].length);
    }
    return Files.readAllBytes(file);
  }

  private static long jobs(String instance) {
    return server
        .bean(JdbcClient.class)
        .sql("select count(*) from scheduled_tasks where task_instance = ?")
        .param(instance)
        .query(Long.class)
        .single();
  }

  @Test
  void aJobIsThereOnlyIfWhatItIsOfIs() throws Exception {
    TransactionTemplate transaction = server.bean(TransactionTemplate.class);
    SchedulerClient scheduler = server.bean(SchedulerClient.class);
    Instant never = Instant.now().plusSeconds(100_000);
    transaction.executeWithoutResult(
        status -> {
          scheduler.scheduleIfNotExists(PRINT.instance("rolled back").scheduledTo(never));
          // Another connection sees nothing of it before the commit.
          assertThat(CompletableFuture.supplyAsync(() -> jobs("rolled back")).join()).isZero();
          status.setRollbackOnly();
        });
    assertThat(jobs("rolled back")).isZero();
    transaction.executeWithoutResult(
        status -> scheduler.scheduleIfNotExists(PRINT.instance("kept").scheduledTo(never)));
    assertThat(jobs("kept")).isEqualTo(1);
    scheduler.cancel(PRINT.instance("kept").scheduledTo(never).getTaskInstance());
  }

  @Test
  void aFileWhoseJobIsGoneIsMeasuredAtTheNextStartOrWhenItIsSentAgain() throws IOException {
    String mix = server.bean(Shelf.class).create(Starters.bandOfEight(), "test");
    String delivery =
        server
            .post(
                "/api/mixes/" + mix + "/deliveries",
                Map.of("name", "Late", "client", "", "artist", ""))
            .body()
            .path("id")
            .asString();
    byte[] audio = noise(1);
    assertThat(server.upload(delivery, "Kick.wav", BodyPublishers.ofByteArray(audio)).status())
        .isEqualTo(200);
    server.measured(delivery);
    JdbcClient database = server.bean(JdbcClient.class);
    // As a program left it whose job had run before its rows were there.
    database.sql("update audio_file set inspection = null").update();
    database.sql("delete from scheduled_tasks where task_name = 'inspect'").update();
    assertThat(server.upload(delivery, "Kick.wav", BodyPublishers.ofByteArray(audio)).status())
        .isEqualTo(200);
    assertThat(server.measured(delivery).path("measuring").asInt()).isZero();
    database.sql("update audio_file set inspection = null").update();
    database.sql("delete from scheduled_tasks where task_name = 'inspect'").update();
    server.restart();
    assertThat(server.measured(delivery).path("measuring").asInt()).isZero();
  }

  @Test
  void whatAServerHeldThatIsGoneIsTakenUpByTheNextAtOnce() {
    JdbcClient database = server.bean(JdbcClient.class);
    // Its heartbeats would be missed for an hour.
    database
        .sql(
            "insert into scheduled_tasks (task_name, task_instance, execution_time, picked,"
                + " picked_by, last_heartbeat, version) values ('print', 'held', now(), true, 'gone',"
                + " now() + interval '1 hour', 1)")
        .update();
    server.restart();
    assertThat(
            database(
                "select count(*) from scheduled_tasks where picked_by = 'gone' or last_heartbeat >"
                    + " now() + interval '1 minute'"))
        .isZero();
  }

  private static long database(String question) {
    return server.bean(JdbcClient.class).sql(question).query(Long.class).single();
  }
}
