package drevik.edit;

import static drevik.MixWords.insert;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.MixWords;
import drevik.RandomMix;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.InsertField;
import drevik.mix.field.ListChange;
import drevik.mix.field.MixField;
import drevik.mix.field.SendField;
import drevik.preview.EditPreview;
import drevik.reassign.Meant;
import drevik.shelf.KeptChain;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** An act changes what it names and nothing else, whatever the Mix and however many it acts on. */
class NothingElseChangesTest {
  /**
   * An act with many channels.
   *
   * @param channels that it may change
   * @param fields that it may change of them, beside their pins
   * @param lists of the Mix that it may change, beside its channels
   * @param adds whether channels may come
   * @param coverage whether more or less may reach a file
   */
  private record Act(
      Edit edit,
      List<String> channels,
      Set<Field<Channel, ?>> fields,
      Set<Field<Mix, ?>> lists,
      boolean adds,
      boolean coverage) {}

  /** The Mix without a category map, as what follows from that has tests of its own. */
  private static Mix mix(long seed) {
    // A hand that departs from the map, or from what was taken over, pins; here nothing stands over
    // it.
    return RandomMix.full(seed)
        .withCategoryMap(CategoryMap.EMPTY)
        .mapChannels(channel -> channel.withTaken(List.of()));
  }

  private static List<Act> acts(Mix mix, Random random) {
    List<String> any = some(mix, random, channel -> true);
    List<String> seats = some(mix, random, channel -> channel.kind() == ChannelKind.SEAT);
    List<String> buses = some(mix, random, channel -> !channel.kind().holdsClips());
    String bus = buses.get(0);
    String from = any.get(random.nextInt(any.size()));
    KeptChain kept =
        new KeptChain("Kept", "drums", "", List.of(insert("limiter", Map.of("ceiling", -2.0))));
    List<Insert> add = List.of(insert("equaliser", Map.of()), insert("limiter", Map.of()));
    List<Act> acts = new ArrayList<>();
    acts.add(of(new AddProcessors(any, add), any, Set.of(ChannelField.CHAIN), false));
    acts.add(of(new PutChain(kept, any), any, Set.of(ChannelField.CHAIN), false));
    acts.add(
        of(
            new SetSend(any, List.of(bus), Changes.of(SendField.ALL, SendField.LEVEL, -3.0)),
            any,
            Set.of(ChannelField.SENDS),
            true));
    acts.add(of(new CopySends(from, any), any, Set.of(ChannelField.SENDS), true));
    acts.add(
        of(
            new CopySettings(from, any, false, true, false, false),
            any,
            Set.of(ChannelField.CHAIN),
            false));
    acts.add(
        of(
            new CopySettings(from, any, false, false, false, true),
            any,
            Set.of(ChannelField.OUTPUT, ChannelField.GROUP, ChannelField.COLOUR),
            true));
    acts.add(of(new SendChannelsTo(seats, bus), seats, Set.of(ChannelField.OUTPUT), true));
    acts.add(of(new StowChannels(any, true), any, Set.of(ChannelField.STOWED), true));
    acts.add(of(new SetCategory(any, "bass"), any, Set.of(ChannelField.CATEGORY), false));
    acts.add(
        of(
            SetChannels.of(any, ChannelField.COLOUR, "keys"),
            any,
            Set.of(ChannelField.COLOUR),
            false));
    acts.add(
        new Act(
            new SplitBus(bus, SplitBus.By.PERSON, false, true),
            seats(mix),
            Set.of(ChannelField.OUTPUT),
            Set.of(MixField.OUTPUTS, MixField.STEM_SETS),
            true,
            false));
    acts.add(
        new Act(
            new SplitBus(bus, SplitBus.By.CATEGORY, false, false),
            seats(mix),
            Set.of(ChannelField.OUTPUT),
            Set.of(),
            true,
            false));
    acts.add(
        new Act(
            new DuplicateChannels(buses),
            List.of(),
            Set.of(),
            Set.of(MixField.CONTROLS),
            true,
            true));
    acts.add(
        of(
            new Reassign(
                Meant.picked(seats), false, null, null, null, "bass", null, null, null, null),
            seats,
            Set.of(ChannelField.COLOUR),
            false));
    mix.channels().stream()
        .filter(channel -> !channel.chain().isEmpty())
        .findFirst()
        .ifPresent(
            channel ->
                acts.add(
                    of(
                        new SetAlike(
                            channel.id(),
                            channel.chain().get(0).id(),
                            any,
                            Changes.of(InsertField.ALL, InsertField.ON, false)),
                        with(any, channel.id()),
                        Set.of(ChannelField.CHAIN),
                        false)));
    return acts;
  }

  private static Act of(
      Edit edit, List<String> channels, Set<Field<Channel, ?>> fields, boolean coverage) {
    return new Act(edit, channels, fields, Set.of(), false, coverage);
  }

  private static List<String> with(List<String> ids, String id) {
    List<String> all = new ArrayList<>(ids);
    all.add(id);
    return all;
  }

  private static List<String> seats(Mix mix) {
    return mix.channels().stream()
        .filter(channel -> channel.kind().holdsClips())
        .map(Channel::id)
        .toList();
  }

  private static List<String> some(Mix mix, Random random, Predicate<Channel> which) {
    List<String> all = mix.channels().stream().filter(which).map(Channel::id).toList();
    List<String> some = new ArrayList<>(all);
    some.removeIf(id -> random.nextInt(3) == 0);
    return some.isEmpty() ? all : some;
  }

  @Property(tries = 150)
  void onlyWhatAnActNamesIsAnother(@ForAll long seed) {
    Mix before = mix(seed);
    for (Act act : acts(before, new Random(seed))) {
      Mix after;
      try {
        after = act.edit().applyTo(before);
      } catch (Refused e) {
        assertThat(e.getMessage()).isNotBlank();
        continue;
      }
      String what = act.edit().getClass().getSimpleName() + " of seed " + seed;
      Changes.between(MixField.ALL, before, after)
          .all()
          .forEach(
              (field, change) -> {
                if (field == MixField.CHANNELS) {
                  requireChannels(act, (ListChange<?>) change, what);
                } else {
                  assertThat(act.lists()).as(what).contains(field);
                }
              });
      if (!act.coverage()) {
        assertThat(reaching(EditPreview.between(before, after), before)).as(what).isEmpty();
      }
      assertThat(Changes.between(MixField.ALL, after, before).applyTo(after))
          .as("back again: " + what)
          .isEqualTo(before);
    }
  }

  private static void requireChannels(Act act, ListChange<?> change, String what) {
    assertThat(change.removed()).as(what).isEmpty();
    assertThat(change.added().isEmpty() || act.adds()).as(what).isTrue();
    assertThat(change.order()).as(what).isEmpty();
    assertThat(act.channels()).as(what).containsAll(change.changed().keySet());
    Set<Field<?, ?>> changed = new HashSet<>();
    change.changed().values().forEach(one -> changed.addAll(one.all().keySet()));
    changed.removeAll(act.fields());
    assertThat(changed).as(what).isEmpty();
  }

  /** Cells of files that were there before, in which a seat arrives otherwise. */
  private static List<Object> reaching(EditPreview preview, Mix before) {
    Set<String> outputs = new HashSet<>();
    before.outputs().forEach(output -> outputs.add(output.id()));
    return preview.coverage(before).stream()
        .filter(line -> outputs.contains(line.output()))
        .filter(line -> !same(line.before(), line.after()))
        .map(Object.class::cast)
        .toList();
  }

  private static boolean same(Double one, Double other) {
    return Objects.equals(one, other)
        || one != null && other != null && Math.abs(one - other) < 1e-6;
  }

  @Test
  void whatIsAddedToManyChainsStandsBehindWhatEachHas() {
    Mix mix =
        MixWords.mix()
            .bus("mix", null, c -> c.withChain(List.of(insert("compressor", Map.of()))))
            .bus("plate", "mix", c -> c.withChain(List.of(insert("reverberation", Map.of()))))
            .bus("hall", "mix", c -> c.withChain(List.of(insert("reverberation", Map.of()))))
            .build();
    Mix after =
        new AddProcessors(List.of("mix", "plate", "hall"), List.of(insert("equaliser", Map.of())))
            .applyTo(mix);
    assertThat(after.channels())
        .extracting(channel -> channel.chain().stream().map(Insert::processor).toList())
        .containsExactly(
            List.of("compressor", "equaliser"),
            List.of("reverberation", "equaliser"),
            List.of("reverberation", "equaliser"));
  }

  @Test
  void aReferenceAmongOthersGetsNoSend() {
    Mix mix =
        MixWords.mix()
            .bus("mix", null)
            .bus("plate", "mix")
            .seat("voice", "mix", c -> c.withSends(List.of(send("plate"))))
            .seat("choir", "mix")
            .seat("rough", null, c -> c.withKind(ChannelKind.REFERENCE))
            .build();
    List<String> all = List.of("voice", "choir", "rough");
    Changes<Send> open = Changes.of(SendField.ALL, SendField.LEVEL, -6.0);
    for (Edit edit :
        List.of(
            new CopySends("voice", all),
            new SetSend(all, List.of("plate"), open),
            new CopySettings("voice", all, true, false, false, false))) {
      Mix after = edit.applyTo(mix);
      assertThat(after.channel("choir").orElseThrow().sends()).hasSize(1);
      assertThat(after.channel("rough").orElseThrow().sends()).as(edit.says(mix)).isEmpty();
    }
    assertThat(new CopySends("voice", all).says(mix)).endsWith("to 2 channels");
  }

  @Test
  void aChannelLikeAnotherIsLikeItInAllButItsNameAndItsAudio() {
    Mix mix =
        MixWords.mix()
            .bus("mix", null)
            .bus("plate", "mix")
            .seat(
                "Dialogue 8",
                "mix",
                c ->
                    c.withCategory("dialogue")
                        .withFaderDb(-4)
                        .withSends(List.of(send("plate")))
                        .withChain(List.of(insert("compressor", Map.of("ratio", 3.0)))))
            .build()
            .withControls(List.of(new Control("c", "Voices", -2, List.of("Dialogue 8", "mix"))));
    Mix made =
        new CreateChannels(null, null, List.of("Dialogue 9"), null, null, "Dialogue 8", null)
            .applyTo(mix);
    Mix copied = new DuplicateChannels(List.of("Dialogue 8")).applyTo(mix);
    Channel like = mix.channel("Dialogue 8").orElseThrow();
    for (Mix after : List.of(made, copied)) {
      Channel added = after.channel("dialogue-9").orElseThrow();
      assertThat(
              added
                  .withId(like.id())
                  .withName(like.name())
                  .withSends(like.sends())
                  .withChain(like.chain()))
          .isEqualTo(like);
      assertThat(added.sends().get(0).withId(like.sends().get(0).id()))
          .isEqualTo(like.sends().get(0));
      assertThat(added.chain().get(0).withId(like.chain().get(0).id()))
          .isEqualTo(like.chain().get(0));
      assertThat(after.controls().get(0).members())
          .containsExactly("Dialogue 8", "mix", "dialogue-9");
    }
    Mix another =
        new CreateChannels(null, null, List.of("Foley feet"), null, null, "Dialogue 8", null)
            .applyTo(mix);
    assertThat(another.channel("foley-feet").orElseThrow().sends()).as("of another kind").isEmpty();
  }

  private static Send send(String to) {
    return MixWords.send(to, Tap.POST_FADER, -6);
  }
}
