package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.RemoveSend;
import drevik.edit.SendChannelsTo;
import drevik.mix.Channel;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.route.SignalGraph;
import drevik.route.Tie;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Everything that can be said about a Mix without hearing it. A pure function, fast enough to run
 * at every edit: time in proportion to outputs × ties.
 */
public final class LineCheck {
  /** All rules. The order is that of findings of one kind and weight. */
  private static final List<LineCheckRule> RULES =
      List.of(
          new DestinationStowed(),
          new SendsToSilence(),
          new GoesNowhere(),
          new NothingArrives(),
          new LayoutMismatch(),
          new PositionUnheard(),
          new LfeNotFiltered(),
          new ReachedTwice(),
          new SameName(),
          new ReturnNotWet(),
          new KeyWithoutSource(),
          new NoDestination(),
          new DepartsFromMap(),
          new Muted(),
          new ClipOutside(),
          new ClipsOverlap(),
          new MixesTogether(),
          new SectionNotKept(),
          new TailCut(),
          new TemplateHoldsAudio(),
          new DipOnUndipped(),
          new DipOnTracks(),
          new BusGain(),
          new ProcessedBehindStems(),
          new StemsAddUp(),
          new HeldOut(),
          new OutputTap(),
          new OutputSilent(),
          new NameDisagrees(),
          new StandsIn(),
          new ReferenceHeard(),
          new ReferenceProcessed(),
          new FileNamesCollide());

  private LineCheck() {}

  private static void check(LineCheckRule rule, Survey survey) {
    int found = survey.findings.size();
    try {
      rule.check(survey);
    } catch (RuntimeException e) {
      // Half of what a rule finds may be worse than none of it.
      survey.findings.subList(found, survey.findings.size()).clear();
      survey.report(
          Rule.RULE_FAILED,
          Severity.DOUBTFUL,
          List.of(),
          "The rule “" + rule.words() + "” failed on this Mix (" + e + ").");
    }
  }

  /** All findings, the gravest first; within one weight by rule, then in document order. */
  public static List<Finding> of(Mix mix) {
    return of(mix, RULES);
  }

  static List<Finding> of(Mix mix, List<LineCheckRule> rules) {
    SignalGraph graph = SignalGraph.of(mix);
    List<Finding> broken = brokenGraph(mix, graph);
    if (!broken.isEmpty()) {
      // Without an order nothing else can be said.
      return broken;
    }
    Survey survey = new Survey(mix, graph);
    for (LineCheckRule rule : rules) {
      check(rule, survey);
    }
    List<Finding> sorted = new ArrayList<>(survey.findings);
    sorted.sort(Comparator.comparing(Finding::severity).thenComparing(Finding::rule));
    return sorted;
  }

  private static List<Finding> brokenGraph(Mix mix, SignalGraph graph) {
    List<Finding> findings = new ArrayList<>();
    var channels = mix.channelsById();
    for (Tie tie : graph.ties()) {
      if (!channels.containsKey(tie.from()) || !channels.containsKey(tie.to())) {
        String known = channels.containsKey(tie.from()) ? tie.from() : tie.to();
        String unknown = known.equals(tie.from()) ? tie.to() : tie.from();
        findings.add(
            new Finding(
                Rule.POINTS_NOWHERE,
                Severity.WRONG,
                List.of(known),
                "“"
                    + Lookup.in(channels, known).name()
                    + "” has "
                    + (tie.kind() == Tie.Kind.KEY ? "a key from" : "a way to")
                    + " “"
                    + unknown
                    + "”, which is not in this Mix.",
                mendsOf(mix, tie, known, unknown)));
      }
    }
    graph
        .loop()
        .ifPresent(
            ids -> {
              List<String> names = ids.stream().map(id -> Lookup.in(channels, id).name()).toList();
              findings.add(
                  new Finding(
                      Rule.LOOP,
                      Severity.WRONG,
                      List.copyOf(new java.util.LinkedHashSet<>(ids)),
                      "The routing closes a loop: " + String.join(" → ", names) + ".",
                      List.of()));
            });
    return findings;
  }

  private static List<Finding.Mend> mendsOf(Mix mix, Tie tie, String known, String unknown) {
    Channel channel = mix.channel(known).orElseThrow();
    return switch (tie.kind()) {
      case OUTPUT -> List.of(Finding.Mend.of(mix, new SendChannelsTo(List.of(known), null)));
      case SEND -> List.of(Finding.Mend.of(mix, new RemoveSend(List.of(known), unknown)));
      case KEY -> List.of(Finding.Mend.of(mix, KeyWithoutSource.withoutKeys(channel, unknown)));
    };
  }
}
