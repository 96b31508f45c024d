package drevik.edit;

import static drevik.MixWords.clip;
import static drevik.MixWords.insert;
import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.category.CategoryRule;
import drevik.codec.Documents;
import drevik.deliver.Specifications;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.JobKind;
import drevik.mix.Key;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Refused;
import drevik.mix.Specification;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.mix.Validity;
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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

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
    var seating = new SeatDelivery.Seating(kick, null, List.of(clip("k.wav", 10)), List.of());
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

  private static CreateChannels create(String name, String to) {
    return new CreateChannels(ChannelKind.SEAT, Layout.MONO, List.of(name), "drums", to, null);
  }

  @Test
  void channelsAreCreatedInBulk() {
    CreateChannels create =
        new CreateChannels(
            ChannelKind.BUS,
            Layout.STEREO,
            List.of("Dialogue [08-10]", " ", "Crowd"),
            "dialogue",
            "mix",
            "snare");
    Mix after = create.applyTo(band());
    assertThat(create.says(band())).isEqualTo("create 4 channels");
    assertThat(after.channels())
        .extracting(Channel::name)
        .containsSubsequence("snare", "Dialogue 08", "Dialogue 09", "Dialogue 10", "Crowd");
    assertThat(after.channel("dialogue-09").orElseThrow().output()).isEqualTo("mix");
    Mix twice = create.applyTo(after);
    assertThat(twice.channels()).extracting(Channel::id).doesNotHaveDuplicates();
  }

  @ParameterizedTest
  @ValueSource(strings = {"Bus [9-1]", "Bus [1-5000]", "", "   "})
  void aRangeThatCannotBeIsRefused(String line) {
    assertThatThrownBy(() -> CreateChannels.expand(List.of(line)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("range");
  }

  @Test
  void aCopyHasTheRoutingAndAFreeName() {
    Mix with =
        new SetSend(List.of("kick"), List.of("plate"), Tap.PRE_FADER, -6, true).applyTo(band());
    Mix after = new DuplicateChannels(List.of("kick")).applyTo(with);
    Channel copy = after.channels().get(1);
    assertThat(copy.name()).isEqualTo("kick 2");
    assertThat(copy.output()).isEqualTo("drums");
    assertThat(copy.sends().get(0).id()).isEqualTo("kick-2>plate");
    assertThat(copy.clips()).isEmpty();
    Mix again = new DuplicateChannels(List.of("kick-2")).applyTo(after);
    assertThat(again.channels().get(2).name()).isEqualTo("kick 3");
  }

  @Test
  void sendsAreCopiedOverTheOldOnes() {
    Mix with =
        new SetSend(List.of("kick"), List.of("plate"), Tap.PRE_FADER, -6, true).applyTo(band());
    Mix after = new CopySends("kick", List.of("snare", "voice", "kick")).applyTo(with);
    assertThat(after.channel("voice").orElseThrow().sends())
        .singleElement()
        .extracting(s -> s.levelDb())
        .isEqualTo(-6.0);
    assertThatThrownBy(() -> new CopySends("mix", List.of("kick")).applyTo(band()))
        .hasMessageContaining("no sends");
  }

  @Test
  void channelsAreMovedTogether() {
    Mix after = new MoveChannels(List.of("voice", "snare"), "kick").applyTo(band());
    assertThat(after.channels()).extracting(Channel::id).startsWith("snare", "voice", "kick");
    Mix end = new MoveChannels(List.of("kick"), null).applyTo(band());
    assertThat(end.channels()).extracting(Channel::id).endsWith("kick");
    assertThatThrownBy(() -> new MoveChannels(List.of("kick"), "kick").applyTo(band()))
        .isInstanceOf(Refused.class);
  }

  @Test
  void controlsMayBeNestedButNotInThemselves() {
    Mix one = new SetControl(new Control("a", "A", -3, List.of("kick"))).applyTo(band());
    Mix two = new SetControl(new Control("b", "B", -3, List.of("a", "voice"))).applyTo(one);
    assertThat(two.controls()).hasSize(2);
    assertThatThrownBy(() -> new SetControl(new Control("a", "A", 0, List.of("b"))).applyTo(two))
        .hasMessageContaining("hold itself");
    assertThatThrownBy(() -> new SetControl(new Control("kick", "K", 0, List.of())).applyTo(two))
        .hasMessageContaining("channel's");
    Mix removed = new RemoveControls(List.of("a")).applyTo(two);
    assertThat(removed.controls().get(0).members()).containsExactly("voice");
  }

  @Test
  void outputsAndStemSetsAreKeptTogether() {
    Output mix = output("mix");
    Output drums = output("drums");
    Mix bare = band().withStemSets(List.of()).withOutputs(List.of());
    Mix with = new SetOutput(drums).applyTo(new SetOutput(mix).applyTo(bare));
    StemSet set = new StemSet("set", "Stems", mix.id(), List.of(drums.id()));
    Mix stems = new SetStemSet(set).applyTo(with);
    assertThat(new SetOutput(drums.withName("D")).applyTo(stems).outputs()).hasSize(2);
    Mix without = new RemoveOutputs(List.of(drums.id())).applyTo(stems);
    assertThat(without.stemSets().get(0).stems()).isEmpty();
    assertThat(new RemoveStemSet("set").applyTo(stems).stemSets()).isEmpty();
    assertThatThrownBy(() -> new SetOutput(output("nobody")).applyTo(band()))
        .isInstanceOf(Refused.class);
    assertThatThrownBy(
            () -> new SetStemSet(new StemSet("x", "X", mix.id(), List.of(mix.id()))).applyTo(stems))
        .hasMessageContaining("own stems");
    assertThatThrownBy(() -> new SetOutput(mix.withWithout(List.of("noise"))).applyTo(stems))
        .hasMessageContaining("no category");
  }

  private static Output output(String channel) {
    return new Output(
        "out-" + channel,
        channel,
        OutputKind.STEM,
        channel,
        Tap.POST_FADER,
        Layout.STEREO,
        SampleFormat.PCM_24,
        "{output}");
  }

  @Test
  void anotherSampleRateKeepsTheSecondsAndNeedsAMixWithoutAudio() {
    Mix mix = new SetTimes(92, 48_000, 96_000L).applyTo(band());
    mix = new SetMarkers(List.of(new Marker("m", "Verse", 72_000))).applyTo(mix);
    Mix after = new SetSampleRate(44_100).applyTo(mix);
    assertThat(after.sampleRate()).isEqualTo(44_100);
    assertThat(after.startFrame()).isEqualTo(44_100);
    assertThat(after.endFrame()).isEqualTo(88_200);
    assertThat(after.markers().get(0).startFrame()).isEqualTo(66_150);
    assertThatThrownBy(() -> new SetSampleRate(50_000).applyTo(band()))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("not at 50000 Hz");
    Mix holding =
        mix().seat("kick", null, c -> c.withClips(List.of(MixWords.clip("k.wav", 9)))).build();
    assertThatThrownBy(() -> new SetSampleRate(44_100).applyTo(holding))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("“kick” holds audio at 48,000 Hz; free the seats");
  }

  @Test
  void timesAndMarkersAreKeptInOrder() {
    Mix mix = new SetTimes(92, 100, 9_000L).applyTo(band());
    assertThat(mix.tempo()).isEqualTo(92);
    assertThat(mix.effectiveEndFrame()).isEqualTo(9_000);
    assertThatThrownBy(() -> new SetTimes(92, 100, 50L).applyTo(band()))
        .hasMessageContaining("behind the start");
    Mix marked =
        new SetMarkers(List.of(new Marker("b", "Chorus", 500), new Marker("a", "Verse", 0)))
            .applyTo(mix);
    assertThat(marked.markers()).extracting(Marker::name).containsExactly("Verse", "Chorus");
  }

  @Test
  void theCategoryMapIsEdited() {
    Mix mix = new SetCategoryRule("vocals", new CategoryRule("mix", null)).applyTo(band());
    assertThat(mix.categoryMap().destinationOf("vocals/lead").orElseThrow().value())
        .isEqualTo("mix");
    Mix without = new SetCategoryRule("vocals", null).applyTo(mix);
    assertThat(without.categoryMap().destinationOf("vocals/lead")).isEmpty();
    assertThatThrownBy(
            () -> new SetCategoryRule("vocals", new CategoryRule("kick", null)).applyTo(band()))
        .hasMessageContaining("plays files");
  }

  @Test
  void severalEditsAreOne() {
    Together both =
        new Together(
            List.of(new SetMute(List.of("kick"), true), new SetMute(List.of("nobody"), true)),
            "mute two");
    assertThatThrownBy(() -> both.applyTo(band())).isInstanceOf(Refused.class);
    Together fine =
        new Together(
            List.of(
                new SetMute(List.of("kick"), true),
                new SetPerson(List.of("voice"), " Ada "),
                new SetPolarity(List.of("kick"), true),
                new SetComment(List.of("kick"), "late"),
                new DescribeMix("Dome", JobKind.POST, "For the dome.")),
            "several");
    Mix after = fine.applyTo(band());
    assertThat(fine.says(band())).isEqualTo("several");
    assertThat(after.channel("kick").orElseThrow().invertPolarity()).isTrue();
    assertThat(after.channel("voice").orElseThrow().person()).isEqualTo("Ada");
    assertThat(after.job()).isEqualTo(JobKind.POST);
  }

  @Test
  void aTemplateKeepsOnlyWhatIsKeptOnPurpose() {
    Mix played =
        band()
            .mapChannels(
                c ->
                    c.kind() == ChannelKind.SEAT
                        ? c.withClips(List.of(MixWords.clip("a.wav", 9)))
                        : c);
    Mix kept = new KeepClips(List.of("kick"), true).applyTo(played);
    Mix template = kept.asTemplate();
    assertThat(template.channel("kick").orElseThrow().clips()).hasSize(1);
    assertThat(template.channel("voice").orElseThrow().awaitsAudio()).isTrue();
    Mix freed = new FreeSeats(List.of("kick")).applyTo(kept);
    assertThat(freed.channel("kick").orElseThrow().awaitsAudio()).isTrue();
  }

  @Test
  void outputsAnswerToASpecificationThatStandsInTheMixForAsLongAsOneOfThemDoes() {
    Mix with = band().withOutputs(List.of(output("drums"), output("mix")));
    Specification wanted = Specifications.shipped().get(0);
    SetSpecification both = new SetSpecification(List.of("out-drums", "out-mix"), wanted);
    Mix asked = both.applyTo(with);
    assertThat(both.says(with)).isEqualTo("have 2 outputs answer to “EBU R 128”");
    assertThat(asked.specifications()).containsExactly(wanted);
    assertThat(asked.outputs()).allMatch(o -> "r128".equals(o.specification()));
    Mix one = new SetSpecification(List.of("out-drums"), null).applyTo(asked);
    assertThat(one.specifications()).containsExactly(wanted);
    Mix none = new SetSpecification(List.of("out-mix"), null).applyTo(one);
    assertThat(none.specifications()).isEmpty();
    Mix silent = new RemoveOutputs(List.of("out-drums", "out-mix")).applyTo(asked);
    assertThat(silent.specifications()).isEmpty();
    assertThat(new RemoveChannels(List.of("drums")).applyTo(asked).specifications())
        .as("the mix still answers to it")
        .containsExactly(wanted);
    assertThat(none.outputs()).isEqualTo(with.outputs());
    Specification wrong = new Specification("mine", "Mine", "", -200.0, null, null, null, null);
    assertThatThrownBy(() -> new SetSpecification(List.of("out-mix"), wrong).applyTo(with))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("loudness of specification “Mine”");
    Mix dangling = with.withOutputs(List.of(with.outputs().get(0).withSpecification("gone")));
    assertThatThrownBy(() -> Validity.require(dangling))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("specification that is not in this Mix");
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
            ids.map(DuplicateChannels::new),
            Combinators.combine(ids, id).as(MoveChannels::new),
            Combinators.combine(id, ids).as(CopySends::new),
            Combinators.combine(ids, id).as(SetGroup::new),
            Combinators.combine(ids, id).as(RemoveSend::new),
            Combinators.combine(ids, Arbitraries.of(Layout.values())).as(SetLayout::new),
            Combinators.combine(ids, level)
                .as((c, db) -> new SetControl(new Control("c", "C", db, c))),
            Combinators.combine(ids, id)
                .as(
                    (c, key) ->
                        new SetChain(
                            c,
                            List.of(
                                MixWords.insert("compressor", Map.of())
                                    .withKey(new Key(key, Tap.PRE_FADER))))),
            Combinators.combine(id, Arbitraries.strings().ofMaxLength(12))
                .as((to, name) -> create(name, to)),
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
