package drevik.category;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
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

  @ParameterizedTest
  @CsvSource({
    "bass clarinet.wav, winds/clarinet",
    "Synth Strings.wav, synth",
    "Gtr room.wav, guitar",
    "Snare verb.wav, print/return",
    "Guide vox.wav, reference/guide",
    "Rim click.wav, drums/snare",
    "808 kick.wav, drums/kick",
    "Pianoforte Dx.wav, keys/piano"
  })
  void aWordThatOnlyDescribesAnotherDoesNotDecide(String name, String category) {
    assertThat(NameSorter.sort(name).category()).isEqualTo(category);
  }

  @ParameterizedTest
  @CsvSource({
    "VO_the old piano, narration",
    "ITV_Marta_kick off, interview",
    "OTF market drums, interview/field",
    "SOT_choir rehearsal, natural",
    "SFX hammer on anvil, effects/hard",
    "PFX footsteps gravel, effects/production",
    "FOL feet wood, foley/feet",
    "FOLEY keys jingle, foley/props",
    "ADR group pub, dialogue/crowd"
  })
  void theDepartmentInFrontOutweighsWhatFollows(String name, String category) {
    assertThat(NameSorter.sort(name).category()).isEqualTo(category);
    assertThat(NameSorter.sort(name).because()).anyMatch(why -> why.contains("in front"));
  }

  @Test
  void aMisspeltWordIsReadAndAsked() {
    Sorting read = NameSorter.sort("guitrra");
    assertThat(read.category()).isEqualTo("guitar");
    assertThat(read.confidence()).isLessThan(0.7);
  }

  @ParameterizedTest
  @CsvSource({
    "kalimba delay, percussion",
    "flute chop dly, winds/flute",
    "organ stab, keys/organ",
    "Delay Print, print/return",
    "Vox Delay, print/return"
  })
  void howItWasPlayedAndWhatWasUsedOnTheWayIsNotWhatItIs(String name, String category) {
    assertThat(NameSorter.sort(name).category()).isEqualTo(category);
  }

  @Test
  void whetherAReverberationWasPrintedAloneIsAsked() {
    assertThat(NameSorter.sort("Snare verb").confidence()).isLessThan(0.7);
    assertThat(NameSorter.sort("Snare verb print").confidence()).isGreaterThan(0.9);
  }

  @ParameterizedTest
  @CsvSource({
    "Drums/Room L.wav, drums/room",
    "Kick/In.wav, drums/kick",
    "Gtrs/Lead 2.wav, guitar/lead",
    "Delivery/BGV/03.wav, vocals/backing",
    "Song\\Strings\\1.wav, strings",
    "Guitar Man/Kick.wav, drums/kick"
  })
  void foldersHelpWhereTheNameSaysLittle(String path, String category) {
    assertThat(NameSorter.sort(path).category()).isEqualTo(category);
  }

  @ParameterizedTest
  @CsvSource({
    "kickout, drums/kick",
    "stringsbrass, unknown",
    "refrain, unknown",
    "tmbrn, percussion/tambourine",
    "clarin, winds/clarinet",
    "Floete, winds/flute",
    "drumm, drums",
    "Viloin, strings/violin"
  })
  void hastySpellingsAreReadAsWhatTheyMean(String name, String category) {
    assertThat(NameSorter.sort(name).category()).isEqualTo(category);
  }

  @Test
  void aReadingThatIsNotExactSaysWhatItWasReadAs() {
    Sorting sorting = NameSorter.sort("Xylphone.wav");
    assertThat(sorting.because())
        .containsExactly("“xylphone” reads as “xylophone”: percussion/mallet");
    assertThat(sorting.confidence()).isLessThan(NameSorter.sort("Xylophone.wav").confidence());
  }

  /** The whole list, the third included that nobody looks at while tuning. */
  @Test
  void theLabelledNamesAreSortedRightAndSeldomWrongWithConfidence() throws IOException {
    List<String[]> labelled;
    try (BufferedReader lines =
        new BufferedReader(
            new InputStreamReader(
                NameSorterTest.class.getResourceAsStream("labelled-names.tsv"),
                StandardCharsets.UTF_8))) {
      labelled = lines.lines().filter(l -> !l.startsWith("#")).map(l -> l.split("\t")).toList();
    }
    int right = 0;
    int confidentlyWrong = 0;
    for (String[] line : labelled) {
      Sorting sorting = NameSorter.sort(line[1]);
      if (CategoryTree.isWithin(line[0], sorting.category())) {
        right++;
      } else if (sorting.confidence() >= 0.7) {
        confidentlyWrong++;
      }
    }
    assertThat(labelled).hasSizeGreaterThan(600);
    assertThat((double) right / labelled.size()).isGreaterThanOrEqualTo(0.96);
    assertThat((double) confidentlyWrong / labelled.size()).isLessThanOrEqualTo(0.01);
  }

  @Test
  void everyCategoryHasAParentAndAColour() {
    List<String> all = CategoryTree.all();
    assertThat(all).doesNotHaveDuplicates().contains("unknown", "vocals/lead");
    assertThat(all)
        .allSatisfy(
            path -> {
              CategoryTree.parentOf(path).ifPresent(parent -> assertThat(all).contains(parent));
              assertThat(Colour.byId(Colour.ofCategory(path).toString())).isPresent();
            });
  }

  @ParameterizedTest
  @CsvSource({
    "Bed without voice, unknown",
    "Everything but drums, unknown",
    "Todo sin bateria, unknown",
    "Gitarre ohne Bass, guitar",
    "Kick no 2, drums/kick",
    "No 5 kick, drums/kick"
  })
  void whatANameSaysThatItIsWithoutItIsNot(String name, String category) {
    assertThat(NameSorter.sort(name).category()).isEqualTo(category);
  }

  @Test
  void aMixWithoutSomethingIsAPrintAllTheSame() {
    assertThat(NameSorter.sort("Instrumental no vox").category()).startsWith("print");
    assertThat(NameSorter.sort("Bed without voice").because().get(0)).contains("“without”");
  }
}
