package drevik.flow;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.flow.FlowSketch.Block;
import drevik.flow.FlowSketch.Tie;
import drevik.mix.Mix;
import org.junit.jupiter.api.Test;

class FlowSketchTest {
  private final Mix band =
      mix()
          .seat("kick", "drums")
          .seat("hat", "drums")
          .seat("voice", "voices")
          .bus("drums", "mix")
          .bus("voices", "mix")
          .bus("mix", null)
          .output("mix")
          .build();

  private static String colour(String id) {
    return switch (id) {
      case "kick", "hat", "drums" -> "drums";
      case "voice", "voices" -> "vocals";
      default -> "neutral";
    };
  }

  @Test
  void rowsOfOneColourThatStandTogetherAreOneBlock() {
    FlowSketch sketch = FlowSketch.of(FlowLayout.of(band), FlowSketchTest::colour);
    assertThat(sketch.columns().get(0))
        .containsExactly(new Block("drums", 2), new Block("vocals", 1));
    assertThat(sketch.columns().get(1))
        .containsExactly(new Block("drums", 1), new Block("vocals", 1));
  }

  @Test
  void ribbonsBetweenTwoBlocksAreOneTie() {
    FlowSketch sketch = FlowSketch.of(FlowLayout.of(band), FlowSketchTest::colour);
    assertThat(sketch.ties())
        .contains(new Tie(0, 0, 1, 0, 2), new Tie(0, 1, 1, 1, 1), new Tie(1, 0, 2, 0, 1));
  }

  @Test
  void anEmptyMixHasColumnsWithoutBlocks() {
    Mix empty = mix().build();
    FlowSketch sketch = FlowSketch.of(FlowLayout.of(empty), FlowSketchTest::colour);
    assertThat(sketch.ties()).isEmpty();
    assertThat(sketch.columns()).allMatch(column -> column.isEmpty());
  }
}
