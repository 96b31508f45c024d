package drevik.edit;

import static drevik.MixWords.clip;
import static drevik.MixWords.insert;
import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.Layout;
import drevik.codec.Documents;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Key;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Refused;
import drevik.mix.Tap;
import drevik.route.SignalGraph;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

class EditsTest {
  private static Mix band() {
    return mix()
        .seat("kick", "drums")
        .seat("snare", "drums")
        .seat("voice", "mix", c -> c.withSends(List.of(send("plate", Tap.POST_FADER, -10))))
        .bus("drums", "mix")
        .bus("plate", "mix")
        .bus("mix", null)
        .output("mix")
        .output("drums")
        .stems("mix", "drums")
        .map("drums", "drums")
        .build();
  }

  @Test
  void manyChannelsArePointedElsewhereInOneMove() {
    Mix after = new SendChannelsTo(List.of("kick", "snare"), "mix").applyTo(band());
    assertThat(after.channel("kick").orElseThrow().output()).isEqualTo("mix");
    assertThat(after.channel("snare").orElseThrow().output()).isEqualTo("mix");
    assertThat(after.channel("voice")).isEqualTo(band().channel("voice"));
  }

  @Test
  void aLoopIsRefusedAndSpelledOut() {
    assertThatThrownBy(() -> new SendChannelsTo(List.of("mix"), "drums").applyTo(band()))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("drums → mix → drums");
    assertThatThrownBy(
            () ->
                new SetSend(List.of("plate"), List.of("plate"), Tap.PRE_FADER, 0, true)
                    .applyTo(band()))
        .hasMessageContaining("plate → plate");
  }

  @Test
  void nothingIsSentIntoASeatOrToNobody() {
    assertThatThrownBy(() -> new SendChannelsTo(List.of("kick"), "voice").applyTo(band()))
        .hasMessageContaining("plays files");
    assertThatThrownBy(() -> new SendChannelsTo(List.of("kick"), "gone").applyTo(band()))
        .hasMessageContaining("not in this Mix");
    assertThatThrownBy(() -> new SetMute(List.of("gone"), true).applyTo(band()))
        .hasMessageContaining("gone");
    assertThatThrownBy(() -> new SetMute(List.of(), true).applyTo(band()))
        .hasMessageContaining("pick at least one");
  }

  @Test
  void removingTakesAllThatPointsThereAlong() {
    Mix keyed =
        band()
            .mapChannels(
                c ->
                    c.id().equals("voice")
                        ? c.withChain(
                            List.of(
                                insert("compressor", Map.of())
                                    .withKey(new Key("drums", Tap.POST_FADER))))
                        : c);
    Mix after = new RemoveChannels(List.of("drums", "plate")).applyTo(keyed);
    assertThat(after.channel("kick").orElseThrow().output()).isNull();
    assertThat(after.channel("voice").orElseThrow().sends()).isEmpty();
    assertThat(after.channel("voice").orElseThrow().chain().get(0).key()).isNull();
    assertThat(after.outputs()).extracting("channel").containsExactly("mix");
    assertThat(after.stemSets().get(0).stems()).isEmpty();
    assertThat(after.categoryMap().destinationOf("drums/kick")).isEmpty();
    assertThat(SignalGraph.of(after).fault()).isEmpty();
  }

  @Test
  void valuesOutOfRangeAreRefusedWithTheRange() {
    assertThatThrownBy(
            () -> new SetLevel(List.of("kick"), SetLevel.Field.FADER, 60).applyTo(band()))
        .hasMessageContaining("-144")
        .hasMessageContaining("24");
    assertThatThrownBy(
            () -> new SetLevel(List.of("kick"), SetLevel.Field.PAN, Double.NaN).applyTo(band()))
        .isInstanceOf(Refused.class);
    assertThatThrownBy(() -> new RenameChannels(Map.of("kick", " \n ")).applyTo(band()))
        .hasMessageContaining("1 to 200");
    assertThatThrownBy(() -> new SetCategory(List.of("kick"), "drums/gong").applyTo(band()))
        .hasMessageContaining("drums/gong");
    assertThatThrownBy(() -> new SetColour(List.of("kick"), "mauve").applyTo(band()))
        .hasMessageContaining("percussion");
  }

  @Test
  void aSendIsChangedNotDoubled() {
    Mix after =
        new SetSend(List.of("voice", "kick"), List.of("plate"), Tap.PRE_FADER, -3, false)
            .applyTo(band());
    assertThat(after.channel("voice").orElseThrow().sends())
        .singleElement()
        .matches(s -> s.levelDb() == -3 && !s.on() && s.tap() == Tap.PRE_FADER);
    assertThat(after.channel("kick").orElseThrow().sends()).hasSize(1);
    Mix without = new RemoveSend(List.of("voice", "kick"), "plate").applyTo(after);
    assertThat(without.channels()).allMatch(c -> c.sends().isEmpty());
  }

  @Test
  void addedChannelsStandBehindTheOneNamedAndNeedNewIds() {
    Channel tom = Channel.of("tom", ChannelKind.SEAT, " Tom ", Layout.MONO, "drums/tom");
    Mix after = new AddChannels(List.of(tom.withOutput("drums")), "kick").applyTo(band());
    assertThat(after.channels()).extracting(Channel::id).startsWith("kick", "tom", "snare");
    assertThat(after.channel("tom").orElseThrow().name()).isEqualTo("Tom");
    assertThatThrownBy(() -> new AddChannels(List.of(tom), null).applyTo(after))
        .hasMessageContaining("taken");
  }

  @Test
  void aTemplateTakesNoAudioAndATakenSeatNoSecondFile() {
    Channel kick = band().channel("kick").orElseThrow();
    var seating = new SeatDelivery.Seating(kick, null, clip("k.wav", 10));
    SeatDelivery edit = new SeatDelivery("d", List.of(seating), List.of("snare"));
    assertThatThrownBy(() -> edit.applyTo(band().withKind(MixKind.TEMPLATE)))
        .hasMessageContaining("holds no audio");
    Mix seated = edit.applyTo(band());
    assertThat(seated.channel("snare").orElseThrow().stowed()).isTrue();
    assertThatThrownBy(() -> edit.applyTo(seated)).hasMessageContaining("holds audio already");
  }

  @Test
  void editsSayWhatTheyDo() {
    assertThat(new SendChannelsTo(List.of("kick", "snare"), "mix").says(band()))
        .isEqualTo("send 2 channels to “mix”");
    assertThat(new SetLevel(List.of("kick"), SetLevel.Field.FADER, -6).says(band()))
        .isEqualTo("set fader of “kick” to −6.0 dB");
    assertThat(new SetLevel(List.of("kick"), SetLevel.Field.PAN, -0.18).says(band()))
        .endsWith("18 left");
  }

  @Provide
  Arbitrary<List<Edit>> edits() {
    Arbitrary<String> id =
        Arbitraries.of("kick", "snare", "voice", "drums", "plate", "mix", "nobody");
    Arbitrary<List<String>> ids = id.list().ofMinSize(0).ofMaxSize(3).uniqueElements();
    Arbitrary<Tap> tap = Arbitraries.of(Tap.values());
    Arbitrary<Double> level = Arbitraries.doubles().between(-200, 40);
    return Arbitraries.oneOf(
            Combinators.combine(ids, id).as(SendChannelsTo::new),
            Combinators.combine(ids, id, tap, level)
                .as((c, to, t, db) -> new SetSend(c, List.of(to), t, db, true)),
            ids.map(RemoveChannels::new),
            Combinators.combine(ids, level)
                .as((c, db) -> new SetLevel(c, SetLevel.Field.FADER, db)),
            ids.map(c -> new StowChannels(c, true)))
        .map(edit -> (Edit) edit)
        .list()
        .ofMaxSize(12);
  }

  @Property(tries = 300)
  void anyEditsKeepTheRoutingSoundAndTheDocumentReadable(@ForAll("edits") List<Edit> edits) {
    List<Mix> line = new ArrayList<>(List.of(band()));
    for (Edit edit : edits) {
      Mix now = line.get(line.size() - 1);
      try {
        line.add(edit.applyTo(now));
      } catch (Refused e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
    for (Mix state : line) {
      assertThat(SignalGraph.of(state).fault()).isEmpty();
      assertThat(Documents.readMix(Documents.writeMix(state))).isEqualTo(state);
    }
  }
}
