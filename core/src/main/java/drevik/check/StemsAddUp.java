package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.RemoveSend;
import drevik.edit.SendChannelsTo;
import drevik.edit.Together;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.StemSet;
import drevik.mix.field.Changes;
import drevik.mix.field.MixField;
import drevik.mix.field.OutputField;
import drevik.mix.field.StemSetField;
import drevik.route.Coverage;
import drevik.route.Coverage.Way;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Stems that would not add up to their mix. */
final class StemsAddUp implements LineCheckRule {
  private static final Set<Way> ALL_WAYS = EnumSet.allOf(Way.class);
  private static final Set<Way> DRY = EnumSet.of(Way.DRY);

  /** Gains that differ by less are the same: −120 dB beside unity. */
  private static final double SAME = 1e-6;

  @Override
  public void check(Survey survey) {
    Map<String, Output> outputs = survey.outputs();
    survey.mix.stemSets().forEach(set -> stems(survey, set, outputs));
  }

  private static void stems(Survey survey, StemSet set, Map<String, Output> outputs) {
    Output mix = outputs.get(set.mixOutput());
    List<Output> stems = set.stems().stream().map(outputs::get).filter(o -> o != null).toList();
    if (mix == null || stems.size() < set.stems().size()) {
      survey.report(
          Rule.STEMS_DIFFER,
          Severity.WRONG,
          List.of(),
          "The stem set “" + set.name() + "” names an output that is not there.",
          ChangeMix.removing(MixField.STEM_SETS, set.id()));
      return;
    }
    Set<String> ids = Set.copyOf(set.stems());
    Set<String> told = new LinkedHashSet<>();
    for (Channel channel : survey.mix.channels()) {
      if (isSource(survey, channel)) {
        // A seat may be in a second stem by way of a return; dry it belongs in one.
        Set<Way> ways = channel.kind() == ChannelKind.SEAT ? DRY : ALL_WAYS;
        List<Output> holding = survey.wired.holding(channel.id(), ids, ways);
        compare(survey, set, mix, stems, channel, ways, holding, told);
      }
    }
  }

  /** Where sound begins as far as stems are concerned: seats, and returns with their own sound. */
  private static boolean isSource(Survey survey, Channel channel) {
    return !channel.stowed()
        && (channel.kind() == ChannelKind.SEAT || channel.kind() == ChannelKind.RETURN)
        && survey.isFed(channel.id());
  }

  private static void compare(
      Survey survey,
      StemSet set,
      Output mix,
      List<Output> stems,
      Channel channel,
      Set<Way> ways,
      List<Output> holding,
      Set<String> told) {
    if (hasAnotherLayout(survey, mix, holding, told)) {
      return;
    }
    boolean inMix = survey.wired.reaches(channel.id(), mix.id(), ways);
    if (isTheirSum(survey.wired, channel, mix, holding, ways) && holding.size() < 2) {
      asItStands(survey, set, mix, channel, ways);
    } else if (inMix && holding.isEmpty()) {
      survey.report(
          Rule.IN_NO_STEM,
          Severity.WRONG,
          List.of(channel.id(), mix.id()),
          "“%s” is in “%s” and in no stem of “%s”."
              .formatted(channel.name(), mix.name(), set.name()),
          intoAStem(survey, channel, stems),
          aStemOfItsOwn(survey, set, mix, channel));
    } else if (holding.size() > 1) {
      survey.report(
          Rule.IN_TWO_STEMS,
          Severity.WRONG,
          List.of(channel.id(), holding.get(0).id(), holding.get(1).id()),
          "“%s” is in %d stems of “%s”: %s."
              .formatted(
                  channel.name(),
                  holding.size(),
                  set.name(),
                  String.join(", ", holding.stream().map(Output::name).toList())),
          outOfAStem(survey, channel, stems));
    } else {
      survey.report(
          Rule.STEMS_DIFFER,
          Severity.WRONG,
          List.of(channel.id(), mix.id()),
          (inMix
                  ? "“%s” is at another level or place in “%s” than in stem “%s”."
                  : "“%s” is not in “%s” but in stem “%s”.")
              .formatted(channel.name(), mix.name(), holding.get(0).name()),
          sameTap(survey, mix, holding.get(0), channel, ways));
    }
  }

  /** Said once of each stem: what is laid out otherwise cannot be compared. */
  private static boolean hasAnotherLayout(
      Survey survey, Output mix, List<Output> holding, Set<String> told) {
    for (Output stem : holding) {
      if (stem.layout() != mix.layout()) {
        if (told.add(stem.id())) {
          survey.report(
              Rule.STEMS_DIFFER,
              Severity.WRONG,
              List.of(stem.id(), mix.id()),
              "Stem “%s” is %s and its mix “%s” is %s."
                  .formatted(stem.name(), stem.layout(), mix.name(), mix.layout()),
              ChangeMix.output(stem.id(), OutputField.LAYOUT, mix.layout()));
        }
        return true;
      }
    }
    return false;
  }

  /** What is wired rightly may still differ as faders and mutes stand. */
  private static void asItStands(
      Survey survey, StemSet set, Output mix, Channel channel, Set<Way> ways) {
    List<Output> holding = survey.now.holding(channel.id(), Set.copyOf(set.stems()), ways);
    if (!isTheirSum(survey.now, channel, mix, holding, ways)) {
      boolean inMix = survey.now.reaches(channel.id(), mix.id());
      survey.report(
          Rule.STEMS_DIFFER,
          Severity.WRONG,
          List.of(channel.id(), mix.id()),
          "“"
              + channel.name()
              + (inMix
                  ? "” is in “" + mix.name() + "” and "
                  : "” is not in “" + mix.name() + "” but ")
              + (holding.isEmpty()
                  ? "in no stem of “" + set.name() + "”"
                  : inMix
                      ? "at another level in “" + holding.get(0).name() + "”"
                      : "in “" + holding.get(0).name() + "”")
              + " as faders and mutes stand.");
    }
  }

  /** Whether what of a channel is in a mix is what its stems have of it together. */
  private static boolean isTheirSum(
      Coverage coverage, Channel channel, Output mix, List<Output> stems, Set<Way> ways) {
    double[][] wanted = coverage.gains(channel.id(), mix.id(), ways);
    double[][] sum = new double[wanted.length][wanted[0].length];
    stems.forEach(stem -> add(sum, coverage.gains(channel.id(), stem.id(), ways)));
    return isSame(wanted, sum);
  }

  private static void add(double[][] sum, double[][] more) {
    for (int row = 0; row < sum.length; row++) {
      for (int column = 0; column < sum[row].length; column++) {
        sum[row][column] += more[row][column];
      }
    }
  }

  private static boolean isSame(double[][] a, double[][] b) {
    for (int row = 0; row < a.length; row++) {
      for (int column = 0; column < a[row].length; column++) {
        if (Math.abs(a[row][column] - b[row][column]) > SAME) {
          return false;
        }
      }
    }
    return true;
  }

  private static @Nullable Edit intoAStem(Survey survey, Channel channel, List<Output> stems) {
    String mapped = survey.mapped(channel);
    if (mapped != null
        && !mapped.equals(channel.output())
        && stems.stream().anyMatch(stem -> survey.wired.reaches(mapped, stem.id()))) {
      return new SendChannelsTo(List.of(channel.id()), mapped);
    }
    return null;
  }

  private static Edit aStemOfItsOwn(Survey survey, StemSet set, Output mix, Channel channel) {
    Output stem =
        survey
            .newFileOf(channel, channel.name() + " stem", OutputKind.STEM, mix.format())
            .withLayout(mix.layout())
            .withNamePattern(
                mix.namePattern().contains("{output}") ? mix.namePattern() : "{output}");
    return new Together(
        List.of(
            ChangeMix.adding(survey.mix, MixField.OUTPUTS, stem),
            ChangeMix.ofMember(
                MixField.STEM_SETS,
                set.id(),
                Changes.adding(StemSetField.ALL, StemSetField.STEMS, stem.id(), set.stems()))),
        "give “" + channel.name() + "” a stem of its own");
  }

  private static @Nullable Edit outOfAStem(Survey survey, Channel channel, List<Output> stems) {
    // The send that leads into a stem which the output does not lead to is the one too many.
    for (var send : channel.sends()) {
      for (String destination : send.destinations()) {
        if (channel.output() != null
            && stems.stream()
                .anyMatch(
                    stem ->
                        survey.wired.reaches(destination, stem.id())
                            && !survey.wired.reaches(channel.output(), stem.id()))) {
          return new RemoveSend(List.of(channel.id()), destination);
        }
      }
    }
    return null;
  }

  /** The mix's tap for the stem, if that is all that is wrong. */
  private static @Nullable Edit sameTap(
      Survey survey, Output mix, Output stem, Channel channel, Set<Way> ways) {
    if (mix.tap() == stem.tap()) {
      return null;
    }
    Output changed = stem.withTap(mix.tap());
    double[][] gains = survey.wiredWith(changed).gains(channel.id(), stem.id(), ways);
    return isSame(survey.wired.gains(channel.id(), mix.id(), ways), gains)
        ? ChangeMix.output(stem.id(), OutputField.TAP, mix.tap())
        : null;
  }
}
