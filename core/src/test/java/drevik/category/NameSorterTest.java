package drevik.category;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class NameSorterTest {
  @ParameterizedTest
  @CsvSource({
    "01_KIK IN.wav, drums/kick",
    "Bass Drum.wav, drums/kick",
    "OH_L, drums/overhead",
    "SnareTop_03.wav, drums/snare",
    "LdVox dbl 2, vocals/double",
    "Lead Vox.wav, vocals/lead",
    "Lead Gtr 2.wav, guitar/lead",
    "Gtr dbl.wav, guitar",
    "BGVs hi.wav, vocals/backing",
    "bass clarinet.wav, winds/clarinet",
    "Synth Bass.wav, bass/synth",
    "Kontrabass DI.wav, bass/upright",
    "Schlagzeug.wav, drums",
    "Voix lead.wav, vocals/lead",
    "guitarra.wav, guitar",
    "Marimbaa.wav, percussion/mallet",
    "Trumepts.wav, brass/trumpet",
    "12 MRMBA lo.wav, percussion/mallet",
    "Song_ROUGH mix v2.wav, reference/rough",
    "CLICK 96bpm.wav, click",
    "Drum stem.wav, print/stem",
    "VERB print.wav, print/return",
    "Footsteps.wav, foley/feet",
    "Room tone.wav, ambience/tone",
    "../../evil/Kick.wav, drums/kick"
  })
  void namesAreSorted(String name, String category) {
    assertThat(NameSorter.sort(name).category()).isEqualTo(category);
  }

  @ParameterizedTest
  @ValueSource(strings = {"Audio 23_01.wav", "", "1234", "take 5", "Track 7.wav", "äöü", "final"})
  void whatSaysNothingIsAskedNotGuessed(String name) {
    Sorting sorting = NameSorter.sort(name);
    assertThat(sorting.category()).isEqualTo(CategoryTree.UNKNOWN);
    assertThat(sorting.confidence()).isLessThan(0.5);
    assertThat(sorting.because()).isNotEmpty();
  }

  @Test
  void certaintyFallsWhenWordsDisagree() {
    double clear = NameSorter.sort("Kick.wav").confidence();
    double mixed = NameSorter.sort("Kick piano.wav").confidence();
    assertThat(mixed).isLessThan(clear);
    assertThat(NameSorter.sort("Kick.wav").because()).containsExactly("“kick” says drums/kick");
  }

  @Test
  void namesComeApartAtCaseDigitsAndMarks() {
    assertThat(NameTokens.of("01_LdVoxDBL-2 Café.wav")).containsExactly("ld", "vox", "dbl", "cafe");
  }

  @Test
  void theMapInheritsFromTheParentAndSaysWhoSaidIt() {
    CategoryMap map =
        CategoryMap.EMPTY
            .with("drums", new CategoryRule("drum bus", "drums"))
            .with("drums/kick", new CategoryRule("kick bus", null));
    assertThat(map.destinationOf("drums/kick"))
        .contains(new CategoryMap.Answer("kick bus", "drums/kick"));
    assertThat(map.colourOf("drums/kick")).contains(new CategoryMap.Answer("drums", "drums"));
    assertThat(map.destinationOf("drums/snare"))
        .contains(new CategoryMap.Answer("drum bus", "drums"));
    assertThat(map.destinationOf("keys")).isEmpty();
  }

  @Test
  void everyCategoryHasAParentAndAColour() {
    List<String> all = CategoryTree.all();
    assertThat(all).doesNotHaveDuplicates().contains("unknown", "vocals/lead");
    assertThat(all)
        .allSatisfy(
            path -> {
              CategoryTree.parentOf(path).ifPresent(parent -> assertThat(all).contains(parent));
              assertThat(ColourFamily.byId(ColourFamily.ofCategory(path).toString())).isPresent();
            });
  }
}
