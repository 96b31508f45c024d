package drevik.reassign;

import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Which channels are members of which controls, while that is being changed. */
final class Memberships {
  private final Mix mix;
  private final Map<String, Set<String>> members = new HashMap<>();
  private final Set<String> changed = new HashSet<>();

  /** Of nobody in nothing. */
  static final Memberships NONE = new Memberships(Mix.empty(MixKind.TEMPLATE, "none"));

  Memberships(Mix mix) {
    this.mix = mix;
    mix.controls().forEach(one -> members.put(one.id(), new HashSet<>(one.members())));
  }

  boolean has(@Nullable String control, String channel) {
    return members.getOrDefault(control, Set.of()).contains(channel);
  }

  boolean knows(@Nullable String control) {
    return members.containsKey(control);
  }

  void set(@Nullable String control, String channel, boolean member) {
    Set<String> of = members.get(control);
    if (of != null && (member ? of.add(channel) : of.remove(channel))) {
      changed.add(control);
    }
  }

  /** The controls with their members; new ones stand where they stand among the channels. */
  List<Control> controls() {
    if (changed.isEmpty()) {
      return mix.controls();
    }
    Map<String, Integer> places = new HashMap<>();
    mix.channels().forEach(channel -> places.put(channel.id(), places.size()));
    return mix.controls().stream()
        .map(one -> changed.contains(one.id()) ? withMembers(one, places) : one)
        .toList();
  }

  private Control withMembers(Control control, Map<String, Integer> places) {
    Set<String> wanted = members.getOrDefault(control.id(), Set.of());
    List<String> left = new ArrayList<>(control.members());
    left.removeIf(member -> !wanted.contains(member));
    Set<String> known = new HashSet<>(left);
    List<String> added =
        wanted.stream()
            .filter(member -> !known.contains(member))
            .sorted(Comparator.comparing(member -> places.getOrDefault(member, 0)))
            .toList();
    for (String member : added) {
      int place = places.getOrDefault(member, 0);
      int at = 0;
      while (at < left.size() && places.getOrDefault(left.get(at), -1) < place) {
        at++;
      }
      left.add(at, member);
    }
    return control.withMembers(left);
  }
}
