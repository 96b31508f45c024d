package drevik.route;

import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.MixWords;
import drevik.audio.Layout;
import drevik.flow.FlowLayout;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Tap;
import java.util.List;
import org.junit.jupiter.api.Test;

class SignalGraphTest {
  private static Mix band() {
    return mix()
        .channel(ChannelKind.MASTER, "master", Layout.STEREO, null, c -> c)
        .bus("mix", "master")
        .bus("drums", "mix")
        .bus("squeeze", "drums")
        .channel(ChannelKind.RETURN, "plate", Layout.STEREO, "mix", c -> c)
        .seat("kick in", "kick")
        .seat("hat", "drums", c -> c.withSends(List.of(send("squeeze", Tap.PRE_FADER, 0))))
        .bus("kick", "drums")
        .seat("voice", "mix", c -> c.withSends(List.of(send("plate", Tap.POST_FADER, -9))))
        .channel(ChannelKind.REFERENCE, "rough", Layout.STEREO, null, c -> c)
        .output("master")
        .output("drums")
        .build();
  }

  @Test
  void everySourceStandsBeforeWhatItFeeds() {
    List<String> order = SignalGraph.of(band()).order();
    assertThat(order).hasSize(band().channels().size());
    for (Tie tie : SignalGraph.of(band()).ties()) {
      assertThat(order.indexOf(tie.from())).isLessThan(order.indexOf(tie.to()));
    }
  }

  @Test
  void stagesCountFromTheEndOfThePath() {
    FlowLayout flow = FlowLayout.of(band());
    assertThat(flow.stages())
        .extracting(FlowLayout.FlowColumn::name)
        .containsExactly("Seats", "Sub-sums", "Groups", "Mix", "Master", "Files");
    assertThat(flow.stages().get(1).ids()).containsExactly("kick");
    assertThat(flow.stages().get(2).ids()).containsExactly("drums");
    assertThat(flow.stages().get(5).ids()).containsExactly("out master", "out drums");
  }

  @Test
  void seatsStandInTheOrderOfTheirTreeWithReferencesLast() {
    assertThat(FlowLayout.of(band()).stages().get(0).ids())
        .containsExactly("hat", "kick in", "voice", "rough");
  }

  @Test
  void returnsAndParallelsStandInTheBand() {
    assertThat(FlowLayout.of(band()).returns()).containsExactly("squeeze", "plate");
  }

  @Test
  void ribbonsCarryTheSeatsBehindThem() {
    assertThat(FlowLayout.of(band()).ribbons())
        .contains(new FlowLayout.Ribbon("mix", "master", "output", 2, 3))
        .contains(new FlowLayout.Ribbon("hat", "squeeze", "send", 1, 1))
        .contains(new FlowLayout.Ribbon("drums", "out drums", "file", 2, 2));
  }

  @Test
  void stowedChannelsAreNotShown() {
    Mix stowed = band().mapChannels(c -> c.withStowed(c.id().equals("drums")));
    FlowLayout flow = FlowLayout.of(stowed);
    assertThat(flow.stages()).allSatisfy(stage -> assertThat(stage.ids()).doesNotContain("drums"));
    assertThat(flow.ribbons()).noneMatch(r -> r.to().equals("drums") || r.from().equals("drums"));
  }

  @Test
  void groupsAreTheLastBusesBeforeTheMixThatSeatsLeadTo() {
    FlowLayout flow = FlowLayout.of(band());
    assertThat(flow.groups()).containsExactly("drums");
    assertThat(flow.into()).containsEntry("kick in", "kick").containsEntry("drums", "mix");
    Mix straight =
        MixWords.mix()
            .seat("hat", "drums")
            .seat("voice", "voices")
            .bus("drums", "master")
            .bus("voices", "master")
            .bus("master", null)
            .build()
            .mapChannels(c -> c.id().equals("master") ? c.withKind(ChannelKind.MASTER) : c);
    assertThat(FlowLayout.of(straight).groups()).containsExactly("drums", "voices");
    assertThat(FlowLayout.of(straight).stages())
        .extracting(FlowLayout.FlowColumn::stage)
        .containsExactly(
            FlowLayout.Stage.SEATS,
            FlowLayout.Stage.MIX,
            FlowLayout.Stage.MASTER,
            FlowLayout.Stage.FILES);
  }

  @Test
  void aPickMeansItsBus() {
    assertThat(band().channels())
        .extracting(c -> c.id() + " " + FlowLayout.busMeantBy(c))
        .contains("hat drums", "drums drums", "plate mix");
  }

  @Test
  void aLongLoopIsFoundInItsOrder() {
    Mix loop = band().mapChannels(c -> c.id().equals("master") ? c.withOutput("kick") : c);
    assertThat(SignalGraph.of(loop).fault())
        .hasValueSatisfying(
            fault -> assertThat(fault).contains("master → kick → drums → mix → master"));
  }

  @Test
  void aSeatStandsWithTheGroupThatItIsShownWithAndGoesWhereItIsSent() {
    Mix plain =
        MixWords.mix()
            .seat("door", "effects")
            .seat("line", "dialogue")
            .bus("dialogue", "mix")
            .bus("effects", "mix")
            .bus("mix", null)
            .output("mix")
            .build();
    assertThat(FlowLayout.of(plain).stages().get(0).ids()).containsExactly("line", "door");
    Mix grouped = plain.mapChannels(c -> c.id().equals("line") ? c.withGroup("effects") : c);
    FlowLayout flow = FlowLayout.of(grouped);
    assertThat(flow.stages().get(0).ids()).containsExactly("door", "line");
    assertThat(flow.ribbons())
        .anyMatch(ribbon -> ribbon.from().equals("line") && ribbon.to().equals("dialogue"));
  }
}
