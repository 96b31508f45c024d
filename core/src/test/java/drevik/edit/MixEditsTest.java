package drevik.edit;

import static drevik.MixWords.mix;
import static drevik.edit.Band.add;
import static drevik.edit.Band.band;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Changes;
import drevik.mix.field.MapEntryField;
import drevik.mix.field.MixField;
import drevik.reassign.Answer;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The Mix itself: its times, its sections, its category map. */
class MixEditsTest {
  @Test
  void anotherSampleRateKeepsTheSecondsAndNeedsAMixWithoutAudio() {
    Mix mix = ChangeMix.times(92, 48_000, 96_000L).applyTo(band());
    mix = add(mix, MixField.MARKERS, new Marker("m", "Verse", 72_000));
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
    Mix mix = ChangeMix.times(92, 100, 9_000L).applyTo(band());
    assertThat(mix.tempo()).isEqualTo(92);
    assertThat(mix.effectiveEndFrame()).isEqualTo(9_000);
    assertThatThrownBy(() -> ChangeMix.times(92, 100, 50L).applyTo(band()))
        .hasMessageContaining("behind its start");
    Mix marked =
        add(
            add(mix, MixField.MARKERS, new Marker("b", "Chorus", 500)),
            MixField.MARKERS,
            new Marker("a", "Verse", 0));
    assertThat(marked.markers()).extracting(Marker::name).containsExactly("Verse", "Chorus");
  }

  @Test
  void theCategoryMapIsEdited() {
    Mix mix = to("vocals", "mix").applyTo(band());
    assertThat(destinationOf(mix, "vocals/lead")).isEqualTo("mix");
    Mix without = to("vocals", null).applyTo(mix);
    assertThat(destinationOf(without, "vocals/lead")).isNull();
    assertThat(without.categoryMap().ofCategory("vocals")).isEmpty();
    assertThatThrownBy(() -> to("vocals", "kick").applyTo(band()))
        .hasMessageContaining("plays files");
  }

  private static String destinationOf(Mix mix, String category) {
    return MapAnswers.of(mix).destinationOf(Asked.anyOf(category)).map(Answer::text).orElse(null);
  }

  private static SetCategoryRule to(String category, String destination) {
    return new SetCategoryRule(
        List.of(category), Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, destination));
  }

  @Test
  void whatIsNotNamedStays() {
    Mix coloured =
        new SetCategoryRule(
                List.of("drums"), Changes.of(MapEntryField.ALL, MapEntryField.COLOUR, "bass"))
            .applyTo(band());
    assertThat(destinationOf(coloured, "drums")).isEqualTo("drums");
    Mix faster = ChangeMix.of(MixField.TEMPO, 140.0).applyTo(coloured);
    assertThat(faster.withTempo(band().tempo())).isEqualTo(coloured);
  }

  @Test
  void whatHasAnEditOfItsOwnIsNotAField() {
    assertThatThrownBy(() -> ChangeMix.of(MixField.SAMPLE_RATE, 44_100).applyTo(band()))
        .hasMessageContaining("an edit of its own");
    assertThatThrownBy(() -> new ChangeMix(Changes.none(MixField.ALL)).applyTo(band()))
        .hasMessageContaining("Nothing is to be changed");
  }

  @Test
  void aChangeSaysWhatItDoes() {
    assertThat(ChangeMix.times(92, 0, 9_000L).says(band())).isEqualTo("set tempo, start, end");
    assertThat(ChangeMix.of(MixField.NAME, "Dome").says(band())).isEqualTo("name the Mix “Dome”");
    assertThat(ChangeMix.removing(MixField.STEM_SETS, "stems").says(band()))
        .isEqualTo("remove the stem set “Stems”");
  }
}
