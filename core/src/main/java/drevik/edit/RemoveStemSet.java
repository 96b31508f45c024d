package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.StemSet;
import java.util.List;

/** Removes a stem set; its outputs stay. */
public record RemoveStemSet(String set) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Listed.requireAll(mix.stemSets(), List.of(set), StemSet::id, "stem set");
    return mix.withStemSets(mix.stemSets().stream().filter(s -> !s.id().equals(set)).toList());
  }

  @Override
  public String says(Mix before) {
    return "remove a stem set";
  }
}
