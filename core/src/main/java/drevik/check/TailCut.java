package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.mix.Lookup;
import drevik.mix.Output;
import drevik.mix.field.MixField;
import drevik.route.Tails;
import drevik.route.Tails.Tail;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The end stands where something still rings, whoever has set it there. */
final class TailCut implements LineCheckRule {
  /** What is missing of a tail matters as long as this part of it does not remain: about −48 dB. */
  private static final double HEARD = 0.5;

  /** Shorter ones nobody hears as a tail, seconds. */
  private static final double SHORTEST = 0.3;

  @Override
  public void check(Survey survey) {
    Tails tails = new Tails(survey.mix, survey.graph);
    Long set = survey.mix.endFrame();
    // Without one a print waits, and not for ever.
    long end = set != null ? set : tails.latestEnd();
    Map<String, Tail> cut = new LinkedHashMap<>();
    for (Output output : survey.mix.outputs()) {
      tails
          .of(output)
          .filter(tail -> tail.ofChannel() > SHORTEST * survey.mix.sampleRate())
          .filter(
              tail -> set == null ? tail.end() > end : tail.end() - end > HEARD * tail.ofChannel())
          .filter(tail -> tail.end() - tail.ofChannel() <= end)
          .ifPresent(tail -> cut.merge(tail.channel(), tail, (a, b) -> a.end() < b.end() ? b : a));
    }
    cut.forEach(
        (channel, tail) -> report(survey, channel, tail, end, set != null, tails.latestEnd()));
  }

  private static void report(
      Survey survey, String channel, Tail tail, long end, boolean isSet, long latest) {
    double rate = survey.mix.sampleRate();
    survey.report(
        Rule.TAIL_CUT,
        Severity.DOUBTFUL,
        List.of(channel),
        String.format(
            Locale.ROOT,
            "“%s” rings for %.1f s, of which %.1f s stand behind "
                + (isSet
                    ? "the end."
                    : "the " + Tails.LONGEST_SECONDS + " s for which a print waits; set an end."),
            Lookup.in(survey.channels, channel).name(),
            tail.ofChannel() / rate,
            Math.min(tail.ofChannel(), tail.end() - end) / rate),
        ChangeMix.of(MixField.END, isSet ? Math.min(tail.end(), latest) : tail.end()));
  }
}
