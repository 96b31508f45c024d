package drevik.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.server.CannotStart;
import drevik.server.DrevikProperties;
import drevik.server.ThrowawayPostgres;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A database of another version is copied before it is changed, or left as it is. */
class BringUpToDateTest {
  @TempDir Path data;

  private final String url = ThrowawayPostgres.shared().newDatabase();
  private final DriverManagerDataSource database = new DriverManagerDataSource(url, "drevik", "");

  private BringUpToDate strategy(String dumper) {
    DrevikProperties properties = new DrevikProperties(data, false, true, List.of());
    return new BringUpToDate(properties, dumper, url, "drevik", "");
  }

  private Flyway upTo(String version) {
    return Flyway.configure().dataSource(database).target(version).load();
  }

  private Flyway whole() {
    return Flyway.configure().dataSource(database).load();
  }

  private List<Path> copies() throws IOException {
    Path backups = data.resolve("backups");
    if (!Files.exists(backups)) {
      return List.of();
    }
    try (Stream<Path> all = Files.list(backups)) {
      return all.toList();
    }
  }

  @Test
  void anOlderOneIsCopiedOnceAndThenChanged() throws IOException {
    String dumper = ThrowawayPostgres.bin("pg_dump");
    strategy(dumper).migrate(upTo("7"));
    assertThat(copies()).as("a new database holds nothing").isEmpty();
    strategy(dumper).migrate(whole());
    assertThat(copies()).hasSize(1);
    assertThat(Files.readString(copies().get(0), java.nio.charset.StandardCharsets.ISO_8859_1))
        .as("the format of pg_dump, with the tables as they were")
        .startsWith("PGDMP")
        .contains("mix_revision")
        .doesNotContain("done_request");
    strategy(dumper).migrate(whole());
    assertThat(copies()).hasSize(1);
  }

  @Test
  void oneThatCannotBeCopiedIsNotChanged() {
    strategy("").migrate(upTo("7"));
    assertThatThrownBy(() -> strategy("/bin/false").migrate(whole()))
        .isInstanceOf(CannotStart.class)
        .hasMessageContaining("Nothing was changed");
    assertThat(whole().info().pending()).isNotEmpty();
  }

  @Test
  void oneThatANewerProgramChangedIsLeftAsItIs() {
    strategy("").migrate(whole());
    JdbcClient.create(database)
        .sql(
            "insert into flyway_schema_history (installed_rank, version, description, type, script,"
                + " installed_by, execution_time, success)"
                + " values (900, '900', 'later', 'SQL', 'V900__later.sql', 'x', 1, true)")
        .update();
    assertThatThrownBy(() -> strategy("").migrate(whole()))
        .isInstanceOf(CannotStart.class)
        .hasMessageContaining("A newer Drevik", "version 900");
  }
}
