package drevik.reassign;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.category.Colour;
import drevik.edit.SetChannels;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.outline.Outline;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class ColoursTest {
  private static final String AS_ITS_BUS = Colour.AS_ITS_BUS.toString();
  private final Mix band =
      Outline.create("Band", "Mix\n  Drum Bus\n    Kick Bus\n      Kick In\n  Choir\n");

  private static Mix coloured(Mix mix, String name, String colour) {
    return new SetChannels(
            List.of(named(mix, name).id()),
            Changes.of(ChannelField.ALL, ChannelField.COLOUR, colour))
        .applyTo(mix);
  }

  private static Channel named(Mix mix, String name) {
    return mix.channels().stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow();
  }

  private static String colourOf(Mix mix, String name) {
    return MapAnswers.of(mix).colourOf(named(mix, name));
  }

  @Test
  void aChannelTakesTheFirstColourOnItsWay() {
    Mix mix = coloured(coloured(band, "Kick In", AS_ITS_BUS), "Kick Bus", AS_ITS_BUS);
    assertThat(colourOf(mix, "Kick In")).as("the bus's category").isEqualTo("drums");
    mix = coloured(mix, "Drum Bus", "hue 7");
    assertThat(colourOf(mix, "Kick In")).isEqualTo("hue 7");
    assertThat(colourOf(coloured(mix, "Kick Bus", "brass"), "Kick In")).isEqualTo("brass");
    assertThat(colourOf(mix, "Choir")).as("nobody asked it").isEqualTo("vocals");
  }

  @Test
  void whatLeadsNowhereOrInCirclesHasTheColourOfItsCategory() {
    Mix mix = coloured(coloured(band, "Mix", AS_ITS_BUS), "Drum Bus", AS_ITS_BUS);
    assertThat(colourOf(mix, "Mix")).isEqualTo(Colour.NEUTRAL.toString());
    String drums = named(mix, "Drum Bus").id();
    Mix circle = mix.mapChannels(c -> c.name().equals("Mix") ? c.withOutput(drums) : c);
    assertThat(colourOf(circle, "Drum Bus")).isIn("drums", "neutral");
  }

  @Test
  void everyColourHasASignOfItsOwn() {
    List<String> signs =
        Arrays.stream(Colour.values()).map(Colour::mark).filter(mark -> !mark.isEmpty()).toList();
    assertThat(signs).hasSize(25).doesNotHaveDuplicates();
  }
}
