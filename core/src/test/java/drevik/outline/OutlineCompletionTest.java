package drevik.outline;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.outline.OutlineCompletion.Completion;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is offered while somebody types; “|” is where. */
class OutlineCompletionTest {
  private static Optional<Completion> at(String text) {
    int place = text.indexOf('|');
    String before = text.substring(0, place);
    int line = (int) before.chars().filter(one -> one == '\n').count() + 1;
    return OutlineCompletion.at(
        text.replace("|", ""), line, place - before.lastIndexOf('\n') - 1, new ReadNames());
  }

  private static Completion offered(String text) {
    return at(text).orElseThrow();
  }

  @Test
  void aSendGoesToWhatTakesSound() {
    Completion offered =
        offered("Mix\n  Kick >Pl|\n  Snare\n  Plate one\n  Squeeze :bus\nRough mix");
    assertThat(offered.choices()).containsExactly("Mix", "Plate one", "Squeeze");
    assertThat(offered.from()).isEqualTo(8);
    assertThat(offered("Mix\n  Kick >Plate + |\n  Plate").from()).isEqualTo(16);
  }

  @Test
  void aKeyListensToEverythingElse() {
    assertThat(offered("Mix\n  Kick ^|\n  Snare\n  R > B").choices())
        .containsExactly("Mix", "Snare", "R");
  }

  @Test
  void wordsAndCategoriesAreThoseThatThereAre() {
    assertThat(offered("Kick :|").choices()).contains("stereo", "return", "stowed");
    assertThat(offered("Kick :ste|").from()).isEqualTo(6);
    assertThat(offered("Kick #dr|").choices()).contains("drums/kick", "narration");
    assertThat(offered("&Band :|").choices()).containsExactly("dip");
  }

  @Test
  void controlsAndOutputsAreThoseOfTheText() {
    assertThat(offered("Mix\n  Kick &Low\n  Snare &|\n&Band").choices())
        .containsExactly("Low", "Band");
    assertThat(offered("Mix =A, B\n  Kick =|").choices()).isEmpty();
    assertThat(offered("Mix =A, B\n  Kick =K @|").choices())
        .contains("stem", "alone", "of \"A, B\"", "no narration", "stereo");
  }

  @Test
  void levelsOfSends() {
    Completion offered = offered("Mix\n  Kick >Plate @-1|\n  Plate");
    assertThat(offered.choices()).containsExactly("-inf", "off");
    assertThat(offered.from()).isEqualTo(15);
  }

  @Test
  void aNameIsOnesOwn() {
    assertThat(at("Ki|")).isEmpty();
    assertThat(at("Kick :stereo |")).isEmpty();
    assertThat(OutlineCompletion.at("Kick", 7, 0, new ReadNames())).isEmpty();
    assertThat(OutlineCompletion.at("Kick", 1, 40, new ReadNames())).isEmpty();
  }
}
