package drevik.route;

import drevik.audio.Decibels;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** Decibels that controls add to each channel, nested controls included. */
public final class ControlGains {
  private ControlGains() {}

  /**
   * Channel id → dB; channels that no control holds are left out. One control at silence is
   * silence, whatever others add: negative infinity.
   *
   * @throws Refused if a control holds itself
   */
  public static Map<String, Double> of(Mix mix) {
    Map<String, Control> controls = new HashMap<>();
    mix.controls().forEach(control -> controls.put(control.id(), control));
    Map<String, Double> gains = new HashMap<>();
    mix.controls().forEach(c -> add(c, c.gainDb(), controls, gains, new HashSet<>()));
    return gains;
  }

  /** Ids of the channels that a dip rides, by way of other controls too. */
  public static Set<String> dipped(Mix mix) {
    Map<String, Control> controls = new HashMap<>();
    mix.controls().forEach(control -> controls.put(control.id(), control));
    Map<String, Double> ridden = new HashMap<>();
    mix.controls().stream()
        .filter(Control::dip)
        .forEach(c -> add(c, 0, controls, ridden, new HashSet<>()));
    return ridden.keySet();
  }

  private static void add(
      Control at,
      double gainDb,
      Map<String, Control> all,
      Map<String, Double> gains,
      Set<String> seen) {
    if (!seen.add(at.id())) {
      throw new Refused("Control “" + at.name() + "” holds itself; take it out of its members.");
    }
    for (String member : at.members()) {
      Control nested = all.get(member);
      if (nested != null) {
        add(nested, gainDb, all, gains, new HashSet<>(seen));
      } else {
        double own = gainDb <= Decibels.SILENCE ? Double.NEGATIVE_INFINITY : gainDb;
        gains.merge(member, own, Double::sum);
      }
    }
  }
}
