package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.StemSet;
import java.util.ArrayList;
import java.util.List;

/** Adds a stem set, or replaces the one of its id. */
public record SetStemSet(StemSet set) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    List<String> named = new ArrayList<>(set.stems());
    named.add(set.mixOutput());
    Listed.requireAll(mix.outputs(), named, Output::id, "output");
    if (set.stems().contains(set.mixOutput())) {
      throw new Refused("The mix output is one of its own stems; take it out of the set.");
    }
    return mix.withStemSets(Listed.with(mix.stemSets(), set, StemSet::id));
  }

  @Override
  public String says(Mix before) {
    return "set what the stems of “" + set.name() + "” are";
  }
}
