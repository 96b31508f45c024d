package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.ControlField;
import drevik.mix.field.Field;
import drevik.mix.field.InsertField;
import drevik.mix.field.ListChange;
import drevik.mix.field.ListField;
import drevik.mix.field.MixField;
import drevik.mix.field.OutputField;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Changes whatever fields of the Mix, and of things in it, are named: tempo and times, outputs,
 * controls, stem sets, sections, the processors of a chain. All that is not named stays as it is,
 * so that two people may work on two fields of one thing.
 */
public record ChangeMix(Changes<Mix> set) implements Edit {
  /** What more hangs on than a field; it has edits of its own. */
  private static final Map<Field<Mix, ?>, String> ELSEWHERE =
      Map.of(
          MixField.SAMPLE_RATE, "set the sample rate by an edit of its own",
          MixField.KIND, "make a template or start a session instead",
          MixField.ORIGIN, "it is known from where the session was started");

  /** One field of an output. */
  public static <V> ChangeMix output(String id, Field<Output, V> field, V value) {
    return ofMember(MixField.OUTPUTS, id, Changes.of(OutputField.ALL, field, value));
  }

  /** One field of a processor in a channel's chain. */
  public static <V> ChangeMix insert(
      String channel, String id, Field<Insert, V> field, @Nullable V value) {
    return insert(channel, id, Changes.of(InsertField.ALL, field, value));
  }

  public static ChangeMix insert(String channel, String id, Changes<Insert> changes) {
    return channel(channel, Changes.ofMember(ChannelField.ALL, ChannelField.CHAIN, id, changes));
  }

  /** Several processors of a channel, each with what becomes of it. */
  public static ChangeMix inserts(String channel, Map<String, Changes<Insert>> changes) {
    return channel(channel, Changes.ofMembers(ChannelField.ALL, ChannelField.CHAIN, changes));
  }

  /** Fields of one channel. */
  public static ChangeMix channel(String id, Changes<Channel> changes) {
    return ofMember(MixField.CHANNELS, id, changes);
  }

  /** Members of a control go; the others stay. */
  public static ChangeMix withoutMembers(String control, List<String> members) {
    return ofMember(
        MixField.CONTROLS,
        control,
        Changes.<Control, String>removing(ControlField.ALL, ControlField.MEMBERS, members));
  }

  /** Fields of one member of a list. */
  public static <E> ChangeMix ofMember(ListField<Mix, E> list, String id, Changes<E> changes) {
    return new ChangeMix(Changes.ofMember(MixField.ALL, list, id, changes));
  }

  /** Something new at the end of a list. */
  public static <E> ChangeMix adding(Mix mix, ListField<Mix, E> list, E item) {
    return new ChangeMix(Changes.adding(MixField.ALL, list, item, list.get(mix)));
  }

  public static <E> ChangeMix removing(ListField<Mix, E> list, String id) {
    return new ChangeMix(Changes.removing(MixField.ALL, list, List.of(id)));
  }

  /** One field of the Mix itself. */
  public static <V> ChangeMix of(Field<Mix, V> field, V value) {
    return new ChangeMix(Changes.of(MixField.ALL, field, value));
  }

  /** Tempo, start and end. */
  public static ChangeMix times(double tempo, long startFrame, @Nullable Long endFrame) {
    return new ChangeMix(
        Changes.of(MixField.ALL, MixField.TEMPO, tempo)
            .and(MixField.START, new Change.To<>(startFrame))
            .and(MixField.END, new Change.To<>(endFrame)));
  }

  @Override
  public Mix changed(Mix mix) {
    if (set.isEmpty()) {
      throw new Refused("Nothing is to be changed; say what.");
    }
    ELSEWHERE.forEach(
        (field, how) -> {
          if (set.of(field).isPresent()) {
            throw new Refused(
                "The " + field.label().toLowerCase(Locale.ROOT) + " is not set here: " + how + ".");
          }
        });
    Mix changed = set.applyTo(mix);
    if (changed.name() != null) {
      changed = changed.withName(ChannelsById.cleanName(changed.name()));
    }
    changed =
        changed.withMarkers(
            changed.markers().stream()
                .sorted(Comparator.comparingLong(Marker::startFrame))
                .toList());
    return Soundness.require(mix, SetSpecification.withoutUnused(changed));
  }

  @Override
  public String says(Mix before) {
    List<String> words = new ArrayList<>();
    List<String> own = new ArrayList<>();
    set.all()
        .forEach(
            (field, change) -> {
              if (change instanceof ListChange<?> list) {
                lists(before, field, list, words);
              } else {
                own.add(field.label().toLowerCase(Locale.ROOT));
              }
            });
    if (!own.isEmpty()) {
      words.add(0, "set " + String.join(", ", own));
    }
    if (set.of(MixField.NAME).isPresent() && words.size() == 1) {
      return set.of(MixField.NAME)
          .map(change -> change.applyTo(null))
          .filter(name -> !name.strip().equals(before.name()))
          .map(name -> "name the Mix “" + name.strip() + "”")
          .orElse("describe the Mix");
    }
    return words.size() <= 2
        ? String.join(", and ", words)
        : words.get(0) + ", " + words.get(1) + ", and " + (words.size() - 2) + " more";
  }

  /** What happens to members of a list: “add the output “Print””, “change 3 sections”. */
  @SuppressWarnings("unchecked") // the change stands behind the field that it is of
  private static <E> void lists(
      Mix before, Field<Mix, ?> field, ListChange<E> change, List<String> words) {
    ListField<Mix, E> list = (ListField<Mix, E>) field;
    Map<String, E> now = list.byId(list.get(before));
    List<String> added = change.added().stream().map(one -> name(list, one.item())).toList();
    say("add", list, added, words);
    say("change", list, names(list, now, change.changed().keySet()), words);
    say("remove", list, names(list, now, change.removed()), words);
    if (!change.order().isEmpty()) {
      words.add("put " + list.label() + "s in order");
    }
  }

  private static <E> List<String> names(
      ListField<Mix, E> list, Map<String, E> now, Iterable<String> ids) {
    List<String> names = new ArrayList<>();
    ids.forEach(id -> names.add(now.containsKey(id) ? name(list, now.get(id)) : id));
    return names;
  }

  private static <E> String name(ListField<Mix, E> list, E item) {
    return list.items()
        .flatMap(fields -> fields.byId("name"))
        .map(field -> String.valueOf(field.get(item)))
        .orElse(list.idOf(item));
  }

  private static void say(
      String verb, ListField<Mix, ?> list, List<String> names, List<String> words) {
    if (!names.isEmpty()) {
      words.add(
          names.size() == 1
              ? verb + " the " + list.label() + " “" + names.get(0) + "”"
              : verb + " " + names.size() + " " + list.label() + "s");
    }
  }
}
