package drevik.edit;

import drevik.category.CategoryTree;
import drevik.category.Colour;
import drevik.category.NameWords;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.Control;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.StemSet;
import drevik.mix.field.Validity;
import drevik.route.SignalGraph;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What no edit may bring into a Mix: values that cannot be, ids of nothing, loops. What was wrong
 * before is no reason to refuse: it is a finding, and may be what somebody is about to mend.
 */
public final class Soundness {
  /** What is wrong → the id of what it is wrong with. */
  private final Map<String, String> faults = new LinkedHashMap<>();

  private final Mix mix;
  private final Map<String, Channel> channels;

  private Soundness(Mix mix) {
    this.mix = mix;
    this.channels = mix.channelsById();
  }

  /**
   * The Mix after an edit, if it is sound.
   *
   * @throws Refused with the first thing that is wrong with it and was not before
   */
  public static Mix require(Mix before, Mix after) {
    Validity.require(before, after);
    if (isRoutedElse(before, after)) {
      SignalGraph.requireSound(after);
    }
    Soundness is = new Soundness(after);
    Soundness was = new Soundness(before);
    is.lookAt(before);
    was.lookAt(after);
    is.faults.keySet().removeAll(was.faults.keySet());
    is.faults.entrySet().stream()
        .findFirst()
        .ifPresent(
            fault -> {
              throw Refused.about(fault.getValue(), fault.getKey());
            });
    return after;
  }

  /** True if anything that makes the graph may be another. */
  @SuppressWarnings("ReferenceEquality") // the same object is unchanged
  private static boolean isRoutedElse(Mix before, Mix after) {
    if (before.channels().size() != after.channels().size()) {
      return true;
    }
    for (int i = 0; i < before.channels().size(); i++) {
      Channel was = before.channels().get(i);
      Channel is = after.channels().get(i);
      if (was != is
          && !(was.id().equals(is.id())
              && was.kind() == is.kind()
              && Objects.equals(was.output(), is.output())
              && was.sends().equals(is.sends())
              && was.chain().equals(is.chain()))) {
        return true;
      }
    }
    return false;
  }

  /** Only what differs from the other, or points at what does, can make the difference. */
  private void lookAt(Mix other) {
    boolean moved = !mix.channels().equals(other.channels());
    if (moved) {
      Set<Channel> same = Collections.newSetFromMap(new IdentityHashMap<>());
      // What stays as it was may be shown with what went.
      if (other.channels().stream().allMatch(one -> channels.containsKey(one.id()))) {
        same.addAll(other.channels());
      }
      mix.channels().stream().filter(one -> !same.contains(one)).forEach(this::channel);
    }
    if (moved || !mix.controls().equals(other.controls())) {
      controls();
    }
    if (moved || !mix.outputs().equals(other.outputs())) {
      mix.outputs().forEach(this::output);
    }
    if (!mix.stemSets().equals(other.stemSets()) || !mix.outputs().equals(other.outputs())) {
      stemSets();
    }
    if (moved
        || !mix.categoryMap().equals(other.categoryMap())
        || !mix.controls().equals(other.controls())
        || !mix.outputs().equals(other.outputs())) {
      categoryMap(mix.categoryMap());
    }
    if (mix.endFrame() != null && mix.endFrame() <= mix.startFrame()) {
      fault("mix", "The end must stand behind the start; correct one of them.");
    }
  }

  private void fault(String subject, String says) {
    faults.put(says, subject);
  }

  private void channel(Channel channel) {
    category(channel.id(), channel.category());
    colour(channel.id(), channel.colour());
    Channel group = channels.get(channel.group());
    if (channel.group() != null && group == null) {
      fault(
          channel.id(),
          "“" + channel.name() + "” is shown with a channel that is not in this Mix.");
    } else if (group != null && group.kind().holdsClips()) {
      fault(group.id(), "“" + group.name() + "” is no bus; a group belongs to a bus.");
    }
  }

  private void category(String subject, String category) {
    if (!CategoryTree.has(category)) {
      fault(subject, CategoryTree.unknownMessage(category));
    }
  }

  private void colour(String subject, @Nullable String colour) {
    if (colour != null && Colour.byId(colour).isEmpty()) {
      fault(
          subject,
          "There is no colour “"
              + colour
              + "”; choose one of "
              + Arrays.stream(Colour.values())
                  .map(Colour::toString)
                  .collect(Collectors.joining(", "))
              + ".");
    }
  }

  private void controls() {
    Map<String, Control> controls = new HashMap<>();
    mix.controls().forEach(control -> controls.put(control.id(), control));
    for (Control control : mix.controls()) {
      for (String member : control.members()) {
        if (!channels.containsKey(member) && !controls.containsKey(member)) {
          fault(
              control.id(),
              "“"
                  + control.name()
                  + "” has a member that is not in this Mix; pick the members again.");
        }
      }
      if (holdsItself(control, controls)) {
        fault(
            control.id(),
            "“" + control.name() + "” would hold itself; take it out of its members' members.");
      }
    }
  }

  private static boolean holdsItself(Control control, Map<String, Control> controls) {
    Set<String> seen = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(control.members());
    while (!open.isEmpty()) {
      String member = open.pop();
      if (member.equals(control.id())) {
        return true;
      }
      if (controls.containsKey(member) && seen.add(member)) {
        open.addAll(controls.get(member).members());
      }
    }
    return false;
  }

  private void output(Output output) {
    if (!channels.containsKey(output.channel())) {
      fault(
          output.id(),
          "Output “"
              + output.name()
              + "” is taken from a channel that is not in this Mix; choose another.");
    }
    output.without().forEach(category -> category(output.id(), category));
  }

  private void stemSets() {
    Set<String> outputs = mix.outputs().stream().map(Output::id).collect(Collectors.toSet());
    for (StemSet set : mix.stemSets()) {
      if (!outputs.contains(set.mixOutput()) || !outputs.containsAll(set.stems())) {
        fault(
            set.id(),
            "Stem set “" + set.name() + "” names an output that is not in this Mix; pick again.");
      }
      if (set.stems().contains(set.mixOutput())) {
        fault(set.id(), "The mix output is one of its own stems; take it out of the set.");
      }
    }
  }

  private void categoryMap(CategoryMap map) {
    Set<String> controls = mix.controls().stream().map(Control::id).collect(Collectors.toSet());
    Set<String> outputs = mix.outputs().stream().map(Output::id).collect(Collectors.toSet());
    for (MapEntry entry : map.entries()) {
      String of = entry.category();
      category(of, of);
      colour(of, entry.colour());
      if (entry.words() != null && NameWords.of(entry.words()).isEmpty()) {
        fault(
            of,
            "An entry of "
                + of
                + " asks for “"
                + entry.words()
                + "”, which has no word in it; say letters or digits of the name.");
      }
      takesSound(entry, entry.destination(), "destination");
      takesSound(entry, entry.group(), "group");
      for (MapSend send : entry.sends()) {
        send.destinations().forEach(to -> takesSound(entry, to, "send"));
      }
      if (!controls.containsAll(entry.controls())) {
        fault(of, "A control of " + of + " is not in this Mix; choose another.");
      }
      if (entry.stem() != null && !outputs.contains(entry.stem())) {
        fault(of, "The stem of " + of + " is not in this Mix; choose an output.");
      }
    }
  }

  private void takesSound(MapEntry entry, @Nullable String id, String what) {
    Channel to = channels.get(id);
    String of = entry.category();
    if (id != null && to == null) {
      fault(of, "The " + what + " of " + of + " is not in this Mix; choose one.");
    } else if (to != null && to.kind().holdsClips()) {
      fault(of, "“" + to.name() + "” plays files; choose a bus for " + of + ".");
    }
  }
}
