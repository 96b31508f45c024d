package drevik.edit;

import static drevik.edit.Band.band;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Refused;
import drevik.mix.Slot;
import drevik.naming.NamedChannel;
import drevik.naming.NamedChannels;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class NamedChannelsTest {
  private static final Mix EMPTY = Mix.empty(MixKind.TEMPLATE, "Test");

  private static CreateChannels named(String... lines) {
    return new CreateChannels(null, null, List.of(lines), null, null, null, true);
  }

  private static Channel channel(Mix mix, String id) {
    return mix.channel(id).orElseThrow();
  }

  @Test
  void aListOfNamesBecomesARoutedMix() {
    Mix mix =
        named(
                "Kick In",
                "OH [L,R]",
                "Lead vox",
                "Plate verb",
                "Drum Bus",
                "Vocal Bus",
                "Mix",
                "Print")
            .applyTo(EMPTY);
    assertThat(mix.channels())
        .extracting(Channel::name)
        .containsExactly(
            "Kick In",
            "OH L",
            "OH R",
            "Lead vox",
            "Plate verb",
            "Drum Bus",
            "Vocal Bus",
            "Mix",
            "Print");
    assertThat(channel(mix, "kick-in").output()).isEqualTo("drum-bus");
    assertThat(channel(mix, "oh-r").output()).isEqualTo("drum-bus");
    assertThat(channel(mix, "oh-r").category()).isEqualTo("drums/overhead");
    assertThat(channel(mix, "lead-vox").output()).isEqualTo("vocal-bus");
    assertThat(channel(mix, "plate-verb").kind()).isEqualTo(ChannelKind.RETURN);
    assertThat(channel(mix, "plate-verb").output()).isEqualTo("mix");
    assertThat(channel(mix, "drum-bus").output()).isEqualTo("mix");
    assertThat(channel(mix, "mix").output()).isEqualTo("print");
    assertThat(channel(mix, "print").kind()).isEqualTo(ChannelKind.MASTER);
    assertThat(channel(mix, "drum-bus").layout()).isEqualTo(Layout.STEREO);
    assertThat(channel(mix, "kick-in").layout()).isEqualTo(Layout.MONO);
    assertThat(MapAnswers.of(mix).destinationOf(Asked.anyOf("drums/kick")).orElseThrow().text())
        .isEqualTo("drum-bus");
  }

  @Test
  void aReturnGoesWhereReturnsAreGatheredSoThatItIsInTheirStem() {
    Mix routed = named("Plate verb", "Drum Bus", "Mix", "Print").applyTo(EMPTY);
    Channel gathering = Channel.of("wet", ChannelKind.BUS, "Wet", Layout.STEREO, "unknown");
    List<Channel> channels =
        new ArrayList<>(
            routed.channels().stream()
                .map(c -> c.kind() == ChannelKind.RETURN ? c.withOutput("wet") : c)
                .toList());
    channels.add(gathering.withOutput("mix"));
    Mix gathered = routed.withChannels(channels);
    NamedChannel hall = named("Hall verb").named(gathered).get(0);
    assertThat(hall.channel().output()).isEqualTo("wet");
    assertThat(hall.because()).contains("goes to “Wet”, as other returns do");
    assertThat(named("Hall verb").named(routed).get(0).channel().output()).isEqualTo("mix");
  }

  @Test
  void aParallelTakesNoCategoryAndWhatANewBusWouldMoveIsSaid() {
    Mix mix = named("Room far", "Room near", "Drum Bus", "Mix").applyTo(EMPTY);
    Mix held = new PinSlots(List.of("room-near"), List.of(Slot.OUTPUT.id())).applyTo(mix);
    CreateChannels bus =
        new CreateChannels(ChannelKind.BUS, null, List.of("Drum smash"), null, null, null, true);
    assertThat(bus.named(held).get(0).destinationOf()).isNull();
    assertThat(channel(bus.applyTo(held), "room-far").output()).isEqualTo("drum-bus");
    NamedChannel rooms = named("Drum rooms bus").named(held).get(0);
    assertThat(rooms.destinationOf()).isEqualTo("drums/room");
    assertThat(rooms.moved()).as("one is pinned").containsExactly("Room far");
    assertThat(named("Synth Bus").named(held).get(0).moved()).isEmpty();
    CreateChannels unsaid =
        new CreateChannels(
            null, null, List.of("Drum rooms bus", "Synth Bus"), null, null, null, null);
    Mix after = unsaid.applyTo(held);
    assertThat(channel(after, "room-far").output()).isEqualTo("drum-bus");
    assertThat(after.categoryMap().hasDestination("synth")).isTrue();
    Mix wanted = named("Drum rooms bus").applyTo(held);
    assertThat(channel(wanted, "room-far").output()).isEqualTo("drum-rooms-bus");
    assertThat(channel(wanted, "room-near").output()).isEqualTo("drum-bus");
  }

  @Test
  void eachSuggestionSaysWhy() {
    NamedChannel kick = named("Kick").named(band()).get(0);
    assertThat(kick.because()).anyMatch(words -> words.contains("kick"));
    assertThat(kick.because()).anyMatch(words -> words.contains("goes to"));
    assertThat(kick.output()).isEqualTo("drums");
  }

  @Test
  void theCategoryMapIsAskedFirst() {
    Mix mapped = named("Guitar Bus").applyTo(band());
    Mix two = named("Gtr Grp").applyTo(mapped);
    assertThat(two.categoryMap()).isEqualTo(mapped.categoryMap());
    assertThat(named("Acoustic gtr").named(two).get(0).output()).isEqualTo("guitar-bus");
  }

  @Test
  void amongSeveralBusesOnlyAPersonCanChoose() {
    CreateChannels buses =
        new CreateChannels(null, null, List.of("Guitar Bus", "Gtr Grp"), null, null, null, false);
    Mix two = buses.applyTo(EMPTY);
    assertThat(two.categoryMap().entries()).isEmpty();
    assertThat(named("Acoustic gtr").named(two).get(0).output()).isNull();
  }

  @Test
  void whatIsSaidOfAllHoldsAndNowhereIsADestinationToo() {
    CreateChannels said =
        new CreateChannels(
            ChannelKind.BUS, Layout.MONO, List.of("Kick"), "fx", NamedChannels.NOWHERE, null, null);
    Channel kick = said.applyTo(band()).channels().get(band().channels().size());
    assertThat(kick.kind()).isEqualTo(ChannelKind.BUS);
    assertThat(kick.layout()).isEqualTo(Layout.MONO);
    assertThat(kick.category()).isEqualTo("fx");
    assertThat(kick.output()).isNull();
  }

  @Test
  void whatANameDoesNotSayIsAsOnTheChannelBefore() {
    CreateChannels behind =
        new CreateChannels(null, null, List.of("Take two"), null, null, "kick", null);
    NamedChannel take = behind.named(band()).get(0);
    Channel kick = channel(band(), "kick");
    assertThat(take.category()).isEqualTo(kick.category());
    assertThat(take.layout()).isEqualTo(kick.layout());
    assertThat(take.output()).isEqualTo(kick.output());
  }

  @Test
  void whatIsOfAnotherKindIsNotOfTheCategoryOfTheChannelBefore() {
    CreateChannels behind =
        new CreateChannels(
            null, null, List.of("Print", "Plate verb", "Mix"), null, null, "kick", null);
    assertThat(behind.named(band())).extracting(NamedChannel::category).containsOnly("unknown");
  }

  @ParameterizedTest
  @ValueSource(strings = {"OH [L,,R]", "Bus [9-1]", "Bus [1-5000]", " "})
  void linesThatAreNoNamesAreRefused(String line) {
    assertThatThrownBy(() -> named(line).applyTo(EMPTY)).isInstanceOf(Refused.class);
  }

  @Test
  void aThousandBusesAreNamedInGoodTime() {
    assertThat(named("Group [1-1000]").named(EMPTY)).hasSize(1000);
  }
}
