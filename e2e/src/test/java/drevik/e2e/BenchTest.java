package drevik.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Every benchmark that the script knows runs, as small as it can be, and tells its figures. */
class BenchTest {
  private static final Pattern SHOWN = Pattern.compile("\\./drevik bench ?([a-z]*)");
  private static final Pattern FIGURE =
      Pattern.compile("\\d+(\\.\\d+)? +(s|ms|us/op|%|times)|\\d+ %", Pattern.MULTILINE);

  /**
   * In the long tests alone: what reads an hour of audio beside a general tool, which is not on
   * every machine, and what starts the application twice.
   */
  private static final Set<String> LONG = Set.of("", "inspect", "page");

  @Test
  void everyBenchmarkRuns() throws IOException, InterruptedException {
    Path tools = Scripted.SCRIPT.resolveSibling("../shared/tools").normalize();
    Path work = Files.createTempDirectory("drevik-bench");
    Map<String, String> said = new TreeMap<>();
    Matcher shown = SHOWN.matcher(Scripted.run(work, "help").says());
    while (shown.find()) {
      String bench = shown.group(1);
      boolean beside = LONG.contains(bench);
      if (!beside || Boolean.getBoolean("drevik.long") && Files.isDirectory(tools)) {
        said.put(bench, run(work, bench));
      }
    }
    assertThat(said).containsKeys("check", "edits", "loops", "reassign", "song", "sort");
    assertThat(said)
        .allSatisfy((bench, says) -> assertThat(says).as(bench).containsPattern(FIGURE));
  }

  private static String run(Path work, String bench) throws IOException, InterruptedException {
    ProcessBuilder script =
        bench.isEmpty() ? Scripted.script(work, "bench") : Scripted.script(work, "bench", bench);
    script.environment().put("DREVIK_BENCH_SMALL", "yes");
    script.environment().put("DREVIK_BENCH", work.resolve("files").toString());
    Path words = Files.createTempFile("drevik-bench", ".log");
    int status = script.redirectOutput(words.toFile()).start().waitFor();
    String says = Files.readString(words);
    assertThat(status).as(bench + ": " + says).isZero();
    return says;
  }
}
