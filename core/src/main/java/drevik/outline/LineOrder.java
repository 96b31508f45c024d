package drevik.outline;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The order of channels after lines were moved or added. A Mix has its own order, of which the
 * outline shows each bus with what is sent to it: lines that stand as before leave it as it is.
 */
final class LineOrder {
  private LineOrder() {}

  /**
   * Puts what was moved in the text where it stands now.
   *
   * @param mix ids in the order of the Mix
   * @param before ids in the order of lines before
   * @param entries lines now
   * @return ids of all entries in the order in which they stand in the Mix from now on
   */
  static List<String> of(List<String> mix, List<String> before, List<Entry> entries) {
    List<String> now = entries.stream().map(Entry::id).toList();
    Set<String> stays = longestCommon(before, now);
    List<String> order = new ArrayList<>(mix);
    order.removeIf(id -> !stays.contains(id));
    Set<String> placed = new HashSet<>(stays);
    for (int i = 0; i < entries.size(); i++) {
      if (!placed.contains(now.get(i))) {
        order.add(placeOf(i, entries, order, placed), now.get(i));
        placed.add(now.get(i));
      }
    }
    return order;
  }

  /** Behind what stands above it under the same line; else before what stands below it there. */
  private static int placeOf(int at, List<Entry> entries, List<String> order, Set<String> placed) {
    int parent = entries.get(at).parent();
    for (int i = at - 1; i > parent; i--) {
      if (entries.get(i).parent() == parent) {
        return behind(i, at, entries, order);
      }
    }
    for (int i = at + 1; i < entries.size() && entries.get(i).parent() >= parent; i++) {
      if (entries.get(i).parent() == parent && placed.contains(entries.get(i).id())) {
        return order.indexOf(entries.get(i).id());
      }
    }
    return parent < 0 ? order.size() : order.indexOf(entries.get(parent).id()) + 1;
  }

  /** Behind an entry and all that stands under it, as far as that follows it in the Mix. */
  private static int behind(int entry, int end, List<Entry> entries, List<String> order) {
    Set<String> under = new HashSet<>();
    for (int i = entry + 1; i < end; i++) {
      under.add(entries.get(i).id());
    }
    int place = order.indexOf(entries.get(entry).id()) + 1;
    while (place < order.size() && under.contains(order.get(place))) {
      place++;
    }
    return place;
  }

  /**
   * The most ids that stand in the same order in both. All ids are different, so it is the longest
   * rising sequence of places, found in n log n.
   */
  private static Set<String> longestCommon(List<String> before, List<String> now) {
    Map<String, Integer> places = new HashMap<>();
    for (int i = 0; i < before.size(); i++) {
      places.put(before.get(i), i);
    }
    List<String> known = now.stream().filter(places::containsKey).toList();
    int[] ends = new int[known.size()];
    int[] previous = new int[known.size()];
    int length = 0;
    for (int i = 0; i < known.size(); i++) {
      int place = places.getOrDefault(known.get(i), 0);
      int low = 0;
      int high = length;
      while (low < high) {
        int middle = (low + high) >>> 1;
        if (places.getOrDefault(known.get(ends[middle]), 0) < place) {
          low = middle + 1;
        } else {
          high = middle;
        }
      }
      previous[i] = low == 0 ? -1 : ends[low - 1];
      ends[low] = i;
      length = Math.max(length, low + 1);
    }
    Set<String> common = new HashSet<>();
    for (int i = length == 0 ? -1 : ends[length - 1]; i >= 0; i = previous[i]) {
      common.add(known.get(i));
    }
    return common;
  }
}
