package drevik.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.Sha256;
import drevik.audio.WavWriter;
import drevik.codec.Documents;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.OutputKind;
import drevik.mix.Specification;
import drevik.mix.Tap;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** The contract of the command line: JSON on standard output, errors elsewhere, exit status. */
class MainTest {
  private static final int FRAMES = 24_000;

  @TempDir Path folder;

  private final InputStream in = System.in;
  private final PrintStream out = System.out;
  private final PrintStream err = System.err;
  private final ByteArrayOutputStream said = new ByteArrayOutputStream();
  private final ByteArrayOutputStream complained = new ByteArrayOutputStream();

  @BeforeEach
  void listen() {
    System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(complained, true, StandardCharsets.UTF_8));
  }

  @AfterEach
  void restore() {
    System.setIn(in);
    System.setOut(out);
    System.setErr(err);
  }

  private List<JsonNode> lines() {
    return said.toString(StandardCharsets.UTF_8)
        .lines()
        .map(line -> Documents.mapper().readTree(line))
        .toList();
  }

  private String complaint() {
    return complained.toString(StandardCharsets.UTF_8);
  }

  private Path tone(String name) throws IOException {
    Path file = folder.resolve(name);
    float[][] audio = new float[1][FRAMES];
    for (int i = 0; i < FRAMES; i++) {
      audio[0][i] = (float) (0.5 * Math.sin(i * 0.1));
    }
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, 48_000, Layout.MONO)) {
      writer.write(audio, 0, FRAMES);
    }
    return file;
  }

  private Path session() throws IOException {
    tone("kick.wav");
    Clip clip = new Clip("c", new AudioRef("", "kick.wav"), 0, 0, FRAMES, 0);
    Mix mix =
        Mix.empty(MixKind.SESSION, "Small")
            .withChannels(
                List.of(
                    Channel.of("kick", ChannelKind.SEAT, "Kick", Layout.MONO, "drums/kick")
                        .withClips(List.of(clip))
                        .withOutput("mix"),
                    Channel.of("mix", ChannelKind.BUS, "Mix", Layout.STEREO, "unknown")))
            .withOutputs(List.of(output("mix", "Mix"), output("kick", "Kick stem")));
    return Files.writeString(folder.resolve("session.json"), Documents.writeMix(mix));
  }

  private static drevik.mix.Output output(String channel, String name) {
    return new drevik.mix.Output(
        name,
        name,
        OutputKind.PRINT,
        channel,
        Tap.POST_FADER,
        Layout.STEREO,
        SampleFormat.PCM_24,
        name);
  }

  @Test
  void sortGivesALineForEachName() {
    String names = "01_KIK IN.wav\nLdVox dbl 2\nAudio 7\n";
    System.setIn(new ByteArrayInputStream(names.getBytes(StandardCharsets.UTF_8)));
    assertThat(Main.run("sort")).isZero();
    assertThat(lines())
        .extracting(line -> line.path("category").asString())
        .containsExactly("drums/kick", "vocals/double", "unknown");
    assertThat(lines().get(0).propertyNames())
        .containsExactly("name", "category", "confidence", "because");
  }

  @Test
  void inspectGivesEveryFieldOrTheError() throws IOException {
    Path good = tone("good.wav");
    Path bad = Files.writeString(folder.resolve("bad.wav"), "no audio in here");
    assertThat(Main.run("inspect", good.toString(), bad.toString())).isEqualTo(1);
    JsonNode line = lines().get(0);
    assertThat(line.propertyNames())
        .containsExactly(
            "file",
            "container",
            "encoding",
            "sampleRate",
            "bitDepth",
            "channels",
            "frames",
            "seconds",
            "samplePeakDbfs",
            "truePeakDbtp",
            "integratedLufs",
            "loudnessRangeLu",
            "dcOffset",
            "clippedSamples",
            "dualMono",
            "silent",
            "firstSoundSeconds",
            "lastSoundSeconds",
            "timeReference");
    assertThat(line.path("samplePeakDbfs").asDouble()).isCloseTo(-6.02, within(0.01));
    assertThat(line.path("bitDepth").asInt()).isEqualTo(24);
    assertThat(line.path("timeReference").isNull()).isTrue();
    assertThat(lines().get(1).propertyNames()).containsExactly("file", "error");
    assertThat(lines().get(1).path("error").asString())
        .contains("is no audio file that Drevik reads");
  }

  @Test
  void printWritesFilesAndAReport() throws IOException {
    Path prints = folder.resolve("prints");
    assertThat(Main.run("print", session().toString(), "--out", prints.toString())).isZero();
    assertThat(prints.resolve("Mix.wav")).isNotEmptyFile();
    JsonNode report = Documents.mapper().readTree(Files.readString(prints.resolve("report.json")));
    assertThat(report.path("files")).hasSize(2);
    assertThat(report.path("files").get(0).path("samplePeakDbfs").asDouble())
        .isCloseTo(-9.03, within(0.01));
  }

  @Test
  void aPrintOverwritesOnlyWhatAPrintWroteThere() throws IOException {
    Path session = session();
    Path prints = folder.resolve("prints");
    String[] command = {"print", session.toString(), "--out", prints.toString()};
    assertThat(Main.run(command)).isZero();
    assertThat(Main.run(command)).isZero();
    Path mix = prints.resolve("Mix.wav");
    byte[] edited = Files.readAllBytes(tone("elsewhere.wav"));
    Files.write(mix, edited);
    Files.setLastModifiedTime(mix, FileTime.from(Instant.now().plusSeconds(60)));
    assertThat(Main.run(command)).isEqualTo(1);
    assertThat(complaint()).contains("“Mix.wav” is in", "print into another folder");
    assertThat(mix).hasBinaryContent(edited);
    Files.writeString(prints.resolve("report.json"), "my own notes");
    assertThat(Main.run(command)).isEqualTo(1);
    assertThat(complaint()).contains("is no report of a print");
    assertThat(Main.run("print", session.toString(), "--out", folder.toString())).isZero();
    Files.delete(folder.resolve("report.json"));
    assertThat(Main.run("print", session.toString(), "--out", folder.toString())).isEqualTo(1);
  }

  @Test
  void audioThatIsNotTheSessionsIsNotPlayed() throws IOException {
    Path session = session();
    String hash = Sha256.of(folder.resolve("kick.wav"));
    String named =
        Files.readString(session).replace("\"sha256\" : \"\"", "\"sha256\" : \"" + hash + "\"");
    assertThat(named).contains(hash);
    Files.writeString(session, named);
    String[] command = {"print", session.toString(), "--out", folder.resolve("p").toString()};
    assertThat(Main.run(command)).isZero();
    byte[] other = Files.readAllBytes(folder.resolve("kick.wav"));
    other[other.length - 9] ^= 1;
    Files.write(folder.resolve("kick.wav"), other);
    assertThat(Main.run(command)).isEqualTo(1);
    assertThat(complaint()).contains("“kick.wav” is not the audio that the session was made with");
  }

  @Test
  void whatMissesItsSpecificationEndsWithOne() throws IOException {
    Path session = session();
    Mix mix = Documents.readForeign(Files.readString(session));
    Specification asked = new Specification("b", "Buyer", "", -40.0, 0.5, null, null, null);
    Mix asking =
        mix.withSpecifications(List.of(asked))
            .withOutputs(mix.outputs().stream().map(o -> o.withSpecification("b")).toList());
    Files.writeString(session, Documents.writeMix(asking));
    Path prints = folder.resolve("asked");
    assertThat(Main.run("print", session.toString(), "--out", prints.toString())).isEqualTo(1);
    JsonNode check = lines().get(0).path("files").get(0).path("checks").get(0);
    assertThat(check.path("what").asString()).isEqualTo("Loudness");
    assertThat(check.path("verdict").asString()).isEqualTo("fail");
    assertThat(prints.resolve("Mix.wav")).exists();
  }

  @Test
  void onlyTheNamedOutputsArePrinted() throws IOException {
    Path prints = folder.resolve("some");
    int status =
        Main.run("print", session().toString(), "--out", prints.toString(), "--only", "Kick stem");
    assertThat(status).isZero();
    assertThat(prints.resolve("Mix.wav")).doesNotExist();
    assertThat(Main.run("print", session().toString(), "--out", prints.toString(), "--only", "X"))
        .isEqualTo(1);
    assertThat(complaint()).contains("no output “X”").contains("Kick stem");
  }

  @Test
  void checkGivesALineForEachFinding() throws IOException {
    Path sound = session();
    assertThat(Main.run("check", sound.toString())).isZero();
    assertThat(said.toString(StandardCharsets.UTF_8)).isEmpty();
    Mix mix = Documents.readForeign(Files.readString(sound));
    Mix broken = mix.mapChannels(c -> c.id().equals("kick") ? c.withName("mix") : c);
    Path file = Files.writeString(folder.resolve("broken.json"), Documents.writeMix(broken));
    assertThat(Main.run("check", file.toString())).isEqualTo(1);
    JsonNode finding = lines().get(0);
    assertThat(finding.propertyNames())
        .containsExactly("rule", "severity", "where", "says", "mends");
    assertThat(finding.path("rule").asString()).isEqualTo("same-name");
    assertThat(finding.path("where")).hasSize(2);
    assertThat(finding.path("mends").get(0).asString()).startsWith("Rename");
  }

  @Test
  void aMixIsPutUnderAnotherMap() throws IOException {
    Path mix = session();
    assertThat(Main.run("map", "--propose", mix.toString())).isZero();
    Path map = folder.resolve("map.json");
    String written = said.toString(StandardCharsets.UTF_8);
    Files.writeString(map, written.replace("\"destination\"", "\"trimDb\" : -3, \"destination\""));
    assertThat(written).contains("\"destination\" : \"Mix\"");
    said.reset();
    Path out = folder.resolve("moved.json");
    assertThat(Main.run("reassign", mix.toString(), "--map", map.toString(), "--dry-run")).isZero();
    assertThat(out).doesNotExist();
    assertThat(lines()).hasSize(1);
    JsonNode line = lines().get(0);
    assertThat(line.propertyNames())
        .containsExactly("channel", "name", "field", "from", "to", "why");
    assertThat(line.path("channel").asString()).isEqualTo("kick");
    assertThat(line.path("field").asString()).isEqualTo("trimDb");
    assertThat(line.path("to").asDouble()).isEqualTo(-3);
    assertThat(line.path("why").asString()).contains("category map: drums");
    said.reset();
    assertThat(
            Main.run("reassign", mix.toString(), "--map", map.toString(), "--out", out.toString()))
        .isZero();
    Mix moved = Documents.readForeign(Files.readString(out));
    assertThat(moved.channel("kick").orElseThrow().trimDb()).isEqualTo(-3);
    said.reset();
    assertThat(
            Main.run("reassign", out.toString(), "--map", map.toString(), "--out", out.toString()))
        .isZero();
    assertThat(said.toString(StandardCharsets.UTF_8)).isEmpty();
    assertThat(Documents.readForeign(Files.readString(out))).isEqualTo(moved);
    Files.writeString(map, written.replace("\"Mix\"", "\"Nowhere\""));
    assertThat(
            Main.run("reassign", mix.toString(), "--map", map.toString(), "--out", out.toString()))
        .isEqualTo(1);
    assertThat(Main.run("reassign", mix.toString())).isEqualTo(2);
    assertThat(Main.run("map")).isEqualTo(2);
  }

  @Test
  void anOutlineBecomesAMixAndAMixAnOutline() throws IOException {
    Path text = folder.resolve("band.txt");
    String written =
        """
        Master =Mix
          Drum Bus =Drums
            Kick >Plate @-12
            Snare >Plate
          Plate =Room
        """;
    Files.writeString(text, written);
    Path made = folder.resolve("Band.json");
    assertThat(Main.run("outline", "--read", text.toString(), "--out", made.toString())).isZero();
    assertThat(Main.run("outline", made.toString())).isZero();
    assertThat(said.toString(StandardCharsets.UTF_8)).isEqualTo(written);
    assertThat(Main.run("check", made.toString()))
        .as("the plate has no processor yet")
        .isEqualTo(1);
    assertThat(said.toString(StandardCharsets.UTF_8))
        .contains("its chain is empty")
        .containsOnlyOnce("\"rule\"");
    Mix band = Documents.readForeign(Files.readString(made));
    assertThat(band.name()).isEqualTo("Band");
    assertThat(band.outputs()).hasSize(3);
    assertThat(band.stemSets().get(0).stems()).hasSize(2);
    assertThat(MapAnswers.of(band).destinationOf(Asked.anyOf("drums/kick"))).isPresent();

    Files.writeString(text, written.replace("Snare", "Clap"));
    Path edited = folder.resolve("edited.json");
    assertThat(
            Main.run(
                "outline", made.toString(), "--read", text.toString(), "--out", edited.toString()))
        .isZero();
    assertThat(Documents.readForeign(Files.readString(edited)).channels())
        .extracting(Channel::id)
        .isEqualTo(band.channels().stream().map(Channel::id).toList());
  }

  @Test
  void whatIsWrongWithAnOutlineIsSaidWithItsPlaceAndNothingIsWritten() throws IOException {
    Path text = folder.resolve("bad.txt");
    Files.writeString(text, "Mix\n  Kick >Plate\n  Kick\n");
    Path made = folder.resolve("none.json");
    assertThat(Main.run("outline", "--read", text.toString(), "--out", made.toString()))
        .isEqualTo(1);
    assertThat(complaint())
        .contains("bad.txt:2:9: There is no line “Plate”")
        .contains("bad.txt:3:3: “Kick” stands in line 2 too");
    assertThat(made).doesNotExist();
    assertThat(Main.run("outline")).isEqualTo(2);
    assertThat(Main.run("outline", "--read", text.toString())).isEqualTo(2);
    assertThat(Main.run("outline", "--read", "nowhere", "--out", made.toString())).isEqualTo(1);
  }

  @Test
  void coverGivesALineForEachSeatInAnOutput() throws IOException {
    assertThat(Main.run("cover", session().toString())).isZero();
    assertThat(lines()).hasSize(2);
    JsonNode cell = lines().get(0);
    assertThat(cell.propertyNames())
        .containsExactly("seat", "category", "output", "paths", "gainDb", "dipped");
    assertThat(cell.path("seat").asString()).isEqualTo("Kick");
    assertThat(cell.path("gainDb").asDouble()).isCloseTo(0, within(1e-9));
    said.reset();
    assertThat(Main.run("cover", "--ways", folder.resolve("session.json").toString())).isZero();
    assertThat(lines().get(0).path("ways").path("dry").path("paths").asInt()).isEqualTo(1);
    assertThat(Main.run("cover", folder.resolve("none.json").toString())).isEqualTo(1);
    assertThat(complaint()).contains("none.json", "cannot be read");
  }

  @Test
  void failureIsSaidOnStandardErrorWithItsMend() throws IOException {
    Path session = session();
    Files.delete(folder.resolve("kick.wav"));
    Path prints = folder.resolve("none");
    assertThat(Main.run("print", session.toString(), "--out", prints.toString())).isEqualTo(1);
    assertThat(complaint()).contains("“kick.wav” is not in").contains("--audio DIR");
    assertThat(prints).doesNotExist();
    assertThat(said.toString(StandardCharsets.UTF_8)).isEmpty();
    Path nonsense = Files.writeString(folder.resolve("nonsense.json"), "{}");
    assertThat(Main.run("print", nonsense.toString(), "--out", prints.toString())).isEqualTo(1);
    assertThat(complaint()).contains("This is no Mix");
  }

  @Test
  void wrongUseIsTwo() {
    assertThat(Main.run("print")).isEqualTo(2);
    assertThat(Main.run("inspect")).isEqualTo(2);
    assertThat(Main.run("dance")).isEqualTo(2);
    assertThat(Main.run()).isEqualTo(2);
    assertThat(complaint()).contains("Usage", "--out", "SESSION.json");
    assertThat(said.toString(StandardCharsets.UTF_8)).isEmpty();
  }

  @Test
  void whatIsReadToGetReadyIsSound() {
    assertThat(Main.readOnce().name()).isEqualTo("Ready");
  }

  /** The build prints it once; where that failed, each print would start slower, unnoticed. */
  @Test
  void theSessionThatThePrintIsMadeReadyWithPrints() throws IOException {
    tone("silence.wav");
    Path prints = folder.resolve("ready");
    int status =
        Main.run(
            "print",
            Path.of("src", "cds", "session.json").toString(),
            "--audio",
            folder.toString(),
            "--out",
            prints.toString());
    assertThat(complaint())
        .as("something doubtful is told too, so that what tells it is ready")
        .isEqualToIgnoringWhitespace(
            "drevik: doubtful: “Room” rings for 0.5 s, of which 0.5 s stand behind the end.");
    assertThat(status).isZero();
    assertThat(prints.resolve("Mix.wav")).isNotEmptyFile();
    assertThat(said.toString(StandardCharsets.UTF_8)).contains("\"nullTests\":[{");
  }

  @Test
  void helpIsNoError() {
    assertThat(Main.run("--help")).isZero();
    assertThat(Main.run("seat", "--help")).isZero();
    assertThat(Main.run("print", "-h")).isZero();
    assertThat(said.toString(StandardCharsets.UTF_8)).contains("sort", "inspect", "print", "demo");
  }

  @Test
  void aDeliveryIsSeatedWithItsPlanOnStandardOutput() throws IOException {
    Path delivery = Files.createDirectories(folder.resolve("Song/Drums"));
    Files.move(tone("k.wav"), delivery.resolve("Kick.wav"));
    Files.writeString(folder.resolve("Song/notes.wav"), "no audio in here");
    Mix template =
        Mix.empty(MixKind.TEMPLATE, "Small")
            .withChannels(
                List.of(
                    Channel.of("kick", ChannelKind.SEAT, "Kick", Layout.MONO, "drums/kick")
                        .withOutput("mix"),
                    Channel.of("piano", ChannelKind.SEAT, "Piano", Layout.MONO, "keys/piano")
                        .withOutput("mix"),
                    Channel.of("mix", ChannelKind.BUS, "Mix", Layout.STEREO, "unknown")));
    Path small = Files.writeString(folder.resolve("t.json"), Documents.writeMix(template));
    Path session = folder.resolve("out/s.json");
    Files.createDirectories(session.getParent());
    String[] command = {
      "seat",
      "--template",
      small.toString(),
      "--delivery",
      folder.resolve("Song").toString(),
      "--out",
      session.toString()
    };
    assertThat(Main.run(command)).isEqualTo(1);
    assertThat(lines()).hasSize(3);
    assertThat(lines().get(0).path("error").asString()).contains("“notes.wav” is no audio file");
    JsonNode kick = lines().get(1);
    assertThat(kick.path("file").asString()).isEqualTo("Drums/Kick.wav");
    assertThat(kick.path("act").asString()).isEqualTo("takes");
    assertThat(kick.path("destination").asString()).isEqualTo("Mix");
    assertThat(lines().get(2).toString()).isEqualTo("{\"act\":\"stowed\",\"seat\":\"Piano\"}");
    Mix seated = Documents.readForeign(Files.readString(session));
    assertThat(seated.channelsById().get("kick").clips()).hasSize(1);
    assertThat(session.resolveSibling("audio").resolve("Kick.wav")).exists();
  }
}
