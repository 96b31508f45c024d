package drevik.server.mix;

import drevik.category.CategoryMap;
import drevik.category.ColourFamily;
import drevik.check.Finding;
import drevik.check.LineCheck;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.route.FlowLayout;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A Mix as the interface shows it.
 *
 * @param undo what undo would take back, or null
 * @param redo what redo would do again, or null
 * @param facts channel id → what follows from the document for it
 * @param findings of the line check, the gravest first
 */
public record MixView(
    String id,
    int revision,
    @Nullable String undo,
    @Nullable String redo,
    Mix document,
    FlowLayout flow,
    Map<String, ChannelFacts> facts,
    List<Finding> findings) {

  /**
   * What follows for one channel.
   *
   * @param colour a colour family's id
   * @param destinationBecause why it goes where it goes; null if it goes nowhere
   */
  public record ChannelFacts(String colour, @Nullable String destinationBecause) {}

  static MixView of(String id, int revision, String undo, String redo, Mix mix) {
    Map<String, ChannelFacts> facts = new LinkedHashMap<>();
    mix.channels().forEach(channel -> facts.put(channel.id(), factsOf(channel, mix.categoryMap())));
    return new MixView(id, revision, undo, redo, mix, FlowLayout.of(mix), facts, LineCheck.of(mix));
  }

  private static ChannelFacts factsOf(Channel channel, CategoryMap map) {
    String colour =
        Optional.ofNullable(channel.colour())
            .or(() -> map.colourOf(channel.category()).map(CategoryMap.Answer::value))
            .orElse(ColourFamily.ofCategory(channel.category()).toString());
    if (channel.output() == null) {
      return new ChannelFacts(colour, null);
    }
    String because =
        map.destinationOf(channel.category())
            .filter(answer -> answer.value().equals(channel.output()))
            .map(answer -> "from the category map: " + answer.saidBy())
            .orElse("set by hand");
    return new ChannelFacts(colour, because);
  }
}
