package drevik.route;

import drevik.audio.Decibels;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Decibels that controls add to each channel, nested controls included. A control acts once on a
 * channel, by however many ways it holds it.
 */
public final class ControlGains {
  private final List<Control> controls;
  private final Map<String, Integer> places = new HashMap<>();

  /** Which controls act on each control, itself included. */
  private final BitSet[] onControls;

  private final Map<String, BitSet> onChannels = new HashMap<>();

  private ControlGains(Mix mix) {
    controls = mix.controls();
    onControls = new BitSet[controls.size()];
    for (int place = 0; place < controls.size(); place++) {
      places.put(controls.get(place).id(), place);
      onControls[place] = new BitSet();
      onControls[place].set(place);
    }
    for (int place : holdersFirst()) {
      for (String member : controls.get(place).members()) {
        Integer nested = places.get(member);
        BitSet acting =
            nested == null
                ? onChannels.computeIfAbsent(member, id -> new BitSet())
                : onControls[nested];
        acting.or(onControls[place]);
      }
    }
  }

  /**
   * Channel id → dB; channels that no control holds are left out. One control at silence is
   * silence, whatever others add: negative infinity.
   *
   * @throws Refused if a control holds itself
   */
  public static Map<String, Double> of(Mix mix) {
    ControlGains all = new ControlGains(mix);
    Map<String, Double> gains = new HashMap<>();
    all.onChannels.forEach((channel, acting) -> gains.put(channel, all.sum(acting)));
    return gains;
  }

  /**
   * Ids of the channels that a dip rides, by way of other controls too.
   *
   * @throws Refused if a control holds itself
   */
  public static Set<String> dipped(Mix mix) {
    ControlGains all = new ControlGains(mix);
    return all.onChannels.entrySet().stream()
        .filter(on -> on.getValue().stream().anyMatch(place -> all.controls.get(place).dip()))
        .map(Map.Entry::getKey)
        .collect(Collectors.toSet());
  }

  /** In the order of the document, so that the sum is the same bits at each asking. */
  private double sum(BitSet acting) {
    double sum = 0;
    for (int place = acting.nextSetBit(0); place >= 0; place = acting.nextSetBit(place + 1)) {
      double gainDb = controls.get(place).gainDb();
      sum += gainDb <= Decibels.SILENCE ? Double.NEGATIVE_INFINITY : gainDb;
    }
    return sum;
  }

  /** Places of the controls, each before those that it holds. */
  private Iterable<Integer> holdersFirst() {
    Deque<Integer> order = new ArrayDeque<>();
    BitSet open = new BitSet();
    BitSet done = new BitSet();
    for (int place = 0; place < controls.size(); place++) {
      visit(place, open, done, order);
    }
    return order;
  }

  private void visit(int place, BitSet open, BitSet done, Deque<Integer> order) {
    if (done.get(place)) {
      return;
    }
    Control control = controls.get(place);
    if (open.get(place)) {
      throw new Refused(
          "Control “" + control.name() + "” holds itself; take it out of its members.");
    }
    open.set(place);
    for (String member : control.members()) {
      Integer nested = places.get(member);
      if (nested != null) {
        visit(nested, open, done, order);
      }
    }
    done.set(place);
    order.addFirst(place);
  }
}
