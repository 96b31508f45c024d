package drevik.category;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WordBookTest {
  private static final WordBook BOOK = new WordBook();

  @ParameterizedTest
  @ValueSource(strings = {"sorting-words.tsv", "rare-words.tsv"})
  void everyPhraseOfTheListsCanBeMet(String list) throws IOException {
    try (InputStream in = WordBook.class.getResourceAsStream(list)) {
      List<String> phrases =
          new String(in.readAllBytes(), StandardCharsets.UTF_8)
              .lines()
              .filter(line -> !line.startsWith("#") && !line.startsWith("-"))
              .flatMap(line -> List.of(line.split("\t")[2].split(",")).stream())
              .toList();
      assertThat(phrases)
          .hasSizeGreaterThan(5_000)
          .allMatch(phrase -> String.join(" ", NameTokens.of(phrase)).equals(phrase));
    }
  }

  @Test
  void everydayWordsAreNoMisspellings() {
    assertThat(List.of("Chain.wav", "Spare.wav", "Point.wav", "Corner.wav"))
        .allMatch(name -> NameSorter.sort(name).category().equals(CategoryTree.UNKNOWN));
    assertThat(NameSorter.sort("Kick corner.wav").category()).isEqualTo("drums/kick");
  }

  @Test
  void nothingIsAMisspellingOfARareWord() {
    assertThat(BOOK.exactly("gordonka")).extracting("category").containsExactly("strings/cello");
    assertThat(BOOK.nearly("gordonkq", KindOfWork.UNTOLD)).isEmpty();
    assertThat(BOOK.nearly("violoncellp", KindOfWork.UNTOLD)).isPresent();
  }

  @ParameterizedTest
  @CsvSource({
    "barockharfe, harfe, guitar/plucked",
    "dorfkapellentrompete, trompete, brass/trumpet",
    "kerkorgelpijp, , ",
    "gidsstem, , ",
    "brassstrings, , "
  })
  void aCompoundIsWhatItsLastPartSays(String token, String head, String category) {
    var read = BOOK.nearly(token, KindOfWork.UNTOLD);
    if (head == null) {
      assertThat(read).isEmpty();
    } else {
      assertThat(read.orElseThrow().word()).isEqualTo(head);
      assertThat(read.orElseThrow().entries()).extracting("category").contains(category);
      assertThat(read.orElseThrow().likeness()).isLessThan(Sorting.SURE);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "Tverrfløyte, winds/flute",
    "Chœur d’enfants, vocals/choir",
    "Wiolonczela, strings/cello",
    "Bębny, drums"
  })
  void lettersOfOtherAlphabetsAreReadAsTheyAreWrittenWithout(String name, String category) {
    assertThat(NameSorter.sort(name).category()).isEqualTo(category);
    assertThat(NameSorter.sort(name).because()).noneMatch(why -> why.contains("reads as"));
  }

  @Test
  void aWordOfOneKindOfWorkIsNoWordOfAnother() {
    assertThat(BOOK.exactly("handcuffs", KindOfWork.PICTURE)).isNotEmpty();
    assertThat(BOOK.exactly("handcuffs", KindOfWork.EVENT)).isNotEmpty();
    assertThat(BOOK.exactly("handcuffs", KindOfWork.MUSIC)).isEmpty();
    // An event fills gaps with words of scenes, but a synthesizer's pad stays one.
    assertThat(BOOK.exactly("pad", KindOfWork.EVENT)).isEqualTo(BOOK.exactly("pad"));
    assertThat(BOOK.exactly("pad", KindOfWork.PICTURE)).isNotEqualTo(BOOK.exactly("pad"));
  }
}
