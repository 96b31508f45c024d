package drevik.check;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.route.Coverage;
import drevik.route.Coverage.Way;
import drevik.route.SignalGraph;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What the line check has shown, beside what it has found.
 *
 * @param rules that hold; none if the routing could not be followed
 * @param idle rules that found nothing because there was nothing to look at
 * @param channels that were looked at
 * @param outputs that were looked at
 * @param ways from a seat or a reference to an output; {@link Long#MAX_VALUE} stands for more than
 *     can be counted
 * @param open what nobody can know before a print
 */
public record Proof(
    List<Rule> rules, List<Rule> idle, int channels, int outputs, long ways, List<String> open) {
  private static final Set<Rule> OF_THE_GRAPH = EnumSet.of(Rule.LOOP, Rule.POINTS_NOWHERE);

  /** Only the samples tell. */
  private static final List<String> ONLY_PRINTED =
      List.of(
          "how loud each file is, and whether it meets its specification",
          "whether anything clips, and how high the true peaks are",
          "whether the stems on disk add up to the mix, sample by sample",
          "whether every source file is still as it was received");

  public Proof {
    rules = List.copyOf(rules);
    idle = List.copyOf(idle);
    open = List.copyOf(open);
  }

  /**
   * What is proved of a Mix.
   *
   * @param findings of the same Mix
   */
  public static Proof of(Mix mix, List<Finding> findings) {
    Set<Rule> broken = EnumSet.noneOf(Rule.class);
    findings.forEach(finding -> broken.add(finding.rule()));
    boolean followed = OF_THE_GRAPH.stream().noneMatch(broken::contains);
    List<Rule> held =
        followed
            ? Arrays.stream(Rule.values()).filter(rule -> !broken.contains(rule)).toList()
            : List.of();
    Map<Boolean, List<Rule>> looked =
        held.stream().collect(Collectors.partitioningBy(rule -> Subjects.has(rule, mix)));
    return new Proof(
        looked.getOrDefault(true, List.of()),
        looked.getOrDefault(false, List.of()),
        mix.channels().size(),
        mix.outputs().size(),
        followed ? ways(mix) : 0,
        ONLY_PRINTED);
  }

  private static long ways(Mix mix) {
    Coverage wired = Coverage.of(mix, SignalGraph.of(mix), Coverage.View.WIRED);
    long sum = 0;
    for (Channel channel : mix.channels()) {
      for (Output output : mix.outputs()) {
        for (Way way : channel.kind().holdsClips() ? Way.values() : new Way[0]) {
          sum += wired.paths(channel.id(), output.id(), way);
          if (sum < 0) {
            return Long.MAX_VALUE;
          }
        }
      }
    }
    return sum;
  }
}
