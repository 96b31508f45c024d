package drevik.check;

import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.field.Changes;
import drevik.mix.field.InsertField;
import java.util.LinkedHashMap;
import java.util.Map;

/** Mends that several rules offer. */
final class Mends {
  private Mends() {}

  /** All processors of a channel stay, and do nothing. */
  static Edit switchedOff(Channel channel) {
    Map<String, Changes<Insert>> off = new LinkedHashMap<>();
    channel.chain().stream()
        .filter(Insert::on)
        .forEach(
            insert -> off.put(insert.id(), Changes.of(InsertField.ALL, InsertField.ON, false)));
    return ChangeMix.inserts(channel.id(), off);
  }
}
