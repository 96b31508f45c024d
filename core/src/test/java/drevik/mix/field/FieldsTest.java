package drevik.mix.field;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.RandomMix;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** The one list of fields, and changes of them. */
class FieldsTest {
  /** What a thing is known by, and the version of the format, are not said of it. */
  private static final Set<String> NO_FIELDS = Set.of("id", "version");

  @Test
  void everyComponentIsAField() {
    for (Fields<?> fields :
        List.of(
            MixField.ALL,
            ChannelField.ALL,
            SendField.ALL,
            InsertField.ALL,
            ClipField.ALL,
            ControlField.ALL,
            OutputField.ALL,
            StemSetField.ALL,
            MarkerField.ALL,
            SpecificationField.ALL,
            PinField.ALL,
            FallbackField.ALL,
            MapSendField.ALL,
            MapEntryField.ALL)) {
      Set<String> components =
          Arrays.stream(fields.type().getRecordComponents())
              .map(RecordComponent::getName)
              .collect(Collectors.toCollection(HashSet::new));
      fields.all().forEach(field -> components.remove(field.id()));
      assertThat(components).as(fields.type().getSimpleName()).isSubsetOf(NO_FIELDS);
    }
  }

  @Property(tries = 300)
  void whatLeadsFromOneMixToAnotherLeadsThere(@ForAll long seed, @ForAll long other) {
    Mix one = RandomMix.full(seed);
    Mix two = RandomMix.full(other);
    assertThat(Changes.between(MixField.ALL, one, two).applyTo(one)).isEqualTo(two);
    assertThat(Changes.between(MixField.ALL, one, RandomMix.full(seed)).isEmpty()).isTrue();
  }

  @Test
  void aListKeepsWhatSomebodyElseAddedMovedOrChanged() {
    Mix base = MixWords.mix().bus("a", null).bus("b", null).bus("c", null).build();
    Channel x = base.channels().get(0).withId("x");
    Changes<Mix> mine = changes(base, List.of(base.channels().get(2), base.channels().get(0), x));
    Mix theirs =
        base.mapChannels(channel -> channel.withMute(true))
            .withChannels(
                List.of(
                    x.withId("y"),
                    base.channels().get(0).withMute(true),
                    base.channels().get(1).withMute(true),
                    base.channels().get(2).withMute(true)));
    Mix both = mine.applyTo(theirs);
    assertThat(both.channels()).extracting(Channel::id).containsExactly("y", "c", "a", "x");
    assertThat(both.channel("a").orElseThrow().mute()).isTrue();
  }

  private static Changes<Mix> changes(Mix base, List<Channel> channels) {
    return Changes.between(MixField.ALL, base, base.withChannels(channels));
  }

  @Test
  void whatIsGoneCannotBeChangedAndAnIdIsGivenOnce() {
    Mix base = MixWords.mix().bus("a", null).bus("b", null).build();
    Changes<Mix> louder =
        Changes.ofMember(
            MixField.ALL,
            MixField.CHANNELS,
            "b",
            Changes.of(ChannelField.ALL, ChannelField.FADER, -3.0));
    Mix without = base.withChannels(base.channels().subList(0, 1));
    assertThatThrownBy(() -> louder.applyTo(without))
        .isInstanceOfSatisfying(Refused.class, e -> assertThat(e.subject()).isEqualTo("b"))
        .hasMessageContaining("removed meanwhile");
    assertThatThrownBy(
            () ->
                Changes.adding(
                        MixField.ALL, MixField.CHANNELS, base.channels().get(0), base.channels())
                    .applyTo(base))
        .hasMessageContaining("is taken");
    assertThatThrownBy(
            () ->
                Changes.of(ChannelField.ALL, ChannelField.FADER, null)
                    .applyTo(base.channels().get(0)))
        .hasMessageContaining("cannot be set");
  }

  @Test
  void figuresAreChangedOneByOne() {
    Map<String, Double> before = Map.of("ratio", 2.0, "attack", 5.0);
    Change<Map<String, Double>> change =
        InsertField.SETTINGS.between(before, Map.of("ratio", 4.0, "attack", 5.0));
    assertThat(change.applyTo(Map.of("ratio", 2.0, "attack", 9.0, "release", 50.0)))
        .isEqualTo(Map.of("ratio", 4.0, "attack", 9.0, "release", 50.0));
    assertThat(InsertField.SETTINGS.between(before, Map.of("ratio", 2.0)).applyTo(before))
        .isEqualTo(Map.of("ratio", 2.0));
  }

  @Test
  void anOrderThatNamesOneTwiceLosesNobody() {
    List<String> members = List.of("a", "b", "c");
    ListChange<String> twice =
        new ListChange<>(
            ControlField.MEMBERS, List.of(), List.of(), Map.of(), List.of("b", "b", "a"));
    assertThat(twice.applyTo(members)).containsExactly("b", "a", "c");
  }
}
