package drevik.check;

import static drevik.MixWords.clip;
import static drevik.MixWords.insert;
import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.MixWords;
import drevik.audio.Layout;
import drevik.flow.FlowLayout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.route.Coverage;
import drevik.route.SignalGraph;
import drevik.route.Tails;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Each rule: a sound Mix broken in one way, the finding, and the mend that takes it away. */
class LineCheckTest {
  private static final Control DIP = new Control("dip", "Dip", 0, List.of("drums"), true);

  /** Two buses, a parallel, a return, a mix and a master; stems that add up. */
  private static MixWords words() {
    Key kick = new Key("kick", Tap.PRE_FADER);
    return mix()
        .seat(
            "kick",
            "drums",
            c -> c.withCategory("drums/kick").withSends(List.of(send("squeeze", Tap.PRE_FADER, 0))))
        .seat(
            "voice",
            "voices",
            c ->
                c.withCategory("vocals/lead").withSends(List.of(send("plate", Tap.POST_FADER, -9))))
        .bus("drums", "mix")
        .bus("squeeze", "drums", c -> c.withChain(List.of(insert("compressor", Map.of()))))
        .bus(
            "voices",
            "mix",
            c -> c.withChain(List.of(insert("compressor", Map.of()).withKey(kick))))
        .channel(
            ChannelKind.RETURN,
            "plate",
            Layout.STEREO,
            "voices",
            c -> c.withChain(List.of(insert("reverberation", Map.of()))))
        .bus("mix", "master")
        .channel(
            ChannelKind.MASTER,
            "master",
            Layout.STEREO,
            null,
            c -> c.withChain(List.of(insert("limiter", Map.of()))))
        .channel(ChannelKind.REFERENCE, "rough", Layout.STEREO, "listen", c -> c)
        .bus("listen", null)
        .output("mix")
        .output("drums")
        .output("voices")
        .output("listen")
        .output("master")
        .stems("mix", "drums", "voices")
        .map("drums", "drums")
        .map("vocals", "voices");
  }

  private static Mix band() {
    return words().build();
  }

  private static Mix change(Mix mix, String id, UnaryOperator<Channel> change) {
    return mix.mapChannels(c -> c.id().equals(id) ? change.apply(c) : c);
  }

  private static Mix broken(String id, UnaryOperator<Channel> change) {
    return change(band(), id, change);
  }

  private static Mix changeOutput(Mix mix, String id, UnaryOperator<Output> change) {
    return mix.withOutputs(
        mix.outputs().stream().map(o -> o.id().equals(id) ? change.apply(o) : o).toList());
  }

  private static List<Finding> ofRule(Mix mix, Rule rule) {
    return LineCheck.of(mix).stream().filter(finding -> finding.rule() == rule).toList();
  }

  @Test
  void aSoundMixHasNoFindings() {
    assertThat(LineCheck.of(band())).isEmpty();
  }

  @Test
  void aDipBehindTheTapOfAnUndippedOutputIsNoFault() {
    Mix undipped =
        changeOutput(
            band().withControls(List.of(DIP.withMembers(List.of("mix")))),
            "out drums",
            o -> o.withKind(OutputKind.UNDIPPED_STEM));
    assertThat(ofRule(undipped, Rule.DIP_ON_UNDIPPED)).isEmpty();
    assertThat(ofRule(undipped, Rule.DIP_ON_TRACKS)).isEmpty();
  }

  @Test
  void aParallelMayAddGainAndSoMayAControlThatTakesItAwayAgain() {
    assertThat(ofRule(broken("squeeze", c -> c.withFaderDb(4)), Rule.BUS_GAIN)).isEmpty();
    Mix level = broken("voices", c -> c.withFaderDb(3));
    Mix held = level.withControls(List.of(new Control("down", "Down", -3, List.of("voices"))));
    assertThat(ofRule(held, Rule.BUS_GAIN)).isEmpty();
  }

  /** Two songs of 900 frames, the second beginning so late. */
  private static Mix songsAt(long start) {
    return change(
        broken("kick", c -> c.withCategory("print").withClips(List.of(clip("a.wav", 900)))),
        "voice",
        c ->
            c.withCategory("print")
                .withClips(List.of(clip("b.wav", 900).withStartFrame(start).withId("b"))));
  }

  @Test
  void finishedMixesOfOneFileSoundOneAfterTheOther() {
    Mix songs = songsAt(899);
    List<Finding> found = ofRule(songs, Rule.MIXES_TOGETHER);
    assertThat(found).hasSize(1);
    assertThat(found.get(0).where()).startsWith("kick", "voice");
    assertThat(ofRule(songsAt(900), Rule.MIXES_TOGETHER)).isEmpty();
    Mix stem = change(songs, "voice", c -> c.withCategory("print/stem"));
    assertThat(ofRule(stem, Rule.MIXES_TOGETHER)).isEmpty();
    Mix muted = change(songs, "voice", c -> c.withMute(true));
    assertThat(ofRule(muted, Rule.MIXES_TOGETHER)).isEmpty();
  }

  @Test
  void anLfeIsFilteredThereOrFurtherOnByWhatIsSwitchedOn() {
    Mix sent =
        change(
            change(
                broken("kick", c -> c.withLfeDb(-6.0)),
                "drums",
                c -> c.withLayout(Layout.SURROUND_5_1)),
            "mix",
            c -> c.withLayout(Layout.SURROUND_5_1));
    Insert filter = insert("lfe-low-pass", Map.of());
    for (String bus : List.of("drums", "mix")) {
      assertThat(
              ofRule(change(sent, bus, c -> c.withChain(List.of(filter))), Rule.LFE_NOT_FILTERED))
          .as(bus)
          .isEmpty();
    }
    Mix off = change(sent, "mix", c -> c.withChain(List.of(filter.withOn(false))));
    List<Finding> found = ofRule(off, Rule.LFE_NOT_FILTERED);
    assertThat(found).hasSize(1);
    assertThat(found.get(0).where()).containsExactly("kick", "drums");
    Mix mended = found.get(0).mends().get(0).edit().changed(off);
    assertThat(ofRule(mended, Rule.LFE_NOT_FILTERED)).isEmpty();
  }

  static Stream<Arguments> faults() {
    Clip outside = new Clip("late", clip("x.wav", 9).audio(), 90_000, 0, 9_000, 0);
    return Stream.of(
        Arguments.of(
            Rule.GOES_NOWHERE, broken("voice", c -> c.withOutput(null).withSends(List.of()))),
        Arguments.of(Rule.NOTHING_ARRIVES, words().bus("idle", "mix").build()),
        Arguments.of(
            Rule.REACHED_TWICE,
            broken("kick", c -> c.withSends(List.of(send("mix", Tap.POST_FADER, 0))))),
        Arguments.of(Rule.IN_NO_STEM, broken("kick", c -> c.withOutput("mix"))),
        Arguments.of(
            Rule.IN_TWO_STEMS,
            broken("kick", c -> c.withSends(List.of(send("voices", Tap.POST_FADER, 0))))),
        Arguments.of(
            Rule.STEMS_DIFFER,
            changeOutput(
                broken("drums", c -> c.withFaderDb(-3)),
                "out drums",
                o -> o.withTap(Tap.PRE_FADER))),
        Arguments.of(
            Rule.STEMS_DIFFER,
            broken(
                "mix", c -> c.withChain(List.of(insert("compressor", Map.of()).withId("more"))))),
        Arguments.of(
            Rule.STEMS_DIFFER,
            changeOutput(band(), "out drums", o -> o.withLayout(Layout.SURROUND_5_1))),
        Arguments.of(
            Rule.DIP_ON_UNDIPPED,
            changeOutput(
                band().withControls(List.of(DIP)),
                "out drums",
                o -> o.withKind(OutputKind.UNDIPPED_STEM))),
        Arguments.of(
            Rule.DIP_ON_TRACKS, band().withControls(List.of(DIP.withMembers(List.of("voice"))))),
        Arguments.of(Rule.BUS_GAIN, broken("voices", c -> c.withFaderDb(3))),
        Arguments.of(Rule.BUS_GAIN, broken("voices", c -> c.withTrimDb(1.5))),
        Arguments.of(Rule.REFERENCE_HEARD, broken("rough", c -> c.withOutput("mix"))),
        Arguments.of(
            Rule.REFERENCE_PROCESSED,
            broken("rough", c -> c.withChain(List.of(insert("limiter", Map.of()).withId("more"))))),
        Arguments.of(
            Rule.RETURN_NOT_WET,
            broken(
                "plate", c -> c.withChain(List.of(insert("reverberation", Map.of("wet", 40.0)))))),
        Arguments.of(Rule.SEND_TO_SILENCE, broken("plate", c -> c.withStowed(true))),
        Arguments.of(Rule.SEND_TO_SILENCE, broken("plate", c -> c.withMute(true))),
        Arguments.of(Rule.KEY_WITHOUT_SOURCE, broken("kick", c -> c.withStowed(true))),
        Arguments.of(
            Rule.LAYOUT_MISMATCH, broken("voices", c -> c.withLayout(Layout.SURROUND_5_1))),
        Arguments.of(Rule.POSITION_UNHEARD, broken("kick", c -> c.withFrontBack(0.5))),
        Arguments.of(Rule.POSITION_UNHEARD, broken("kick", c -> c.withHeight(0.5))),
        Arguments.of(Rule.POSITION_UNHEARD, broken("kick", c -> c.withLfeDb(-6.0))),
        Arguments.of(
            Rule.LFE_NOT_FILTERED,
            change(
                broken("kick", c -> c.withLfeDb(-6.0)),
                "drums",
                c -> c.withLayout(Layout.SURROUND_5_1))),
        Arguments.of(
            Rule.LFE_NOT_FILTERED,
            change(
                broken(
                    "kick",
                    c ->
                        c.withSends(
                            List.of(
                                Send.of("s", List.of("plate"), Tap.POST_FADER, -9)
                                    .withLfeDb(0.0)))),
                "plate",
                c -> c.withLayout(Layout.SURROUND_5_1))),
        Arguments.of(
            Rule.POSITION_UNHEARD,
            broken(
                "kick",
                c ->
                    c.withSends(
                        List.of(
                            Send.of("s", List.of("plate"), Tap.POST_FADER, -9).withLfeDb(0.0))))),
        Arguments.of(Rule.MIXES_TOGETHER, songsAt(0)),
        Arguments.of(Rule.SAME_NAME, broken("drums", c -> c.withName("Mix"))),
        Arguments.of(
            Rule.FILE_NAME, changeOutput(band(), "out drums", o -> o.withNamePattern("MIX"))),
        Arguments.of(
            Rule.FILE_NAME, changeOutput(band(), "out drums", o -> o.withNamePattern("{otput}"))),
        Arguments.of(Rule.NO_DESTINATION, broken("kick", c -> c.withCategory("synth/pad"))),
        Arguments.of(Rule.DEPARTS_FROM_MAP, broken("kick", c -> c.withOutput("voices"))),
        Arguments.of(Rule.DESTINATION_STOWED, broken("drums", c -> c.withStowed(true))),
        Arguments.of(
            Rule.TEMPLATE_HOLDS_AUDIO,
            broken("kick", c -> c.withClips(List.of(clip("x.wav", 9)))).withKind(MixKind.TEMPLATE)),
        Arguments.of(Rule.MUTED, broken("drums", c -> c.withMute(true))),
        Arguments.of(
            Rule.CLIP_OUTSIDE,
            broken("kick", c -> c.withClips(List.of(outside))).withEndFrame(96_000L)));
  }

  @ParameterizedTest
  @MethodSource("faults")
  void aFaultIsFoundAndItsMendTakesItAway(Rule rule, Mix broken) {
    List<Finding> found = ofRule(broken, rule);
    assertThat(found).as("%s", LineCheck.of(broken)).isNotEmpty();
    Finding first = found.get(0);
    assertThat(first.where()).isNotEmpty();
    assertThat(first.says()).endsWith(".");
    assertThat(first.mends()).isNotEmpty();
    for (Finding.Mend mend : first.mends()) {
      Mix mended = mend.edit().applyTo(broken);
      assertThat(ofRule(mended, rule))
          .as(mend.label())
          .noneMatch(left -> left.where().equals(first.where()));
    }
  }

  @Test
  void aMinusMustNotHoldWhatItIsMinusOf() {
    Mix mix = changeOutput(band(), "out master", o -> o.withKind(OutputKind.MINUS));
    assertThat(ofRule(mix, Rule.HELD_OUT))
        .singleElement()
        .extracting(Finding::severity)
        .isEqualTo(Finding.Severity.DOUBTFUL);
    Mix named = changeOutput(mix, "out master", o -> o.withWithout(List.of("vocals")));
    Finding held = ofRule(named, Rule.HELD_OUT).get(0);
    assertThat(held.where()).containsExactly("voice", "out master");
    assertThat(held.says()).contains("by way of", "voices → mix → master");
    Mix drumsOnly = changeOutput(band(), "out drums", o -> o.withWithout(List.of("vocals")));
    assertThat(ofRule(drumsOnly, Rule.HELD_OUT)).isEmpty();
  }

  @Test
  void aSendThatBringsAVoiceIntoAMinusIsTheMend() {
    Mix mix =
        change(
            changeOutput(band(), "out drums", o -> o.withWithout(List.of("vocals"))),
            "voice",
            c -> c.withSends(List.of(send("drums", Tap.POST_FADER, 0))));
    Finding held = ofRule(mix, Rule.HELD_OUT).get(0);
    assertThat(ofRule(held.mends().get(0).edit().applyTo(mix), Rule.HELD_OUT)).isEmpty();
  }

  @Test
  void parallelsAndReturnsAreNoSecondPath() {
    assertThat(ofRule(band(), Rule.REACHED_TWICE)).isEmpty();
    Send twice = send("squeeze", Tap.PRE_FADER, 0).withId("twice");
    Mix doubled = change(band(), "kick", c -> c.withSends(List.of(c.sends().get(0), twice)));
    assertThat(ofRule(doubled, Rule.REACHED_TWICE)).isEmpty();
  }

  @Test
  void aReturnOutsideTheStemsIsFoundBeforeItIsUsed() {
    Mix closed =
        change(
            change(band(), "plate", c -> c.withOutput("mix")),
            "voice",
            c -> c.withSends(List.of(send("plate", Tap.POST_FADER, -144))));
    List<Finding> found = ofRule(closed, Rule.IN_NO_STEM);
    assertThat(found).singleElement().extracting(f -> f.where().get(0)).isEqualTo("plate");
  }

  @Test
  void aBusThatIsOnlyListenedToIsNoFault() {
    Mix keyed =
        words()
            .seat("pad", "keyfeed", c -> c)
            .bus("keyfeed", null)
            .build()
            .mapChannels(
                c ->
                    c.id().equals("voices")
                        ? c.withChain(
                            List.of(
                                insert("compressor", Map.of())
                                    .withKey(new Key("keyfeed", Tap.POST_FADER))))
                        : c);
    assertThat(ofRule(keyed, Rule.GOES_NOWHERE)).isEmpty();
  }

  @Test
  void aSendThatIsReadyAndNotOpenMayLeadToWhatIsStowed() {
    Mix stowed =
        change(
            broken("plate", c -> c.withStowed(true)),
            "voice",
            c -> c.withSends(List.of(send("plate", Tap.POST_FADER, -144))));
    assertThat(ofRule(stowed, Rule.SEND_TO_SILENCE)).isEmpty();
  }

  @Test
  void aKeptClipMayStayInATemplate() {
    Clip tag = clip("tag.wav", 100);
    Clip kept = tag.withKeep(true);
    Mix template = broken("kick", c -> c.withClips(List.of(kept))).withKind(MixKind.TEMPLATE);
    assertThat(ofRule(template, Rule.TEMPLATE_HOLDS_AUDIO)).isEmpty();
  }

  @Test
  void aLoopFromAFileIsSpelledOut() {
    Mix looped = broken("mix", c -> c.withOutput("drums"));
    Finding loop = LineCheck.of(looped).get(0);
    assertThat(loop.rule()).isEqualTo(Rule.LOOP);
    assertThat(loop.says()).contains("drums → mix → drums");
  }

  @Test
  void whatPointsAtNothingIsMended() {
    Mix dangling = broken("mix", c -> c.withOutput("gone"));
    Finding finding = LineCheck.of(dangling).get(0);
    assertThat(finding.rule()).isEqualTo(Rule.POINTS_NOWHERE);
    Mix mended = finding.mends().get(0).edit().applyTo(dangling);
    assertThat(ofRule(mended, Rule.POINTS_NOWHERE)).isEmpty();
    Mix tapped = changeOutput(band(), "out drums", o -> o.withChannel("gone"));
    assertThat(ofRule(tapped, Rule.POINTS_NOWHERE).get(0).mends()).hasSize(1);
  }

  @Test
  void theGravestComeFirst() {
    Mix both = change(broken("drums", c -> c.withMute(true)), "plate", c -> c.withStowed(true));
    assertThat(LineCheck.of(both))
        .extracting(Finding::severity)
        .isSorted()
        .startsWith(Finding.Severity.WRONG);
  }

  @Test
  void aRuleThatFailsIsAFindingAndTakesNothingElseDown() {
    LineCheckRule broken =
        survey -> {
          survey.report(Rule.MUTED, Finding.Severity.NOTE, List.of("kick"), "half.");
          throw new IllegalStateException("no luck");
        };
    Mix muted = broken("drums", c -> c.withMute(true));
    List<Finding> found = LineCheck.of(muted, List.of(broken, new Muted()));
    assertThat(found).extracting(Finding::rule).containsExactly(Rule.RULE_FAILED, Rule.MUTED);
    assertThat(found.get(0).says()).contains("no luck");
    assertThat(found.get(1).where()).containsExactly("drums");
  }

  @Test
  void rulesSayWhatTheyLookFor() {
    assertThat(new ReachedTwice().words()).isEqualTo("reached twice");
  }

  /** One seat behind the other, up to the mix: nothing may walk it by recursion. */
  @Test
  void aChainOfTenThousandBusesIsChecked() {
    MixWords words = mix().seat("seat", "bus 9998");
    for (int i = 0; i < 9_999; i++) {
      words.bus("bus " + i, i == 0 ? null : "bus " + (i - 1));
    }
    Mix deep = words.output("bus 0").build();
    assertThat(LineCheck.of(deep)).isEmpty();
    assertThat(Coverage.of(deep).paths("seat", "out bus 0", 2)).singleElement();
    assertThat(FlowLayout.of(deep).stages()).hasSizeGreaterThan(9_000);
    Mix stowed = deep.mapChannels(c -> c.id().equals("bus 5000") ? c.withStowed(true) : c);
    assertThat(LineCheck.of(stowed)).isNotEmpty();
  }

  @Test
  void aTailThatTheEndCutsIsToldWithWhatMendsIt() {
    Mix mix =
        mix()
            .seat("a", "verb", c -> c.withClips(List.of(clip("a.wav", 48_000))))
            .bus(
                "verb",
                "mix",
                c -> c.withChain(List.of(insert("reverberation", Map.of("decay", 2.0)))))
            .bus("mix", null)
            .output("mix")
            .build();
    assertThat(ofRule(mix, Rule.TAIL_CUT)).isEmpty();
    Mix cut = mix.withEndFrame(48_000L);
    Finding finding = ofRule(cut, Rule.TAIL_CUT).get(0);
    assertThat(finding.where()).containsExactly("verb");
    assertThat(finding.says()).contains("“verb” rings for 3.", "stand behind the end");
    Mix mended = finding.mends().get(0).edit().applyTo(cut);
    assertThat(mended.endFrame()).isGreaterThan(48_000 * 4L);
    assertThat(ofRule(mended, Rule.TAIL_CUT)).isEmpty();
  }

  @Test
  void theMendOfACutTailGoesNoFurtherThanAPrintWaits() {
    Map<String, Double> echo = Map.of("beats", 16.0, "feedback", 90.0);
    Mix endless =
        mix()
            .seat("a", "echo", c -> c.withClips(List.of(clip("a.wav", 48_000))))
            .bus("echo", "mix", c -> c.withChain(List.of(insert("tempo-delay", echo))))
            .bus("mix", null)
            .output("mix")
            .build()
            .withEndFrame(48_000L);
    Mix mended = ofRule(endless, Rule.TAIL_CUT).get(0).mends().get(0).edit().applyTo(endless);
    assertThat(mended.endFrame())
        .isEqualTo(new Tails(endless, SignalGraph.of(endless)).latestEnd())
        .isEqualTo(48_000L * 61);
  }

  @Test
  void whatDepartsFromTheMapIsToldTogetherAndMendedEitherWay() {
    Mix apart =
        broken("kick", c -> c.withOutput("voices"))
            .mapChannels(c -> c.id().equals("voice") ? c.withOutput("drums") : c);
    Finding finding =
        LineCheck.of(apart).stream()
            .filter(one -> one.rule() == Rule.DEPARTS_FROM_MAP)
            .findFirst()
            .orElseThrow();
    assertThat(finding.where()).containsExactly("kick", "voice");
    assertThat(finding.says())
        .isEqualTo("“kick”, “voice” depart from the category map (sent to), and nobody pinned it.");
    Mix followed = finding.mends().get(0).edit().applyTo(apart);
    assertThat(followed.channel("kick").orElseThrow().output()).isEqualTo("drums");
    Mix pinned = finding.mends().get(1).edit().applyTo(apart);
    assertThat(pinned.channel("kick").orElseThrow().output()).isEqualTo("voices");
    assertThat(pinned.channel("kick").orElseThrow().pins()).hasSize(1);
    assertThat(LineCheck.of(pinned)).noneMatch(one -> one.rule() == Rule.DEPARTS_FROM_MAP);
  }

  private static Mix playing() {
    return change(
        broken("kick", c -> c.withClips(List.of(clip("k.wav", 48_000)))),
        "voice",
        c -> c.withClips(List.of(clip("v.wav", 48_000))));
  }

  @Test
  void aFileThatWouldBeSilentIsFoundWhateverMakesItSo() {
    Mix sound = playing();
    assertThat(ofRule(sound, Rule.OUTPUT_SILENT))
        .singleElement()
        .extracting(finding -> finding.where().get(0))
        .as("the reference has no audio yet")
        .isEqualTo("out listen");
    List<Mix> silent =
        List.of(
            change(sound, "drums", c -> c.withFaderDb(-144)),
            change(sound, "drums", c -> c.withMute(true)),
            change(sound, "kick", c -> c.withClips(List.of()).withSends(List.of())),
            change(sound, "kick", c -> c.withTrimDb(0).withOutput("voices").withSends(List.of())));
    for (Mix mix : silent) {
      Finding found =
          ofRule(mix, Rule.OUTPUT_SILENT).stream()
              .filter(finding -> finding.where().contains("out drums"))
              .findFirst()
              .orElseThrow();
      assertThat(found.severity()).isEqualTo(Finding.Severity.WRONG);
      Mix allowed = changeOutput(mix, "out drums", o -> o.withMayBeSilent(true));
      assertThat(ofRule(allowed, Rule.OUTPUT_SILENT))
          .noneMatch(finding -> finding.where().contains("out drums"));
    }
    assertThat(ofRule(sound.withKind(MixKind.TEMPLATE), Rule.OUTPUT_SILENT)).isEmpty();
  }

  @Test
  void aReturnIsToldByWhatItsChainDoesToAnImpulse() {
    Map<String, List<Insert>> dry =
        Map.of(
            "empty", List.of(),
            "off", List.of(insert("reverberation", Map.of()).withOn(false)),
            "equaliser", List.of(insert("equaliser", Map.of("low-cut", 200.0))),
            "stand-in", List.of(insert("some-plate", Map.of())),
            "half", List.of(insert("reverberation", Map.of("wet", 50.0))),
            "delay", List.of(insert("tempo-delay", Map.of("wet", 30.0))));
    dry.forEach(
        (name, chain) ->
            assertThat(ofRule(broken("plate", c -> c.withChain(chain)), Rule.RETURN_NOT_WET))
                .as(name)
                .hasSize(1));
    Map<String, List<Insert>> wet =
        Map.of(
            "reverberation", List.of(insert("reverberation", Map.of())),
            "small", List.of(insert("reverberation", Map.of("size", 2.0, "pre-delay", 0.0))),
            "delay behind it",
                List.of(
                    insert("reverberation", Map.of()),
                    insert("tempo-delay", Map.of("wet", 40.0)).withId("behind")),
            "limited",
                List.of(
                    insert("tempo-delay", Map.of("wet", 100.0)),
                    insert("limiter", Map.of()).withId("behind")));
    wet.forEach(
        (name, chain) ->
            assertThat(ofRule(broken("plate", c -> c.withChain(chain)), Rule.RETURN_NOT_WET))
                .as(name)
                .isEmpty());
    Mix off =
        broken(
            "plate",
            c -> c.withChain(List.of(insert("reverberation", Map.of("wet", 20.0)).withOn(false))));
    Mix mended = ofRule(off, Rule.RETURN_NOT_WET).get(0).mends().get(0).edit().applyTo(off);
    assertThat(ofRule(mended, Rule.RETURN_NOT_WET)).isEmpty();
  }

  @Test
  void aMinusHoldsAllElseAndWhatNobodyHasFiledIsAsked() {
    Mix mixed =
        changeOutput(
            changeOutput(band(), "out mix", o -> o.withKind(OutputKind.MIX)),
            "out drums",
            o -> o.withKind(OutputKind.MINUS).withWithout(List.of("vocals")));
    assertThat(ofRule(mixed, Rule.MINUS_MISSES)).isEmpty();
    Mix missing = change(mixed, "kick", c -> c.withOutput("mix").withSends(List.of()));
    Finding found = ofRule(missing, Rule.MINUS_MISSES).get(0);
    assertThat(found.where()).containsExactly("out drums", "kick");
    Mix said = found.mends().get(0).edit().applyTo(missing);
    assertThat(ofRule(said, Rule.MINUS_MISSES)).isEmpty();
    Mix unfiled = change(mixed, "kick", c -> c.withCategory("unknown"));
    assertThat(ofRule(unfiled, Rule.HELD_OUT))
        .singleElement()
        .extracting(Finding::severity)
        .isEqualTo(Finding.Severity.DOUBTFUL);
    Mix person =
        change(change(mixed, "kick", c -> c.withPerson("Ada")), "voice", c -> c.withPerson("Ada"));
    assertThat(ofRule(person, Rule.HELD_OUT).get(0).says()).contains("Ada is heard there");
  }

  @Test
  void theMendOfAHeldOutSeatMovesThatSeatFirst() {
    Mix mix =
        mix()
            .seat("seated", "interviews", c -> c.withCategory("interview"))
            .seat("roof", "natural", c -> c.withCategory("interview/field"))
            .seat("wind", "natural", c -> c.withCategory("natural"))
            .bus("interviews", "mix")
            .bus(
                "natural",
                "mix",
                c -> c.withSends(List.of(send("music and effects", Tap.POST_FADER, 0))))
            .bus("music and effects", null)
            .bus("mix", null)
            .output("mix")
            .output("music and effects")
            .build();
    Mix minus =
        changeOutput(
            mix,
            "out music and effects",
            o -> o.withKind(OutputKind.MINUS).withWithout(List.of("interview")));
    Finding held = ofRule(minus, Rule.HELD_OUT).get(0);
    assertThat(held.where()).containsExactly("roof", "out music and effects");
    Mix first = held.mends().get(0).edit().applyTo(minus);
    assertThat(first.channel("roof").orElseThrow().output()).isEqualTo("interviews");
    assertThat(Coverage.of(first).reaches("wind", "out music and effects")).isTrue();
    assertThat(held.mends().get(1).label()).contains("by which 1 other seat comes");
  }

  @Test
  void stemsMustAddUpAsFadersAndMutesStandToo() {
    assertThat(ofRule(broken("master", c -> c.withFaderDb(-144)), Rule.STEMS_DIFFER)).isEmpty();
    Mix closed = words().build().mapChannels(c -> c.id().equals("mix") ? c.withFaderDb(-144) : c);
    assertThat(ofRule(closed, Rule.STEMS_DIFFER)).hasSize(3);
    Mix preFader = changeOutput(band(), "out drums", o -> o.withTap(Tap.PRE_FADER));
    assertThat(ofRule(preFader, Rule.STEMS_DIFFER)).isEmpty();
    Mix muted = change(preFader, "drums", c -> c.withMute(true));
    assertThat(ofRule(muted, Rule.STEMS_DIFFER).get(0).says())
        .contains("not in “mix” but in “drums” as faders and mutes stand");
  }

  @Test
  void aStemThatHoldsAnothersSoundIsFoundByItsName() {
    Mix named = changeOutput(band(), "out drums", o -> o.withName("Music stem"));
    assertThat(ofRule(named, Rule.NAME_DISAGREES)).isEmpty();
    Mix wrong = change(named, "kick", c -> c.withCategory("dialogue"));
    assertThat(ofRule(wrong, Rule.NAME_DISAGREES))
        .singleElement()
        .extracting(Finding::says)
        .asString()
        .contains("“Music stem” holds dialogue");
    Mix guitars = changeOutput(band(), "out drums", o -> o.withName("Guitars"));
    assertThat(ofRule(guitars, Rule.NAME_DISAGREES)).hasSize(1);
  }

  @Test
  void aStandInIsFoundBeforeAPrint() {
    Mix mix = broken("drums", c -> c.withChain(List.of(insert("some-tape", Map.of()))));
    Finding found = ofRule(mix, Rule.STAND_IN).get(0);
    assertThat(found.says()).contains("some-tape", "drums");
    Mix off = found.mends().get(0).edit().applyTo(mix);
    assertThat(ofRule(off, Rule.STAND_IN)).isEmpty();
  }

  @Test
  void clipsThatSoundTogetherOnOneSeatAreFound() {
    Clip first = new Clip("a", clip("a.wav", 9).audio(), 0, 0, 48_000, 0);
    Clip second = new Clip("b", clip("b.wav", 9).audio(), 24_000, 0, 48_000, 0);
    Mix mix = broken("kick", c -> c.withClips(List.of(first, second)));
    Finding found = ofRule(mix, Rule.CLIPS_OVERLAP).get(0);
    assertThat(found.says()).contains("“a.wav” and “b.wav” sound together on “kick” for 0.5 s");
    Mix mended = found.mends().get(0).edit().applyTo(mix);
    assertThat(ofRule(mended, Rule.CLIPS_OVERLAP)).isEmpty();
    Clip third = new Clip("c", clip("c.wav", 9).audio(), 60_000, 0, 48_000, 0);
    Mix more = broken("kick", c -> c.withClips(List.of(first, second, third)));
    assertThat(ofRule(more, Rule.CLIPS_OVERLAP)).hasSize(2);
    Mix faded =
        broken(
            "kick",
            c -> c.withClips(List.of(first.withFadeOut(24_000), second.withFadeIn(24_000))));
    assertThat(ofRule(faded, Rule.CLIPS_OVERLAP)).isEmpty();
  }

  @Test
  void songsThatStandOutsideTheirSectionsAreFoundAndMovedThere() {
    Mix album =
        mix()
            .seat("kick 1", "Song 1", c -> c.withClips(List.of(clip("1.wav", 48_000))))
            .seat("kick 2", "Song 2", c -> c.withClips(List.of(clip("2.wav", 48_000))))
            .bus("Song 1", "album")
            .bus("Song 2", "album")
            .bus("album", null)
            .output("album")
            .build()
            .withMarkers(
                List.of(new Marker("m1", "Song 1", 0), new Marker("m2", "song 2", 96_000)));
    Finding found = ofRule(album, Rule.SECTION_NOT_KEPT).get(0);
    assertThat(found.where()).containsExactly("Song 2", "kick 2");
    assertThat(found.says()).contains("begins at 0:02");
    Mix moved = found.mends().get(0).edit().applyTo(album);
    assertThat(moved.channel("kick 2").orElseThrow().clips().get(0).startFrame()).isEqualTo(96_000);
    assertThat(moved.channel("kick 1")).isEqualTo(album.channel("kick 1"));
    assertThat(ofRule(moved, Rule.SECTION_NOT_KEPT)).isEmpty();
  }

  @Test
  void aTailBeyondWhatAPrintWaitsForIsTold() {
    Mix endless =
        mix()
            .seat("a", "echo", c -> c.withClips(List.of(clip("a.wav", 48_000))))
            .bus(
                "echo",
                "mix",
                c ->
                    c.withChain(
                        List.of(insert("tempo-delay", Map.of("beats", 16.0, "feedback", 95.0)))))
            .bus("mix", null)
            .output("mix")
            .build();
    Finding found = ofRule(endless, Rule.TAIL_CUT).get(0);
    assertThat(found.says()).contains("for which a print waits");
    Mix longer = found.mends().get(0).edit().applyTo(endless);
    assertThat(ofRule(longer, Rule.TAIL_CUT)).isEmpty();
  }

  @Test
  void aMasterWithoutAFileIsMadeOne() {
    Mix mix = words().bus("spare", null).seat("s", "spare").build();
    Finding found =
        ofRule(mix, Rule.GOES_NOWHERE).stream()
            .filter(finding -> finding.where().contains("spare"))
            .findFirst()
            .orElseThrow();
    Finding.Mend mend =
        found.mends().stream()
            .filter(one -> one.label().equals("Make a file of “spare”"))
            .findFirst()
            .orElseThrow();
    Mix mended = mend.edit().applyTo(mix);
    assertThat(mended.outputs()).extracting(Output::channel).contains("spare");
    assertThat(ofRule(mended, Rule.GOES_NOWHERE)).isEmpty();
  }

  @Test
  void whatWaitsInATemplateIsNoFault() {
    Mix idle = words().bus("idle", "mix").build();
    assertThat(ofRule(idle, Rule.NOTHING_ARRIVES)).hasSize(1);
    assertThat(ofRule(idle.withKind(MixKind.TEMPLATE), Rule.NOTHING_ARRIVES)).isEmpty();
  }
}
