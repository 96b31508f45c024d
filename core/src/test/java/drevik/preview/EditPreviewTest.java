package drevik.preview;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.groups.Tuple.tuple;

import drevik.MixWords;
import drevik.RandomMix;
import drevik.check.LineCheck;
import drevik.codec.Documents;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.FollowMap;
import drevik.edit.LeaveOut;
import drevik.edit.PinSlots;
import drevik.edit.ProposeMap;
import drevik.edit.PutMap;
import drevik.edit.SetCategory;
import drevik.edit.SetCategoryRule;
import drevik.edit.SetChannels;
import drevik.edit.UnpinSlots;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.Control;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Pin;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Slot;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.MapEntryField;
import drevik.mix.field.MixField;
import drevik.mix.field.Slots;
import drevik.reassign.Following;
import drevik.shelf.NamedMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** What an edit would do is what it does. */
class EditPreviewTest {
  private static List<String> ids(Mix mix) {
    return mix.channels().stream().map(Channel::id).toList();
  }

  private static Mix otherMap(Mix mix, long seed) {
    List<String> buses =
        mix.channels().stream().filter(c -> !c.kind().holdsClips()).map(Channel::id).toList();
    return mix.withCategoryMap(RandomMix.map(new Random(seed), buses, mix.outputs()));
  }

  /** Channel and field of everything that is different, but for what only the map remembers. */
  private static Set<String> different(Mix before, Mix after) {
    Set<String> different = new TreeSet<>();
    Map<String, Channel> was = before.channelsById();
    for (Channel channel : after.channels()) {
      Changes.between(ChannelField.ALL, was.get(channel.id()), channel)
          .all()
          .keySet()
          .forEach(field -> different.add(channel.id() + " " + field.id()));
      different.remove(channel.id() + " fallbacks");
      if (!controls(before, channel).equals(controls(after, channel))) {
        different.add(channel.id() + " controls");
      }
    }
    return different;
  }

  private static Set<String> controls(Mix mix, Channel channel) {
    return mix.controls().stream()
        .filter(control -> control.members().contains(channel.id()))
        .map(Control::id)
        .collect(Collectors.toSet());
  }

  private static Set<String> told(EditPreview preview) {
    return preview.lines().stream()
        .map(line -> line.channel() + " " + line.field())
        .collect(Collectors.toCollection(TreeSet::new));
  }

  @Property(tries = 300)
  void thePreviewIsExactlyTheDifference(@ForAll long seed, @ForAll long other) {
    Mix mix = RandomMix.full(seed);
    Mix under = otherMap(mix, other);
    for (Edit edit :
        List.of(
            new FollowMap(ids(mix), false),
            new SetCategory(List.of(mix.channels().get(0).id()), "vocals"))) {
      EditPreview preview = EditPreview.of(under, edit);
      assertThat(preview.after()).isEqualTo(edit.applyTo(under));
      assertThat(told(preview)).isEqualTo(different(under, preview.after()));
      assertThat(preview.lines())
          .allSatisfy(line -> assertThat(line.from()).isNotEqualTo(line.to()));
    }
  }

  @Property(tries = 300)
  void aMapThatIsProposedChangesNothing(@ForAll long seed) {
    Mix mix = RandomMix.full(seed);
    Mix proposed = new ProposeMap().applyTo(mix);
    Mix followed = new FollowMap(ids(mix), false).applyTo(proposed);
    assertThat(followed).isEqualTo(proposed);
    for (Channel channel : mix.channels()) {
      assertThat(proposed.channel(channel.id()).orElseThrow().withPins(channel.pins()))
          .isEqualTo(channel);
    }
    assertThat(proposed.controls()).isEqualTo(mix.controls());
  }

  @Property(tries = 200)
  void whatIsLeftOutStaysAndTheRestChanges(@ForAll long seed, @ForAll long other) {
    Mix mix = Following.settled(RandomMix.full(seed));
    List<String> buses =
        mix.channels().stream().filter(c -> !c.kind().holdsClips()).map(Channel::id).toList();
    CategoryMap map = RandomMix.map(new Random(other), buses, mix.outputs());
    Edit edit = new ChangeMix(mapChange(mix, map));
    if (map.equals(mix.categoryMap())) {
      return;
    }
    List<FieldLine> lines =
        EditPreview.of(mix, edit).lines().stream().filter(line -> line.slot() != null).toList();
    for (FieldLine line : lines.stream().limit(3).toList()) {
      EditPreview left =
          EditPreview.of(
              mix, new LeaveOut(edit, List.of(new LeaveOut.LeftLine(line.channel(), line.slot()))));
      Set<String> rest =
          lines.stream()
              .filter(one -> one != line)
              .map(one -> one.channel() + " " + one.slot())
              .collect(Collectors.toSet());
      assertThat(
              left.lines().stream()
                  .filter(one -> one.slot() != null)
                  .map(one -> one.channel() + " " + one.slot())
                  .collect(Collectors.toSet()))
          .isEqualTo(rest);
      assertThat(left.after().channel(line.channel()).orElseThrow().pins())
          .as("a departure is pinned")
          .extracting(Pin::id)
          .contains(line.slot());
    }
  }

  private static Changes<Mix> mapChange(Mix mix, CategoryMap map) {
    return Changes.between(MixField.ALL, mix, mix.withCategoryMap(map));
  }

  private static Mix show() {
    return Following.settled(
        MixWords.mix()
            .bus("mix", null)
            .bus("interviews", "mix")
            .bus("effects", "mix")
            .bus("spare", null)
            .seat("ada", "interviews", c -> c.withCategory("interview"))
            .seat("roof", "effects", c -> c.withCategory("interview/field"))
            .seat("crowd", "interviews", c -> c.withCategory("dialogue/crowd"))
            .map("interview", "interviews")
            .map("dialogue", "interviews")
            .output("mix")
            .build());
  }

  @Test
  void aPreviewSaysWhatMovesWhatIsHeldAndWhatIsHeardOtherwise() {
    Mix mix = show();
    EditPreview preview =
        EditPreview.of(
            mix,
            new SetCategoryRule(
                List.of("interview", "dialogue/crowd"),
                Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "spare")));
    assertThat(preview.moves())
        .containsExactly(new Move("interviews", "spare", List.of("ada", "crowd")));
    assertThat(preview.lines())
        .extracting(FieldLine::channel, FieldLine::before, FieldLine::after, FieldLine::why)
        .containsExactly(
            tuple("ada", "interviews", "spare", "from the category map: interview"),
            tuple("crowd", "interviews", "spare", "from the category map: dialogue/crowd"));
    assertThat(preview.held())
        .extracting(HeldLine::channel, HeldLine::keeps, HeldLine::wanted)
        .containsExactly(tuple("roof", "effects", "spare"));
    assertThat(preview.coverage(mix))
        .extracting(CoverageLine::channel, CoverageLine::pathsBefore, CoverageLine::pathsAfter)
        .containsExactly(tuple("ada", 1L, 0L), tuple("crowd", 1L, 0L));
    assertThat(preview.findings(LineCheck.of(mix)).come()).isNotEmpty();
  }

  @Test
  void pinsAreSetAndTakenOutByHand() {
    Mix mix = show();
    Mix pinned = new PinSlots(List.of("ada"), List.of("output")).applyTo(mix);
    Edit moved =
        new SetCategoryRule(
            List.of("interview"),
            Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "effects"));
    Mix after = moved.applyTo(pinned);
    assertThat(after.channel("ada").orElseThrow().output()).isEqualTo("interviews");
    Mix free = new UnpinSlots(List.of("ada", "roof"), null).applyTo(after);
    assertThat(free.channel("ada").orElseThrow().output()).isEqualTo("effects");
    assertThat(free.channel("roof").orElseThrow().pins()).isEmpty();
    assertThatThrownBy(() -> new UnpinSlots(List.of("ada"), null).applyTo(free))
        .hasMessageContaining("Nothing of that is pinned");
    assertThatThrownBy(() -> new PinSlots(List.of("ada"), List.of("comment")).applyTo(mix))
        .hasMessageContaining("does not decide “comment”");
  }

  @Test
  void aMapIsPutUnderAnotherMixByNames() {
    Mix mix = show();
    NamedMap map = NamedMap.of(mix, "Show");
    assertThat(Documents.readMap(Documents.writeMap(map))).isEqualTo(map);
    Mix other =
        mix.mapChannels(c -> c.withId("x " + c.id()).withOutput(null))
            .withOutputs(List.of())
            .withCategoryMap(CategoryMap.EMPTY)
            .mapChannels(c -> c.withPins(List.of()));
    Mix under = new PutMap(map, false).applyTo(other);
    assertThat(under.channel("x ada").orElseThrow().output()).isEqualTo("x interviews");
    assertThat(new PutMap(map, false).applyTo(under)).isEqualTo(under);
  }

  @Test
  void aMapThatDoesNotFitIsRefusedWithEveryName() {
    NamedMap map = NamedMap.of(show(), "Show");
    Mix renamed = SetChannels.of(List.of("interviews"), ChannelField.NAME, "Talk").applyTo(show());
    assertThatThrownBy(() -> map.in(renamed))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("there is no bus “interviews”")
        .hasMessageContaining("Talk");
    Mix doubled =
        SetChannels.of(List.of("effects"), ChannelField.NAME, "interviews").applyTo(show());
    assertThatThrownBy(() -> map.in(doubled)).hasMessageContaining("two buses “interviews”");
    for (String bad :
        List.of(
            "",
            "[]",
            "{\"version\": 2, \"entries\": []}",
            "{\"version\": 1}",
            "{\"version\": 1, \"entries\": [{\"category\": \"drums\"}]}",
            "{\"version\": 1, \"entries\": [{\"id\": \"a\", \"category\": \"zithers\"}]}",
            "{\"version\": 1, \"entries\": [{\"id\": \"a\", \"category\": \"drums\", \"trimDb\": 999}]}",
            "{\"version\": 1, \"entries\": [{\"id\": \"a\", \"category\": \"drums\", \"sends\": [{\"destinations\": []}]}]}",
            "{\"version\": 1, \"entries\": [" + "[".repeat(300) + "]}")) {
      assertThatThrownBy(() -> Documents.readMap(bad)).as(bad).isInstanceOf(Refused.class);
    }
  }

  @Test
  void channelsArePutInTheMapsOrder() {
    Mix mix =
        MixWords.mix()
            .bus("drums", null)
            .seat("room", "drums", c -> c.withCategory("drums/room"))
            .seat("lead", null, c -> c.withCategory("vocals/lead"))
            .seat("snare", "drums", c -> c.withCategory("drums/snare"))
            .seat("kick", "drums", c -> c.withCategory("drums/kick"))
            .build();
    CategoryMap map =
        new CategoryMap(
            List.of(
                MapEntry.of("drums/kick").withOrder(1),
                MapEntry.of("drums/snare").withOrder(2),
                MapEntry.of("drums/room").withOrder(9)));
    EditPreview preview = EditPreview.of(mix.withCategoryMap(map), new FollowMap(ids(mix), true));
    assertThat(ids(preview.after())).containsExactly("drums", "kick", "lead", "snare", "room");
    assertThat(preview.lines())
        .extracting(FieldLine::channel, FieldLine::from, FieldLine::to)
        .containsExactly(tuple("kick", 5, 2), tuple("room", 2, 5));
  }

  @Test
  void aMapIsProposedOfWhatMostDo() {
    Mix mix =
        MixWords.mix()
            .bus("mix", null)
            .bus("drums", "mix")
            .bus("hard", "mix")
            .seat("kick", "drums", c -> c.withCategory("drums/kick"))
            .seat("snare", "drums", c -> c.withCategory("drums/snare"))
            .seat("hat", "mix", c -> c.withCategory("drums/hat"))
            .seat("tom 1", "drums", c -> tom(c))
            .seat("tom 2", "drums", c -> tom(c))
            .build();
    CategoryMap map = new ProposeMap().applyTo(mix).categoryMap();
    assertThat(map.ofCategory("drums").orElseThrow().destination()).isEqualTo("drums");
    assertThat(map.ofCategory("drums/hat").orElseThrow().destination()).isEqualTo("mix");
    assertThat(map.ofCategory("drums/tom").orElseThrow().sends())
        .containsExactly(MapSend.of(List.of("hard"), Tap.PRE_FADER, -6));
    assertThat(map.ofCategory("drums/kick")).isEmpty();
  }

  private static Channel tom(Channel channel) {
    return channel
        .withCategory("drums/tom")
        .withSends(List.of(Send.of(channel.id() + "/hard", List.of("hard"), Tap.PRE_FADER, -6)));
  }

  @Test
  void slotsHaveNamesInDocuments() {
    for (Slot slot :
        List.of(Slot.OUTPUT, Slot.of("trimDb"), Slot.send(List.of("a", "b")), Slot.control("c"))) {
      assertThat(Slots.byId(slot.id())).contains(slot);
    }
    assertThat(Slots.byId("sends")).isEmpty();
    assertThat(Slots.byId("output:x")).isEmpty();
    assertThat(Slots.byId("name")).isEmpty();
  }
}
