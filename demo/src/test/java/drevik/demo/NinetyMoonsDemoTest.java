package drevik.demo;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.check.Finding;
import drevik.check.LineCheck;
import drevik.codec.Documents;
import drevik.edit.Reassign;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspector;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.preview.EditPreview;
import drevik.reassign.Meant;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The show for a planetarium: its files, their seats, and what is to be reassigned. */
class NinetyMoonsDemoTest {
  @TempDir static Path folder;

  private static final Map<String, Inspection> FOUND = new HashMap<>();
  private static Mix show;

  @BeforeAll
  static void write() throws IOException {
    Demo.NINETY_MOONS.writeTo(folder);
    try (var files = Files.list(folder.resolve(Demo.NINETY_MOONS.folder()))) {
      for (Path file : files.toList()) {
        FOUND.put(file.getFileName().toString(), Inspector.inspect(file));
      }
    }
    show = Documents.readForeign(Files.readString(folder.resolve("session.json")));
  }

  private static List<String> files(Predicate<Inspection> what) {
    return FOUND.entrySet().stream()
        .filter(entry -> what.test(entry.getValue()))
        .map(Map.Entry::getKey)
        .toList();
  }

  @Test
  void thePlantedFaultsAreThereAndNoOthers() {
    assertThat(FOUND).hasSize(44);
    assertThat(files(Inspection::dualMono)).containsExactly("RT_dome_st.wav");
    assertThat(files(Inspection::silent)).containsExactly("FOL_cloth_scarf.wav");
    assertThat(files(found -> found.clippedSamples() > 0))
        .containsExactly("OTF_Renn_stairs_lav.wav");
    assertThat(files(found -> found.header().sampleRate() == 44_100))
        .containsExactly("VO_NM_Sc03_tk7 44k.wav");
    assertThat(files(found -> found.header().seconds() < NinetyMoons.SECONDS - 1))
        .containsExactly("MX_1m6_End title.wav");
    assertThat(files(found -> found.header().layout() == Layout.SURROUND_5_1)).hasSize(1);
  }

  private static Channel seat(Mix mix, String name) {
    return mix.channels().stream()
        .filter(channel -> channel.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new AssertionError("nobody is called " + name));
  }

  private static String destination(Mix mix, String name) {
    return mix.channel(String.valueOf(seat(mix, name).output())).orElseThrow().name();
  }

  @Test
  void allIsSeatedButTheEmptyTakeAndTheSecondCopy() {
    List<String> heard =
        show.channels().stream()
            .flatMap(channel -> channel.clips().stream())
            .map(clip -> clip.audio().name())
            .distinct()
            .toList();
    assertThat(heard).hasSize(42).doesNotContain("FOL_cloth_scarf.wav", "VO_NM_Sc02_tk2 copy.wav");
    assertThat(seat(show, "ITV Varga boom").person()).isEqualTo("Ines Varga");
    assertThat(seat(show, "ITV Lund lav").person()).isEqualTo("Tomasz Lund");
    assertThat(destination(show, "OTF Renn roof lav")).isEqualTo("Natural sound");
    assertThat(destination(show, "DX crowd foyer")).isEqualTo("Interviews");
    assertThat(show.outputs()).extracting(Output::kind).contains(OutputKind.UNDIPPED_STEM);
  }

  private static Mix reassigned(
      Mix mix, String category, @Nullable String to, @Nullable String destination) {
    Meant of = Meant.ofCategory(category);
    EditPreview preview =
        EditPreview.of(
            mix, new Reassign(of, true, to, destination, null, null, null, null, null, null));
    assertThat(preview.moves()).as("from one place to one place").hasSize(1);
    return preview.after();
  }

  @Test
  void voicesOnLocationAndChatterAreReassignedInTwoMovesAndNothingIsFoundThen() {
    assertThat(LineCheck.of(show))
        .as("voices in the music and effects")
        .extracting(Finding::rule)
        .extracting(Object::toString)
        .containsOnly("held-out");
    String interviews = seat(show, "ITV Varga lav").output();
    Mix once = reassigned(show, "interview/field", null, interviews);
    assertThat(destination(once, "OTF Renn stairs lav")).isEqualTo("Interviews");
    Mix twice = reassigned(once, "dialogue/crowd", "ambience", null);
    assertThat(destination(twice, "DX crowd foyer")).isEqualTo("Ambience");
    assertThat(destination(twice, "DX crowd school class")).as("pinned").isEqualTo("Interviews");
    assertThat(LineCheck.of(twice))
        .as("that the pinned crowd is not among the effects is told, and no fault")
        .singleElement()
        .extracting(Finding::severity)
        .isEqualTo(Finding.Severity.NOTE);
  }
}
