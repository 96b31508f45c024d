package drevik.ledger;

import drevik.mix.Mix;
import java.util.HashMap;
import java.util.Map;

/** What the things of a Mix are called, by id. */
public final class Names {
  private final Map<String, String> names = new HashMap<>();
  private final int sampleRate;

  private Names(int sampleRate) {
    this.sampleRate = sampleRate;
  }

  public static Names of(Mix mix) {
    Names all = new Names(mix.sampleRate());
    mix.specifications().forEach(one -> all.names.put(one.id(), one.name()));
    mix.outputs().forEach(one -> all.names.put(one.id(), one.name()));
    mix.controls().forEach(one -> all.names.put(one.id(), one.name()));
    mix.channels().forEach(one -> all.names.put(one.id(), one.name()));
    return all;
  }

  /** The name of a thing; empty for one that is not there. */
  public String of(String id) {
    return names.getOrDefault(id, "");
  }

  double seconds(long frames) {
    return (double) frames / sampleRate;
  }
}
