package drevik.edit;

import static drevik.MixWords.insert;
import static drevik.MixWords.mix;
import static drevik.edit.Band.band;
import static drevik.edit.Band.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.JobKind;
import drevik.mix.Key;
import drevik.mix.Limits;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.InsertField;
import drevik.mix.field.MixField;
import drevik.mix.field.Validity;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import drevik.route.SignalGraph;
import drevik.shelf.KeptChain;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Creating, copying, moving and removing channels, and setting their fields. */
class ChannelEditsTest {
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
                new SetSend(List.of("plate"), List.of("plate"), send(Tap.PRE_FADER, 0.0, true))
                    .applyTo(band()))
        .hasMessageContaining("plate → plate");
  }

  @Test
  void aKeptChainTakesThePlaceOfAnotherAndWhatListenedStillDoes() {
    Mix keyed =
        band()
            .mapChannels(
                c ->
                    c.id().equals("drums")
                        ? c.withChain(
                            List.of(
                                insert("compressor", Map.of("threshold", -20.0))
                                    .withKey(new Key("voice", Tap.PRE_FADER))))
                        : c);
    KeptChain kept =
        KeptChain.of(keyed.channel("drums").orElseThrow(), " Duck ", "drums", "Makes room.");
    assertThat(kept.name()).isEqualTo("Duck");
    assertThat(kept.chain()).allMatch(insert -> insert.key() == null);
    Mix after = new PutChain(kept, List.of("drums", "kick")).applyTo(keyed);
    assertThat(after.channel("kick").orElseThrow().chain().get(0).settings())
        .containsEntry("threshold", -20.0);
    assertThat(after.channel("kick").orElseThrow().chain().get(0).key()).isNull();
    assertThat(after.channel("drums").orElseThrow().chain().get(0).key())
        .isEqualTo(new Key("voice", Tap.PRE_FADER));
    assertThat(new PutChain(kept, List.of("kick")).says(keyed))
        .isEqualTo("put the chain “Duck” on “kick”");
  }

  @Test
  void aSettingGoesToLikeProcessorsOfOtherChannelsAndToNoOthers() {
    Mix loaded =
        band()
            .mapChannels(
                c ->
                    switch (c.id()) {
                      case "kick", "snare" ->
                          c.withChain(
                              List.of(
                                  insert("compressor", Map.of("ratio", 2.0)).withId(c.id() + 1),
                                  insert("limiter", Map.of()).withId(c.id() + 2),
                                  insert("compressor", Map.of("ratio", 3.0)).withId(c.id() + 3)));
                      case "voice" ->
                          c.withChain(List.of(insert("compressor", Map.of()).withId("v")));
                      default -> c;
                    });
    Edit edit =
        new SetAlike(
            "kick",
            "kick3",
            List.of("snare", "voice"),
            Changes.of(InsertField.ALL, InsertField.ON, false));
    Mix after = edit.applyTo(loaded);
    for (String id : List.of("kick", "snare")) {
      assertThat(after.channel(id).orElseThrow().chain())
          .extracting(Insert::on)
          .containsExactly(true, true, false);
      assertThat(after.channel(id).orElseThrow().chain().get(2).settings())
          .containsEntry("ratio", 3.0);
    }
    assertThat(after.channel("voice"))
        .as("it has no second one")
        .isEqualTo(loaded.channel("voice"));
    assertThat(edit.says(loaded)).isEqualTo("set the compressor of 3 channels");
    Edit gone =
        new SetAlike("kick", "none", List.of(), Changes.of(InsertField.ALL, InsertField.ON, true));
    assertThatThrownBy(() -> gone.applyTo(loaded)).hasMessageContaining("no such processor");
  }

  @Test
  void onlyAChainIsKeptUnderANameAndACategory() {
    Channel drums = band().channel("drums").orElseThrow();
    Channel loaded = drums.withChain(List.of(insert("limiter", Map.of())));
    assertThatThrownBy(() -> KeptChain.of(drums.withChain(List.of()), "x", "drums", ""))
        .hasMessageContaining("has no chain");
    assertThatThrownBy(() -> KeptChain.of(loaded, " ", "drums", ""))
        .hasMessageContaining("write one");
    assertThatThrownBy(() -> KeptChain.of(loaded, "x", "drum", "")).hasMessageContaining("drum");
    assertThatThrownBy(() -> KeptChain.of(loaded, "x".repeat(201), "drums", ""))
        .hasMessageContaining("200");
    KeptChain bass = new KeptChain("b", "bass/sub", "", loaded.chain());
    KeptChain kick = new KeptChain("k", "drums/kick", "", loaded.chain());
    KeptChain drum = new KeptChain("d", "drums", "", loaded.chain());
    assertThat(
            Stream.of(bass, drum, kick).sorted(KeptChain.fitting(ChannelKind.SEAT, "drums/kick")))
        .containsExactly(kick, drum, bass);
    KeptChain plate = new KeptChain("p", "print/return", "", loaded.chain());
    // A return of drums: what returns have, then what is kept of drums.
    assertThat(Stream.of(bass, kick, plate).sorted(KeptChain.fitting(ChannelKind.RETURN, "drums")))
        .containsExactly(plate, kick, bass);
    assertThat(KeptChain.purposeOf(ChannelKind.RETURN)).contains("print/return");
    assertThat(KeptChain.purposeOf(ChannelKind.BUS)).isEmpty();
    Channel verb =
        Channel.of("verb", ChannelKind.RETURN, "Verb", Layout.STEREO, "unknown")
            .withChain(loaded.chain());
    assertThat(KeptChain.of(verb, "Verb", "unknown", "").category()).isEqualTo("print/return");
  }

  @Test
  void nothingIsSentIntoASeatOrToNobody() {
    assertThatThrownBy(() -> new SendChannelsTo(List.of("kick"), "voice").applyTo(band()))
        .hasMessageContaining("plays files");
    assertThatThrownBy(() -> new SendChannelsTo(List.of("kick"), "gone").applyTo(band()))
        .hasMessageContaining("not in this Mix");
    assertThatThrownBy(
            () -> SetChannels.of(List.of("gone"), ChannelField.MUTE, true).applyTo(band()))
        .hasMessageContaining("gone");
    assertThatThrownBy(() -> SetChannels.of(List.of(), ChannelField.MUTE, true).applyTo(band()))
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
    assertThat(after.stemSets()).as("a set of no stems would prove nothing").isEmpty();
    assertThat(MapAnswers.of(after).destinationOf(Asked.anyOf("drums/kick"))).isEmpty();
    assertThat(SignalGraph.of(after).fault()).isEmpty();
  }

  @Test
  void valuesOutOfRangeAreRefusedWithTheRange() {
    assertThatThrownBy(
            () -> SetChannels.of(List.of("kick"), ChannelField.FADER, 60.0).applyTo(band()))
        .hasMessageContaining("−200")
        .hasMessageContaining("24");
    assertThatThrownBy(
            () -> SetChannels.of(List.of("kick"), ChannelField.PAN, Double.NaN).applyTo(band()))
        .isInstanceOf(Refused.class);
    assertThatThrownBy(() -> new RenameChannels(Map.of("kick", " \n ")).applyTo(band()))
        .hasMessageContaining("1 to 200");
    assertThatThrownBy(() -> new SetCategory(List.of("kick"), "drums/gong").applyTo(band()))
        .hasMessageContaining("drums/gong");
    assertThatThrownBy(
            () -> SetChannels.of(List.of("kick"), ChannelField.COLOUR, "mauve").applyTo(band()))
        .hasMessageContaining("percussion");
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
  void editsSayWhatTheyDo() {
    assertThat(new SendChannelsTo(List.of("kick", "snare"), "mix").says(band()))
        .isEqualTo("send 2 channels to “mix”");
    assertThat(SetChannels.of(List.of("kick"), ChannelField.FADER, -6.0).says(band()))
        .isEqualTo("set fader of “kick” to −6.0 dB");
    assertThat(SetChannels.of(List.of("kick"), ChannelField.PAN, -0.18).says(band()))
        .endsWith("18 left");
  }

  private static CreateChannels create(String name, String to) {
    return new CreateChannels(
        ChannelKind.SEAT, Layout.MONO, List.of(name), "drums", to, null, null);
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
            "snare",
            null);
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
    assertThatThrownBy(() -> drevik.naming.NameLines.expand(List.of(line)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("range");
  }

  @Test
  void aCopyHasTheRoutingAndAFreeName() {
    Mix with =
        new SetSend(List.of("kick"), List.of("plate"), send(Tap.PRE_FADER, -6.0, true))
            .applyTo(band());
    Mix after = new DuplicateChannels(List.of("kick")).applyTo(with);
    Channel copy = after.channels().get(1);
    assertThat(copy.name()).isEqualTo("kick 2");
    assertThat(copy.output()).isEqualTo("drums");
    assertThat(copy.sends().get(0).id()).isEqualTo("kick-2/plate");
    assertThat(copy.clips()).isEmpty();
    Mix again = new DuplicateChannels(List.of("kick-2")).applyTo(after);
    assertThat(again.channels().get(2).name()).isEqualTo("kick 3");
  }

  @Test
  void aCategoryThatTheNameSaidFollowsANewName() {
    Mix named =
        new CreateChannels(null, null, List.of("Kick In", "Take 1"), null, null, null, null)
            .applyTo(band());
    RenameChannels rename =
        new RenameChannels(Map.of("kick-in", "Snare top", "take-1", "Bass DI", "drums", "Shaker"));
    Mix after = rename.applyTo(named);
    assertThat(category(after, "kick-in")).isEqualTo("drums/snare");
    assertThat(category(after, "take-1")).isEqualTo("bass");
    assertThat(rename.followed(named))
        .filteredOn(one -> one.channel().equals("take-1"))
        .singleElement()
        .satisfies(one -> assertThat(one.because()).isNotEmpty());
    Mix kept =
        new RenameChannels(Map.of("kick-in", "Snare top"), List.of("kick-in")).applyTo(named);
    assertThat(category(kept, "kick-in")).isEqualTo("drums/kick");
  }

  @Test
  void aCategoryThatSomebodyChoseStaysWhateverTheName() {
    Mix chosen = new SetCategory(List.of("kick"), "fx").applyTo(band());
    Mix after = new RenameChannels(Map.of("kick", "Snare top")).applyTo(chosen);
    assertThat(category(after, "kick")).isEqualTo("fx");
    Mix nothing =
        new RenameChannels(Map.of("kick", "Xyzzy"))
            .applyTo(new SetCategory(List.of("kick"), "drums/kick").applyTo(band()));
    assertThat(category(nothing, "kick")).isEqualTo("drums/kick");
  }

  @Test
  void aNamePastedIntoTheLedgerSaysTheCategoryUnlessTheBlockDoes() {
    Mix plain = new SetCategory(List.of("kick", "snare"), "unknown").applyTo(band());
    Mix pasted =
        new PasteCells(List.of("kick"), List.of("name"), List.of(List.of("Lead vox")))
            .applyTo(plain);
    assertThat(category(pasted, "kick")).isEqualTo("vocals/lead");
    Mix both =
        new PasteCells(
                List.of("kick"), List.of("name", "category"), List.of(List.of("Lead vox", "fx")))
            .applyTo(plain);
    assertThat(category(both, "kick")).isEqualTo("fx");
  }

  private static String category(Mix mix, String channel) {
    return mix.channel(channel).orElseThrow().category();
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
  void severalEditsAreOne() {
    Together both =
        new Together(
            List.of(
                SetChannels.of(List.of("kick"), ChannelField.MUTE, true),
                SetChannels.of(List.of("nobody"), ChannelField.MUTE, true)),
            "mute two");
    assertThatThrownBy(() -> both.applyTo(band())).isInstanceOf(Refused.class);
    Together fine =
        new Together(
            List.of(
                SetChannels.of(List.of("kick"), ChannelField.MUTE, true),
                SetChannels.of(List.of("voice"), ChannelField.PERSON, " Ada "),
                SetChannels.of(List.of("kick"), ChannelField.INVERTED, true),
                SetChannels.of(List.of("kick"), ChannelField.COMMENT, "late"),
                ChangeMix.of(MixField.JOB, JobKind.POST)),
            "several");
    Mix after = fine.applyTo(band());
    assertThat(fine.says(band())).isEqualTo("several");
    assertThat(after.channel("kick").orElseThrow().invertPolarity()).isTrue();
    assertThat(after.channel("voice").orElseThrow().person()).isEqualTo("Ada");
    assertThat(after.job()).isEqualTo(JobKind.POST);
  }

  @Test
  void theCopyOfALongNameHasANameThatAChannelMayHave() {
    String longest = "x".repeat(Limits.NAME - 2) + "\uD83E\uDD41";
    Mix mix = mix().seat("kick", null, c -> c.withName(longest)).bus("plate", null).build();
    mix =
        new SetSend(List.of("kick"), List.of("plate"), send(Tap.PRE_FADER, -6.0, true))
            .applyTo(mix);
    Mix copied = new DuplicateChannels(List.of("kick")).applyTo(mix);
    Mix twice = new DuplicateChannels(List.of("kick")).applyTo(copied);
    assertThat(twice.channels())
        .extracting(Channel::name)
        .contains(longest, "x".repeat(Limits.NAME - 2) + " 2", "x".repeat(Limits.NAME - 2) + " 3");
    // Their sends have ids that a document may have.
    Validity.require(twice);
  }
}
