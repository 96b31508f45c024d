package drevik.edit;

import static drevik.MixWords.mix;
import static drevik.edit.Band.add;
import static drevik.edit.Band.band;
import static drevik.edit.Band.output;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.deliver.Specifications;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Refused;
import drevik.mix.Specification;
import drevik.mix.StemSet;
import drevik.mix.field.Changes;
import drevik.mix.field.MixField;
import drevik.mix.field.OutputField;
import drevik.mix.field.Validity;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Outputs, stem sets and specifications. */
class DeliverableEditsTest {
  @Test
  void aNewOutputIsAStemOfTheLastBusUntilSomebodySaysOtherwise() {
    Output draft = Output.draft(band());
    Channel from = band().channel(draft.channel()).orElseThrow();
    assertThat(from.kind()).isIn(ChannelKind.BUS, ChannelKind.MASTER);
    assertThat(draft)
        .returns(from.layout(), Output::layout)
        .returns(OutputKind.STEM, Output::kind)
        .returns("{output}", Output::namePattern);
    Mix stowed = band().mapChannels(c -> c.withStowed(c.id().equals(from.id())));
    assertThat(Output.draft(stowed).channel()).isNotEqualTo(from.id());
    assertThatThrownBy(() -> Output.draft(Mix.empty(MixKind.TEMPLATE, "Empty")))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("no channel yet");
  }

  @Test
  void outputsAndStemSetsAreKeptTogether() {
    Output mix = output("mix");
    Output drums = output("drums");
    Mix bare = band().withStemSets(List.of()).withOutputs(List.of());
    Mix with = add(add(bare, MixField.OUTPUTS, mix), MixField.OUTPUTS, drums);
    StemSet set = new StemSet("set", "Stems", mix.id(), List.of(drums.id()));
    Mix stems = add(with, MixField.STEM_SETS, set);
    assertThat(ChangeMix.output(drums.id(), OutputField.NAME, "D").applyTo(stems).outputs())
        .extracting(Output::name)
        .containsExactly("mix", "D");
    assertThatThrownBy(() -> add(stems, MixField.OUTPUTS, drums)).hasMessageContaining("taken");
    Mix without = new RemoveOutputs(List.of(drums.id())).applyTo(stems);
    assertThat(without.stemSets()).as("a set of no stems would prove nothing").isEmpty();
    assertThat(ChangeMix.removing(MixField.STEM_SETS, "set").applyTo(stems).stemSets()).isEmpty();
    assertThatThrownBy(() -> add(band(), MixField.OUTPUTS, output("nobody")))
        .isInstanceOf(Refused.class);
    assertThatThrownBy(
            () ->
                add(stems, MixField.STEM_SETS, new StemSet("x", "X", mix.id(), List.of(mix.id()))))
        .hasMessageContaining("own stems");
    assertThatThrownBy(
            () ->
                ChangeMix.ofMember(
                        MixField.OUTPUTS,
                        mix.id(),
                        Changes.between(OutputField.ALL, mix, mix.withWithout(List.of("noise"))))
                    .applyTo(stems))
        .hasMessageContaining("no category");
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
        .hasMessageContaining("“Loudness” of specification “Mine” is −200; give −70 to 0.");
    Mix dangling = with.withOutputs(List.of(with.outputs().get(0).withSpecification("gone")));
    assertThatThrownBy(() -> Validity.require(dangling))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("specification that is not in this Mix");
  }
}
