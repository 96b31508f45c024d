package drevik.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Every command that README and guide show is carried out as it is written, on the demos. */
class CommandsTest {
  private static final Path ROOT = Scripted.SCRIPT.resolveSibling("");

  /** What runs the application, or measures, is carried out by tests of its own. */
  private static final Set<String> ELSEWHERE =
      Set.of("up", "test", "backup", "restore", "verify", "bench");

  private static final Pattern SHOWN = Pattern.compile("\\./drevik ([a-z]+)([^#`\\n]*)");

  private static Path work;

  @BeforeAll
  static void demo() throws IOException, InterruptedException {
    work = Files.createTempDirectory("drevik-commands");
    for (String[] demo : new String[][] {{"song"}, {"show", "--picture"}}) {
      List<String> command = new ArrayList<>(List.of("demo", work.resolve(demo[0]).toString()));
      Stream.of(demo).skip(1).forEach(command::add);
      assertThat(run(command, "").status()).isZero();
    }
    Files.writeString(work.resolve("names.txt"), "kick\n");
    assertThat(
            run(List.of("map", work.resolve("song/session.json").toString()), "", "map.json")
                .status())
        .isZero();
    assertThat(
            run(List.of("outline", work.resolve("song/session.json").toString()), "", "text.txt")
                .status())
        .isZero();
  }

  @AfterAll
  static void clean() throws IOException {
    try (Stream<Path> all = Files.walk(work)) {
      for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(path);
      }
    }
  }

  private static Scripted.Ended run(List<String> words, String input, String... into)
      throws IOException, InterruptedException {
    ProcessBuilder builder =
        Scripted.script(work, words.toArray(String[]::new)).redirectErrorStream(false);
    builder.redirectError(work.resolve("errors").toFile());
    Path out = work.resolve(into.length > 0 ? into[0] : "out");
    builder.redirectOutput(out.toFile());
    Process process = builder.start();
    process.getOutputStream().write(input.getBytes());
    process.getOutputStream().close();
    int status = process.waitFor();
    return new Scripted.Ended(
        status, Files.readString(out) + Files.readString(work.resolve("errors")));
  }

  private static List<Matcher> shown() throws IOException {
    List<Matcher> found = new ArrayList<>();
    for (Path page : List.of(ROOT.resolve("README.md"), ROOT.resolve("docs/guide/README.md"))) {
      for (String line : Files.readAllLines(page)) {
        Matcher matcher = SHOWN.matcher(line);
        while (matcher.find()) {
          found.add(SHOWN.matcher(line.substring(matcher.start())));
        }
      }
    }
    found.forEach(Matcher::find);
    return found;
  }

  /** What stands for something in a line that is shown → what it is here. */
  private static List<String> filledIn(String command, String line) {
    Map<String, String> here =
        Map.ofEntries(
            Map.entry("T.json", work.resolve("song/template.json").toString()),
            Map.entry("--delivery DIR", "--delivery " + work.resolve("song/Weathervane delivery")),
            Map.entry("DIR/session.json", work.resolve("song/session.json").toString()),
            Map.entry("DIR/prints", work.resolve("prints").toString()),
            Map.entry("MIX.json", work.resolve("show/session.json").toString()),
            Map.entry("MAP.json", work.resolve("map.json").toString()),
            Map.entry("OUT.json", work.resolve("out.json").toString()),
            Map.entry("S.json", work.resolve("seated.json").toString()),
            Map.entry("FILE…", work.resolve("song/Weathervane delivery/01_KIK IN.wav").toString()),
            Map.entry("--read FILE", "--read " + work.resolve("text.txt")),
            Map.entry("demo DIR", "demo " + work.resolve("another")));
    String filled = command + line.replaceAll("\\[[^\\]]*\\]", "");
    for (String sign :
        here.keySet().stream().sorted(Comparator.comparing(String::length).reversed()).toList()) {
      filled =
          filled.replaceAll(
              "(?<![\\w/.])" + Pattern.quote(sign) + "(?![\\w/])",
              Matcher.quoteReplacement(
                  here.get(sign)
                      .replace(" ", "\u00a0")
                      .replaceFirst("^(--\\w+|demo)\u00a0", "$1 ")));
    }
    return Stream.of(filled.strip().split(" +")).map(word -> word.replace("\u00a0", " ")).toList();
  }

  @Test
  void everyCommandThatIsShownIsCarriedOut() throws Exception {
    Set<String> carriedOut = new TreeSet<>();
    for (Matcher shown : shown()) {
      String command = shown.group(1);
      if (ELSEWHERE.contains(command)) {
        continue;
      }
      List<String> words = filledIn(command, shown.group(2));
      Scripted.Ended ended = run(words, "01_KIK IN.wav\nLdVox dbl 2\n");
      // The show has findings, so that 1 is what a check of it ends with.
      assertThat(ended.status()).as("%s: %s", words, ended.says()).isIn(0, 1);
      assertThat(ended.says()).as("%s", words).doesNotContain("Usage", "drevik: java");
      carriedOut.add(command);
    }
    assertThat(carriedOut)
        .contains("sort", "inspect", "seat", "check", "cover", "outline", "map", "reassign");
  }

  @Test
  void theScriptPassesOnWhateverTheCommandLineKnows() throws Exception {
    Path jar = ROOT.resolve("cli/target/drevik-cli.jar");
    Process help = new ProcessBuilder("java", "-jar", jar.toString(), "--help").start();
    String says = new String(help.getInputStream().readAllBytes());
    Set<String> known = new TreeSet<>();
    Matcher names = Pattern.compile("(?m)^    ([a-z]+)(?: {2,}|$)").matcher(says);
    while (names.find()) {
      known.add(names.group(1));
    }
    assertThat(known).contains("sort", "reassign", "map");
    String script = Files.readString(Scripted.SCRIPT);
    Matcher passed = Pattern.compile("(?m)^  ([a-z |]+)\\) cli \"\\$@\"").matcher(script);
    assertThat(passed.find()).isTrue();
    assertThat(Set.of(passed.group(1).split(" \\| "))).containsExactlyInAnyOrderElementsOf(known);
  }
}
