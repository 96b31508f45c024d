package drevik.server.mix;

import drevik.flow.FlowLayout;
import drevik.flow.FlowSketch;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.JobKind;
import drevik.mix.Mix;
import drevik.reassign.MapAnswers;
import java.util.HashMap;
import java.util.Map;

/**
 * What the shelf shows of a Mix beside its name; kept in its row, so that the shelf opens no
 * document.
 */
record ShelfSummary(
    String description, JobKind job, int seats, int buses, int outputs, FlowSketch sketch) {

  static ShelfSummary of(Mix mix) {
    MapAnswers map = MapAnswers.of(mix);
    Map<String, String> colours = new HashMap<>();
    for (Channel channel : mix.channels()) {
      colours.put(channel.id(), map.colourOf(channel));
    }
    mix.outputs().forEach(o -> colours.put(o.id(), colours.getOrDefault(o.channel(), "neutral")));
    return new ShelfSummary(
        mix.description(),
        mix.job(),
        count(mix, ChannelKind.SEAT),
        count(mix, ChannelKind.BUS),
        mix.outputs().size(),
        FlowSketch.of(FlowLayout.of(mix), id -> colours.getOrDefault(id, "neutral")));
  }

  private static int count(Mix mix, ChannelKind kind) {
    return (int) mix.channels().stream().filter(c -> c.kind() == kind && !c.stowed()).count();
  }
}
