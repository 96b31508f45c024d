package drevik.ledger;

import drevik.mix.Mix;
import java.util.HashMap;
import java.util.Map;

/** What the things of a Mix are called, by id. */
public final class Names {
  private final Map<String, String> names = new HashMap<>();
  private final int sampleRate;
  private final boolean idsAreNames;

  private Names(int sampleRate, boolean idsAreNames) {
    this.sampleRate = sampleRate;
    this.idsAreNames = idsAreNames;
  }

  /** For what speaks of things by their names, as a map apart from any Mix does. */
  public static Names ofNames() {
    return new Names(1, true);
  }

  public static Names of(Mix mix) {
    Names all = new Names(mix.sampleRate(), false);
    mix.specifications().forEach(one -> all.names.put(one.id(), one.name()));
    mix.outputs().forEach(one -> all.names.put(one.id(), one.name()));
    mix.controls().forEach(one -> all.names.put(one.id(), one.name()));
    mix.channels().forEach(one -> all.names.put(one.id(), one.name()));
    return all;
  }

  /** The name of a thing; empty for one that is not there. */
  public String of(String id) {
    return idsAreNames ? id : names.getOrDefault(id, "");
  }

  double seconds(long frames) {
    return (double) frames / sampleRate;
  }
}
