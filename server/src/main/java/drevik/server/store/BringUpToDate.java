package drevik.server.store;

import drevik.server.CannotStart;
import drevik.server.DrevikProperties;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationInfoService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;

/**
 * Brings the database up to what this program needs. One that a newer program has changed is left
 * as it is; one that is going to be changed is copied to {@code backups} first.
 */
@Component
class BringUpToDate implements FlywayMigrationStrategy {
  private static final Logger LOG = LoggerFactory.getLogger(BringUpToDate.class);

  private final Path backups;
  private final String dumper;
  private final String url;
  private final String user;
  private final String password;

  /**
   * @param dumper the program that copies a PostgreSQL database; empty if there is none
   */
  BringUpToDate(
      DrevikProperties properties,
      @Value("${drevik.pg-dump:}") String dumper,
      @Value("${spring.datasource.url}") String url,
      @Value("${spring.datasource.username}") String user,
      @Value("${spring.datasource.password:}") String password) {
    this.backups = properties.data().toAbsolutePath().resolve("backups");
    this.dumper = dumper;
    this.url = url;
    this.user = user;
    this.password = password;
  }

  @Override
  public void migrate(Flyway flyway) {
    MigrationInfoService info = flyway.info();
    requireKnown(info);
    boolean used = info.applied().length > 0;
    if (used && info.pending().length > 0 && !dumper.isEmpty()) {
      copy(info.pending());
    }
    flyway.migrate();
  }

  private static void requireKnown(MigrationInfoService info) {
    Arrays.stream(info.applied())
        .filter(one -> one.getState().name().startsWith("FUTURE"))
        .reduce((first, last) -> last)
        .ifPresent(
            newest -> {
              throw new CannotStart(
                  "A newer Drevik has worked on this data (its database has version %s). Start that one, or restore a backup of before."
                      .formatted(newest.getVersion()));
            });
  }

  private void copy(MigrationInfo[] pending) {
    String version = String.valueOf(pending[pending.length - 1].getVersion());
    String now =
        DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss")
            .withZone(ZoneOffset.UTC)
            .format(Clock.systemUTC().instant());
    Path file = backups.resolve("before-version-%s-%s.dump".formatted(version, now));
    try {
      Files.createDirectories(backups);
      URI place = URI.create(url.substring("jdbc:".length()));
      ProcessBuilder dump =
          new ProcessBuilder(
              List.of(
                  dumper,
                  "--format=custom",
                  "--file=" + file,
                  "--host=" + place.getHost(),
                  "--port=" + place.getPort(),
                  "--username=" + user,
                  "--no-password",
                  place.getPath().substring(1)));
      dump.environment().put("PGPASSWORD", password);
      dump.redirectErrorStream(true);
      Process process = dump.start();
      String says =
          new String(
              process.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
      if (process.waitFor() != 0) {
        throw new IOException(says.strip());
      }
      LOG.info("the database as it was is in {}", file);
    } catch (IOException e) {
      throw new CannotStart(
          "The database has to be brought up to date, and could not be copied before that (%s). Nothing was changed; free some space or see to the folder %s."
              .formatted(e.getMessage(), backups));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new CannotStart("Starting was broken off; nothing was changed.");
    }
  }
}
