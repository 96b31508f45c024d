package drevik.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the one script says before it builds or starts anything. */
class StartScriptTest {
  private static final Path SCRIPT = Path.of("..", "drevik").toAbsolutePath().normalize();

  @TempDir Path folder;

  private record Ended(int status, String says) {}

  private Ended run(Map<String, String> environment, String... arguments)
      throws IOException, InterruptedException {
    List<String> command = new ArrayList<>(List.of(SCRIPT.toString()));
    command.addAll(List.of(arguments));
    ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
    builder.environment().putAll(environment);
    Process process = builder.start();
    String says = new String(process.getInputStream().readAllBytes());
    return new Ended(process.waitFor(), says);
  }

  /** A folder of stand-in programs, each saying one thing, found before the real ones. */
  private Map<String, String> pretending(String program, String says) throws IOException {
    Path pretended = folder.resolve(program);
    Files.writeString(pretended, "#!/bin/sh\necho '" + says + "' >&2\necho '" + says + "'\n");
    assertThat(pretended.toFile().setExecutable(true)).isTrue();
    return Map.of(
        "PATH",
        folder + ":" + System.getenv("PATH"),
        "DREVIK_DATA",
        folder.resolve("data").toString());
  }

  @Test
  void anUnknownWordGivesTheUsageAndStatusTwo() throws Exception {
    Ended ended = run(Map.of(), "sing");
    assertThat(ended.status()).isEqualTo(2);
    assertThat(ended.says()).contains("./drevik up").contains("./drevik test");
  }

  /** What a restore left that was killed is not taken for a whole Drevik by anybody. */
  @Test
  void aRestoreThatWasCutShortIsRefusedByName() throws Exception {
    Path data = Files.createDirectories(folder.resolve("half"));
    Files.createFile(data.resolve("restoring"));
    Files.createDirectories(data.resolve("audio"));
    Map<String, String> there = Map.of("DREVIK_DATA", data.toString());
    for (List<String> words :
        List.of(
            List.of("up"),
            List.of("verify"),
            List.of("backup", folder.resolve("b.tar").toString()))) {
      Ended ended = run(there, words.toArray(String[]::new));
      assertThat(ended.status()).as("%s", words).isEqualTo(1);
      assertThat(ended.says())
          .as("%s", words)
          .contains("a restore into", "was cut short", "restore again");
    }
    assertThat(folder.resolve("b.tar")).doesNotExist();
  }

  @Test
  void helpIsNoFailure() throws Exception {
    assertThat(run(Map.of(), "help").status()).isZero();
  }

  @Test
  void aDataFolderThatCannotBeMadeIsNamedWithTheMend() throws Exception {
    Path taken = Files.writeString(folder.resolve("taken"), "a file, not a folder");
    Ended ended = run(Map.of("DREVIK_DATA", taken.toString()), "up");
    assertThat(ended.status()).isEqualTo(1);
    assertThat(ended.says()).contains(taken.toString()).contains("set DREVIK_DATA");
  }

  @Test
  void anOldJavaIsNamedWithTheMend() throws Exception {
    Ended ended = run(pretending("java", "openjdk version \"11.0.2\" 2019-01-15"), "up");
    assertThat(ended.status()).isEqualTo(1);
    assertThat(ended.says()).contains("Java is version 11, and 17 is needed");
  }

  @Test
  void aFullDiskIsSeenBeforeAnythingIsBuilt() throws Exception {
    String full =
        "Filesystem 1048576-blocks Used Available Capacity Mounted\n/dev/x 100 95 5 95% /";
    Ended ended = run(pretending("df", full), "test");
    assertThat(ended.status()).isEqualTo(1);
    assertThat(ended.says()).contains("only 5 MB are free").contains("free some space");
  }
}
