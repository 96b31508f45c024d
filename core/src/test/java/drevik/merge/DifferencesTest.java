package drevik.merge;

import static drevik.MixWords.insert;
import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.RandomMix;
import drevik.deliver.Specifications;
import drevik.edit.ChangeMix;
import drevik.edit.MoveChannels;
import drevik.edit.RemoveChannels;
import drevik.edit.RenameChannels;
import drevik.edit.SendChannelsTo;
import drevik.edit.SetChannels;
import drevik.edit.SetSpecification;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.ControlField;
import drevik.mix.field.Field;
import drevik.mix.field.ListChange;
import drevik.mix.field.MixField;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class DifferencesTest {
  private static Mix band() {
    return mix()
        .seat("kick", "drums")
        .seat("voice", "mix")
        .bus("drums", "mix", c -> c.withChain(List.of(insert("compressor", Map.of()))))
        .bus("mix", null)
        .output("mix")
        .build();
  }

  @Test
  void aMixDiffersInNothingFromItself() {
    assertThat(Differences.between(band(), band())).isEmpty();
  }

  @Test
  void channelsAreTheSameByTheirIdsAndTheirValuesAreToldBeforeAndAfter() {
    Mix after = SetChannels.of(List.of("kick"), ChannelField.FADER, -6.0).applyTo(band());
    after = new RenameChannels(Map.of("kick", "Bass drum"), List.of("kick")).applyTo(after);
    after = new SendChannelsTo(List.of("voice"), "drums").applyTo(after);
    assertThat(Differences.between(band(), after))
        .containsExactly(
            "Bass drum, name: kick → Bass drum",
            "Bass drum, fader: 0 dB → −6 dB",
            "voice, sent to: mix → drums");
  }

  @Test
  void whatIsAddedRemovedAndMovedIsNamed() {
    Mix without = new RemoveChannels(List.of("voice")).applyTo(band());
    assertThat(Differences.between(band(), without)).containsExactly("removed: the seat voice");
    assertThat(Differences.between(without, band())).containsExactly("added: the seat voice");
    Mix moved = new MoveChannels(List.of("voice"), "kick").applyTo(band());
    assertThat(Differences.between(band(), moved)).containsExactly("the order of channels");
  }

  @Test
  void settingsOfAChainControlsOutputsAndTimesAreTold() {
    Insert set = insert("compressor", Map.of("threshold", -20.0));
    Mix after =
        band()
            .mapChannels(c -> c.id().equals("drums") ? c.withChain(List.of(set)) : c)
            .withTempo(97.5)
            .withEndFrame(96_000L);
    Control rhythm = new Control("c", "Rhythm", -3, List.of("drums"), true);
    after = ChangeMix.adding(after, MixField.CONTROLS, rhythm).applyTo(after);
    after =
        new SetSpecification(List.of("out mix"), Specifications.shipped().get(0)).applyTo(after);
    assertThat(Differences.between(band(), after))
        .containsExactly(
            "tempo: 120 bpm → 97.5 bpm",
            "end: none → 2 s",
            "drums, compressor, threshold: none → −20",
            "added: the control Rhythm",
            "output mix, specification: none → EBU R 128",
            "added: the specification EBU R 128");
    Mix less =
        ChangeMix.ofMember(
                MixField.CONTROLS,
                "c",
                Changes.between(
                    ControlField.ALL, rhythm, new Control("c", "Rhythm", -4.5, List.of())))
            .applyTo(after);
    assertThat(Differences.between(after, less))
        .containsExactly(
            "control Rhythm, gain: −3 dB → −4.5 dB",
            "control Rhythm, removed: members drums",
            "control Rhythm, dip: yes → no");
  }

  @Property(tries = 200)
  void twoMixesHaveNoDifferenceOnlyIfTheyAreEqual(@ForAll long seed, @ForAll long other) {
    Mix one = RandomMix.full(seed);
    Mix two = RandomMix.full(other);
    assertThat(Differences.between(one, RandomMix.full(seed))).isEmpty();
    assertThat(Differences.between(one, two).isEmpty()).isEqualTo(one.equals(two));
  }

  @Property(tries = 200)
  void whateverSingleFieldDiffersIsSaid(@ForAll long seed, @ForAll long other) {
    Mix one = RandomMix.full(seed);
    for (Changes<Mix> single : single(Changes.between(MixField.ALL, one, RandomMix.full(other)))) {
      Mix changed = single.applyTo(one);
      assertThat(changed).isNotEqualTo(one);
      assertThat(Differences.between(one, changed)).as(single.toString()).isNotEmpty();
    }
  }

  /** Each change for itself; of members that are changed, each of theirs. */
  private static <T> List<Changes<T>> single(Changes<T> all) {
    List<Changes<T>> singles = new ArrayList<>();
    all.all().forEach((field, change) -> singles.addAll(singles(all, field, change)));
    return singles;
  }

  private static <T> List<Changes<T>> singles(Changes<T> all, Field<T, ?> field, Change<?> change) {
    Changes<T> none = Changes.none(all.fields());
    List<Changes<T>> singles = new ArrayList<>();
    if (change instanceof ListChange<?> list) {
      singles(list).forEach(one -> singles.add(none.with(field, one)));
    } else {
      singles.add(none.with(field, change));
    }
    return singles;
  }

  private static <E> List<ListChange<E>> singles(ListChange<E> list) {
    List<ListChange<E>> singles = new ArrayList<>();
    list.changed()
        .forEach(
            (id, changes) ->
                single(changes)
                    .forEach(
                        one ->
                            singles.add(
                                new ListChange<>(
                                    list.of(), List.of(), List.of(), Map.of(id, one), List.of()))));
    list.removed()
        .forEach(
            id ->
                singles.add(
                    new ListChange<>(list.of(), List.of(), List.of(id), Map.of(), List.of())));
    list.added()
        .forEach(
            one ->
                singles.add(
                    new ListChange<>(list.of(), List.of(one), List.of(), Map.of(), List.of())));
    return singles;
  }

  @Test
  void evenAChangeThatNoFigureShowsIsTold() {
    Mix after = SetChannels.of(List.of("kick"), ChannelField.FADER, -0.001).applyTo(band());
    assertThat(Differences.between(band(), after)).hasSize(1);
  }
}
