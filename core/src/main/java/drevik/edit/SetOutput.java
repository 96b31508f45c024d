package drevik.edit;

import drevik.category.CategoryTree;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;

/** Adds an output, or replaces the one of its id. */
public record SetOutput(Output output) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Picked.one(mix, output.channel());
    for (String category : output.without()) {
      if (!CategoryTree.has(category)) {
        throw new Refused(CategoryTree.unknownMessage(category));
      }
    }
    return mix.withOutputs(
        Listed.with(mix.outputs(), output.withName(Picked.cleanName(output.name())), Output::id));
  }

  @Override
  public String says(Mix before) {
    return (before.outputs().stream().anyMatch(o -> o.id().equals(output.id())) ? "change" : "add")
        + " the output “"
        + output.name()
        + "”";
  }
}
