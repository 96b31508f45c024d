package drevik.edit;

import static drevik.edit.Band.band;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.MixField;
import drevik.mix.field.OutputField;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/**
 * Several people work on one Mix, each on a state that may be old. Whatever was acknowledged is in
 * the newest state, unless somebody else set the same field afterwards.
 */
class StaleEditsTest {
  private static final List<String> CHANNELS = List.of("kick", "snare", "voice", "drums", "plate");
  private static final List<String> COLOURS = List.of("drums", "bass", "vocals");

  /** Which thing, which field → the value that was set last. */
  private final Map<String, Object> said = new HashMap<>();

  @Property(tries = 200)
  void everyAcknowledgedChangeThatNobodySetAfterwardsIsInTheHead(@ForAll long seed) {
    said.clear();
    Random random = new Random(seed);
    Mix head = band();
    List<Mix> line = new ArrayList<>(List.of(head));
    for (int i = 0; i < 40; i++) {
      // What a person looks at may be any state that there ever was.
      Mix seen = line.get(random.nextInt(line.size()));
      head = edited(head, seen, random);
      line.add(head);
    }
    for (Map.Entry<String, Object> one : said.entrySet()) {
      assertThat(valueOf(head, one.getKey())).as(one.getKey()).isEqualTo(one.getValue());
    }
  }

  private Mix edited(Mix head, Mix seen, Random random) {
    String id = CHANNELS.get(random.nextInt(CHANNELS.size()));
    return switch (random.nextInt(6)) {
      case 0 -> channel(head, id, ChannelField.FADER, -1.0 * random.nextInt(40));
      case 1 -> channel(head, id, ChannelField.COLOUR, COLOURS.get(random.nextInt(3)));
      case 2 -> channel(head, id, ChannelField.MUTE, random.nextBoolean());
      case 3 -> channel(head, id, ChannelField.COMMENT, "comment " + random.nextInt(9));
      case 4 -> output(head, seen, random);
      default -> moved(head, id);
    };
  }

  private <V> Mix channel(Mix head, String id, Field<Channel, V> field, V value) {
    said.put("channel " + id + " " + field.id(), value);
    return SetChannels.of(List.of(id), field, value).applyTo(head);
  }

  /** A form that was opened on what was seen then, and sent with two of its fields changed. */
  private Mix output(Mix head, Mix seen, Random random) {
    Output before = seen.outputs().get(0);
    Output after =
        before
            .withName("Output " + random.nextInt(99))
            .withNamePattern("{output} " + random.nextInt(99));
    Changes<Output> changes = Changes.between(OutputField.ALL, before, after);
    changes
        .all()
        .forEach(
            (field, change) -> said.put("output " + field.id(), ((Change.To<?>) change).value()));
    return changes.isEmpty()
        ? head
        : ChangeMix.ofMember(MixField.OUTPUTS, before.id(), changes).applyTo(head);
  }

  private static Mix moved(Mix head, String id) {
    try {
      return new MoveChannels(List.of(id), "mix").applyTo(head);
    } catch (Refused e) {
      return head;
    }
  }

  private static Object valueOf(Mix head, String key) {
    String[] words = key.split(" ");
    if (words[0].equals("output")) {
      return OutputField.ALL.byId(words[1]).orElseThrow().get(head.outputs().get(0));
    }
    return ChannelField.ALL.byId(words[2]).orElseThrow().get(head.channel(words[1]).orElseThrow());
  }
}
