package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Specification;
import drevik.mix.field.Validity;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Puts a specification into the Mix, or in the place of the one of its id, and has outputs answer
 * to it.
 *
 * @param outputs ids; may be empty
 * @param specification null: these outputs answer to none
 */
public record SetSpecification(List<String> outputs, @Nullable Specification specification)
    implements Edit {
  @Override
  public Mix changed(Mix mix) {
    String id = specification == null ? null : specification.id();
    if (!outputs.isEmpty()) {
      ListsById.requireAll(mix.outputs(), outputs, Output::id, "output");
    }
    Mix with =
        specification == null
            ? mix
            : mix.withSpecifications(
                ListsById.with(mix.specifications(), specification, Specification::id));
    Mix after =
        with.withOutputs(
            with.outputs().stream()
                .map(o -> outputs.contains(o.id()) ? o.withSpecification(id) : o)
                .toList());
    Validity.require(after);
    return withoutUnused(after);
  }

  /** A specification that no output names any more goes. */
  static Mix withoutUnused(Mix mix) {
    return mix.withSpecifications(
        mix.specifications().stream()
            .filter(one -> mix.outputs().stream().anyMatch(o -> one.id().equals(o.specification())))
            .toList());
  }

  @Override
  public String says(Mix before) {
    if (specification == null) {
      return "take the specification off " + ListsById.count(outputs.size(), "output");
    }
    return "have "
        + ListsById.count(outputs.size(), "output")
        + " answer to “"
        + specification.name()
        + "”";
  }
}
