package drevik.outline;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** Lists from elsewhere as lines of an outline. */
class PastedListTest {
  @Test
  void anOutlineStaysAsItIs() {
    String outline = "Mix\n  Kick >Plate\n\n  2nd Vox\n  Plate";
    assertThat(PastedList.lines(outline).text()).isEqualTo(outline);
  }

  @Test
  void aListOfStageInputsLosesItsNumbers() {
    assertThat(PastedList.lines("1 Kick In\n2. Kick Out\n3) Snare\n4: 808").text())
        .isEqualTo("Kick In\nKick Out\nSnare\n808");
    assertThat(PastedList.lines("808 Kick\n909 Hat").text()).isEqualTo("808 Kick\n909 Hat");
  }

  @Test
  void aMailLosesItsQuotingAndItsBullets() {
    assertThat(PastedList.lines("> - Drums\n>   - Kick\n>   - Snare\n> - Bass").text())
        .isEqualTo("Drums\n  Kick\n  Snare\nBass");
  }

  @Test
  void aSpreadsheetGivesItsNamesAndSaysWhatIsLeftOut() {
    PastedList.Lines lines =
        PastedList.lines(
            "Ch\tName\tFormat\tMic\n1\tKick In\tMono\tB91\n2\tKeys #L\tStereo\t\n3\t\t\t");
    assertThat(lines.text()).isEqualTo("Kick In :mono\n\"Keys #L\" :stereo\n");
    assertThat(lines.leftOut()).containsExactly("column 1 (Ch)", "column 4 (Mic)");
  }

  @Test
  void aSpreadsheetWithoutATitleRowGivesItsFirstWords() {
    PastedList.Lines lines = PastedList.lines("1\tKick\tclip\n2\tSnare\t");
    assertThat(lines.text()).isEqualTo("Kick\nSnare\n");
    assertThat(lines.leftOut()).containsExactly("column 1 (1, …)", "column 3 (clip, …)");
  }

  @Test
  void columnsOfATreeAreItsIndentation() {
    assertThat(PastedList.lines("Mix\t\t\n\tDrums\t\n\t\tKick\n\t\tSnare\n\tBass").text())
        .isEqualTo("Mix\n\tDrums\n\t\tKick\n\t\tSnare\n\tBass");
  }
}
