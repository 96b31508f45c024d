package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.field.Field.Target;
import drevik.mix.field.References;
import java.util.List;
import java.util.Set;

/** Removes outputs, with their places in stem sets and what nobody else answers to. */
public record RemoveOutputs(List<String> outputs) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    ListsById.requireAll(mix.outputs(), outputs, Output::id, "output");
    Set<String> gone = Set.copyOf(outputs);
    Mix rest = mix.withOutputs(mix.outputs().stream().filter(o -> !gone.contains(o.id())).toList());
    return SetSpecification.withoutUnused(References.without(rest, Target.OUTPUT, gone));
  }

  @Override
  public String says(Mix before) {
    return "remove " + ListsById.count(outputs.size(), "output");
  }
}
