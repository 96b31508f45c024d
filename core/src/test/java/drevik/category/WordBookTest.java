package drevik.category;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

class WordBookTest {
  @Test
  void everyPhraseOfTheListCanBeMet() throws IOException {
    try (InputStream in = WordBook.class.getResourceAsStream("sorting-words.tsv")) {
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
}
