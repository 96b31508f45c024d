package drevik.ledger;

import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.Send;
import drevik.mix.field.ListField;
import java.util.Locale;

/** What members of a list are called: “the seat Kick”, “the send to Plate”. */
public final class Members<E> {
  private final ListField<?, E> list;

  public Members(ListField<?, E> list) {
    this.list = list;
  }

  /** One that is added or removed. */
  public String of(E item, Names names) {
    if (item instanceof Channel channel) {
      return "the " + channel.kind() + " " + channel.name();
    }
    if (item instanceof String) {
      return list.label().toLowerCase(Locale.ROOT) + " " + FieldText.item(list, item, names);
    }
    return "the " + whose(item, names);
  }

  /** One of which something is told. */
  public String whose(E item, Names names) {
    if (item instanceof Channel channel) {
      return channel.name();
    }
    if (item instanceof Send send) {
      return "send to " + FieldText.to(send, names);
    }
    if (item instanceof Insert insert) {
      return insert.processor();
    }
    if (item instanceof Clip clip) {
      return "clip of " + clip.audio().name();
    }
    return list.label() + " " + FieldText.item(list, item, names);
  }

  /** All of them. */
  public String all() {
    String label = list.label().toLowerCase(Locale.ROOT);
    return list.items().isEmpty() || label.endsWith("s") || list.id().equals("chain")
        ? label
        : label + "s";
  }
}
