package drevik.edit;

import drevik.category.ColourFamily;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Gives many channels the colour of a family.
 *
 * @param colour a colour family's id, or null for the category's own
 */
public record SetColour(List<String> channels, @Nullable String colour) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    if (colour != null && ColourFamily.byId(colour).isEmpty()) {
      throw new Refused(
          "There is no colour “"
              + colour
              + "”; choose one of "
              + Arrays.stream(ColourFamily.values())
                  .map(ColourFamily::toString)
                  .collect(Collectors.joining(", "))
              + ".");
    }
    return Picked.change(mix, channels, channel -> channel.withColour(colour));
  }

  @Override
  public String says(Mix before) {
    return "colour " + Picked.names(before, channels);
  }
}
