package drevik.category;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpellingTest {
  @ParameterizedTest
  @CsvSource({
    "guitar, guitar, 0",
    "gutar, guitar, 1",
    "guitarr, guitar, 1",
    "guiter, guitar, 1",
    "giutar, guitar, 1",
    "gutiar, guitar, 1",
    "gitarr, guitar, 2",
    "piano, guitar, 3"
  })
  void lettersPutInLeftOutChangedOrSwappedAreCounted(String a, String b, int distance) {
    assertThat(Spelling.distance(a, b, 2)).isEqualTo(distance);
    assertThat(Spelling.distance(b, a, 2)).isEqualTo(distance);
  }

  @ParameterizedTest
  @CsvSource({
    "viloin, violin, true",
    "snear, snare, true",
    "kikc, kick, true",
    "ckik, kick, false",
    "bass, sabs, false",
    "violin, viola, false"
  })
  void shuffledLettersAreTheSameLetters(String a, String b, boolean shuffled) {
    assertThat(Spelling.isShuffled(a, b, 1)).isEqualTo(shuffled);
  }
}
