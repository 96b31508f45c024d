package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.StemSet;
import java.util.List;

/** Removes outputs, with their places in stem sets and what nobody else answers to. */
public record RemoveOutputs(List<String> outputs) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Listed.requireAll(mix.outputs(), outputs, Output::id, "output");
    return SetSpecification.withoutUnused(
        mix.withOutputs(mix.outputs().stream().filter(o -> !outputs.contains(o.id())).toList())
            .withStemSets(
                mix.stemSets().stream()
                    .filter(set -> !outputs.contains(set.mixOutput()))
                    .map(this::without)
                    .toList()));
  }

  @Override
  public String says(Mix before) {
    return "remove " + Listed.count(outputs.size(), "output");
  }

  private StemSet without(StemSet set) {
    return new StemSet(
        set.id(),
        set.name(),
        set.mixOutput(),
        set.stems().stream().filter(stem -> !outputs.contains(stem)).toList());
  }
}
