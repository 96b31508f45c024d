package drevik.check;

import drevik.category.CategoryTree;
import drevik.check.Finding.Severity;
import drevik.deliver.FileNames;
import drevik.deliver.NamePattern;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.RemoveSend;
import drevik.edit.SendChannelsTo;
import drevik.edit.Together;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.InsertField;
import drevik.mix.field.MixField;
import drevik.mix.field.OutputField;
import drevik.mix.field.StemSetField;
import drevik.route.Coverage.Way;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What is printed: stems, what an output must not hold, references, names. */
final class DeliverableRules {
  /** Gains that differ by less are the same: −120 dB beside unity. */
  private static final double SAME = 1e-6;

  private static final Set<Way> ALL_WAYS = EnumSet.allOf(Way.class);

  private DeliverableRules() {}

  static void check(Surveyed survey) {
    Map<String, Output> outputs = new HashMap<>();
    survey.mix.outputs().forEach(output -> outputs.put(output.id(), output));
    for (StemSet set : survey.mix.stemSets()) {
      stems(survey, set, outputs);
    }
    survey.mix.outputs().forEach(output -> heldOut(survey, output));
    survey.mix.outputs().forEach(output -> tapped(survey, output));
    references(survey);
    names(survey, outputs);
  }

  private static void stems(Surveyed survey, StemSet set, Map<String, Output> outputs) {
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
    processedBehindStems(survey, set, mix, stems);
    Set<String> told = new LinkedHashSet<>();
    for (Channel channel : survey.mix.channels()) {
      if (isSource(survey, channel)) {
        compare(survey, set, mix, stems, channel, told);
      }
    }
  }

  /** Where sound begins as far as stems are concerned: seats, and returns with their own sound. */
  private static boolean isSource(Surveyed survey, Channel channel) {
    return !channel.stowed()
        && (channel.kind() == ChannelKind.SEAT || channel.kind() == ChannelKind.RETURN)
        && survey.isFed(channel.id());
  }

  private static void compare(
      Surveyed survey,
      StemSet set,
      Output mix,
      List<Output> stems,
      Channel channel,
      Set<String> told) {
    // A seat may be in a second stem by way of a return; dry it belongs in one.
    Set<Way> ways = channel.kind() == ChannelKind.SEAT ? Set.of(Way.DRY) : ALL_WAYS;
    List<Output> holding = survey.wired.holding(channel.id(), stems, ways);
    boolean inMix = !survey.wired.holding(channel.id(), List.of(mix), ways).isEmpty();
    double[][] wanted = survey.wired.gains(channel.id(), mix.id(), ways);
    double[][] sum = new double[wanted.length][wanted[0].length];
    for (Output stem : holding) {
      if (stem.layout() != mix.layout()) {
        if (told.add(stem.id())) {
          survey.report(
              Rule.STEMS_DIFFER,
              Severity.WRONG,
              List.of(stem.id(), mix.id()),
              "Stem “"
                  + stem.name()
                  + "” is "
                  + stem.layout()
                  + " and its mix “"
                  + mix.name()
                  + "” is "
                  + mix.layout()
                  + ".",
              ChangeMix.output(stem.id(), OutputField.LAYOUT, mix.layout()));
        }
        return;
      }
      add(sum, survey.wired.gains(channel.id(), stem.id(), ways));
    }
    if (isSame(wanted, sum) && holding.size() < 2) {
      return;
    }
    if (inMix && holding.isEmpty()) {
      survey.report(
          Rule.IN_NO_STEM,
          Severity.WRONG,
          List.of(channel.id(), mix.id()),
          "“"
              + channel.name()
              + "” is in “"
              + mix.name()
              + "” and in no stem of “"
              + set.name()
              + "”.",
          intoAStem(survey, channel, stems),
          aStemOfItsOwn(survey, set, mix, channel));
    } else if (holding.size() > 1) {
      survey.report(
          Rule.IN_TWO_STEMS,
          Severity.WRONG,
          List.of(channel.id(), holding.get(0).id(), holding.get(1).id()),
          "“"
              + channel.name()
              + "” is in "
              + holding.size()
              + " stems of “"
              + set.name()
              + "”: "
              + String.join(", ", holding.stream().map(Output::name).toList())
              + ".",
          outOfAStem(survey, channel, stems));
    } else {
      survey.report(
          Rule.STEMS_DIFFER,
          Severity.WRONG,
          List.of(channel.id(), mix.id()),
          "“"
              + channel.name()
              + "” is "
              + (inMix ? "at another level or place" : "not")
              + " in “"
              + mix.name()
              + "” "
              + (inMix ? "than" : "but")
              + " in stem “"
              + holding.get(0).name()
              + "”.",
          sameTap(survey, mix, holding.get(0), channel, ways));
    }
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

  private static Edit intoAStem(Surveyed survey, Channel channel, List<Output> stems) {
    String mapped = survey.mapped(channel);
    if (mapped != null
        && !mapped.equals(channel.output())
        && stems.stream().anyMatch(stem -> survey.wired.reaches(mapped, stem.id()))) {
      return new SendChannelsTo(List.of(channel.id()), mapped);
    }
    return null;
  }

  private static Edit aStemOfItsOwn(Surveyed survey, StemSet set, Output mix, Channel channel) {
    String name = channel.name() + " stem";
    Output stem =
        new Output(
            "stem-" + channel.id(),
            name,
            OutputKind.STEM,
            channel.id(),
            Tap.POST_FADER,
            mix.layout(),
            mix.format(),
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

  private static Edit outOfAStem(Surveyed survey, Channel channel, List<Output> stems) {
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
  private static Edit sameTap(
      Surveyed survey, Output mix, Output stem, Channel channel, Set<Way> ways) {
    if (mix.tap() == stem.tap()) {
      return null;
    }
    Output changed = stem.withTap(mix.tap());
    double[][] gains = survey.wiredWith(changed).gains(channel.id(), stem.id(), ways);
    return isSame(survey.wired.gains(channel.id(), mix.id(), ways), gains)
        ? ChangeMix.output(stem.id(), OutputField.TAP, mix.tap())
        : null;
  }

  /** A processor that hears the sum and that no stem passes makes the mix differ from its stems. */
  private static void processedBehindStems(
      Surveyed survey, StemSet set, Output mix, List<Output> stems) {
    for (Channel channel : survey.mix.channels()) {
      boolean inStem =
          stems.stream().anyMatch(stem -> survey.wired.reaches(channel.id(), stem.id()));
      if (channel.stowed()
          || inStem
          || channel.kind() == ChannelKind.SEAT
          || channel.kind() == ChannelKind.RETURN
          || !survey.wired.reaches(channel.id(), mix.id())
          || !isProcessedAt(channel, mix)) {
        continue;
      }
      boolean tapIt = channel.id().equals(mix.channel()) && mix.tap() != Tap.PRE_CHAIN;
      survey.report(
          Rule.STEMS_DIFFER,
          Severity.WRONG,
          List.of(channel.id(), mix.id()),
          "The chain of “"
              + channel.name()
              + "” is in “"
              + mix.name()
              + "”, and the stems of “"
              + set.name()
              + "” are taken before it.",
          tapIt ? ChangeMix.output(mix.id(), OutputField.TAP, Tap.PRE_CHAIN) : null,
          switchedOff(channel));
    }
  }

  /** All processors of a channel stay, and do nothing. */
  private static Edit switchedOff(Channel channel) {
    Map<String, Changes<Insert>> off = new LinkedHashMap<>();
    channel.chain().stream()
        .filter(Insert::on)
        .forEach(
            insert -> off.put(insert.id(), Changes.of(InsertField.ALL, InsertField.ON, false)));
    return ChangeMix.inserts(channel.id(), off);
  }

  private static boolean isProcessedAt(Channel channel, Output mix) {
    boolean here = channel.id().equals(mix.channel());
    return channel.chain().stream()
        .filter(Insert::on)
        .anyMatch(
            insert ->
                !here
                    || mix.tap() == Tap.POST_FADER
                    || mix.tap() == Tap.PRE_FADER && !insert.postFader());
  }

  private static void heldOut(Surveyed survey, Output output) {
    if (output.kind() == OutputKind.MINUS && output.without().isEmpty()) {
      survey.report(
          Rule.HELD_OUT,
          Severity.DOUBTFUL,
          List.of(output.id()),
          "Output “"
              + output.name()
              + "” is a minus, and does not say what it is minus of; name the categories.");
    }
    if (output.without().isEmpty()) {
      return;
    }
    for (Channel seat : survey.mix.channels()) {
      boolean unwanted =
          seat.kind() == ChannelKind.SEAT
              && !seat.stowed()
              && output.without().stream().anyMatch(c -> CategoryTree.isWithin(seat.category(), c));
      if (unwanted && survey.wired.reaches(seat.id(), output.id())) {
        List<String> path = survey.wired.paths(seat.id(), output.id(), 1).get(0);
        survey.report(
            Rule.HELD_OUT,
            Severity.WRONG,
            List.of(seat.id(), output.id()),
            "“"
                + seat.name()
                + "” ("
                + seat.category()
                + ") is in “"
                + output.name()
                + "”, which is to be without it; it comes by way of "
                + String.join(
                    " → ", path.stream().skip(1).map(id -> survey.channels.get(id).name()).toList())
                + ".",
            cut(survey, path));
      }
    }
  }

  /** Takes away the send that brings it, if a send does. */
  private static Edit cut(Surveyed survey, List<String> path) {
    for (int i = 0; i + 1 < path.size(); i++) {
      Channel from = survey.channels.get(path.get(i));
      if (!path.get(i + 1).equals(from.output())) {
        return new RemoveSend(List.of(from.id()), path.get(i + 1));
      }
    }
    String mapped = survey.mapped(survey.channels.get(path.get(0)));
    return mapped == null || mapped.equals(survey.channels.get(path.get(0)).output())
        ? null
        : new SendChannelsTo(List.of(path.get(0)), mapped);
  }

  private static void tapped(Surveyed survey, Output output) {
    Channel channel = survey.channels.get(output.channel());
    if (channel == null) {
      survey.report(
          Rule.POINTS_NOWHERE,
          Severity.WRONG,
          List.of(output.id()),
          "Output “" + output.name() + "” taps a channel that is not in this Mix.",
          new drevik.edit.RemoveOutputs(List.of(output.id())));
    } else if (channel.stowed()) {
      survey.report(
          Rule.DESTINATION_STOWED,
          Severity.WRONG,
          List.of(output.id(), channel.id()),
          "Output “" + output.name() + "” taps “" + channel.name() + "”, which is stowed.",
          new drevik.edit.StowChannels(List.of(channel.id()), false),
          new drevik.edit.RemoveOutputs(List.of(output.id())));
    }
  }

  private static void references(Surveyed survey) {
    for (Channel reference : survey.mix.channels()) {
      if (reference.kind() != ChannelKind.REFERENCE || reference.stowed()) {
        continue;
      }
      for (Output output : survey.mix.outputs()) {
        if (survey.wired.reaches(reference.id(), output.id()) && hearsSeats(survey, output)) {
          survey.report(
              Rule.REFERENCE_HEARD,
              Severity.WRONG,
              List.of(reference.id(), output.id()),
              "The reference “" + reference.name() + "” is in output “" + output.name() + "”.",
              new SendChannelsTo(List.of(reference.id()), null));
        }
      }
      processedReference(survey, reference);
    }
  }

  private static boolean hearsSeats(Surveyed survey, Output output) {
    return survey
        .active()
        .anyMatch(c -> c.kind() == ChannelKind.SEAT && survey.wired.reaches(c.id(), output.id()));
  }

  private static void processedReference(Surveyed survey, Channel reference) {
    List<String> along = new ArrayList<>();
    for (Channel at = reference;
        at != null && along.size() <= survey.channels.size();
        at = survey.channels.get(at.output())) {
      along.add(at.id());
      if (Surveyed.isProcessed(at)) {
        survey.report(
            Rule.REFERENCE_PROCESSED,
            Severity.WRONG,
            List.of(reference.id(), at.id()),
            "The reference “" + reference.name() + "” passes the chain of “" + at.name() + "”.",
            at == reference ? switchedOff(at) : new SendChannelsTo(List.of(reference.id()), null));
        return;
      }
    }
  }

  private static void names(Surveyed survey, Map<String, Output> outputs) {
    for (FileNames.Fault fault :
        FileNames.faults(survey.mix, new NamePattern.Occasion(1, LocalDate.EPOCH))) {
      Output last = outputs.get(fault.outputs().get(fault.outputs().size() - 1));
      survey.report(
          Rule.FILE_NAME,
          Severity.WRONG,
          fault.outputs(),
          fault.says(),
          ChangeMix.output(last.id(), OutputField.NAME_PATTERN, plainName(survey, last)));
    }
  }

  /** A pattern that no other output has. */
  private static String plainName(Surveyed survey, Output output) {
    String base = "{output}";
    for (int number = 2; ; number++) {
      String pattern = base;
      Output candidate = output.withNamePattern(pattern);
      List<Output> others =
          survey.mix.outputs().stream()
              .map(other -> other.id().equals(output.id()) ? candidate : other)
              .toList();
      boolean clear =
          FileNames.faults(
                  survey.mix.withOutputs(others), new NamePattern.Occasion(1, LocalDate.EPOCH))
              .stream()
              .noneMatch(fault -> fault.outputs().contains(output.id()));
      if (clear || number > survey.mix.outputs().size() + 2) {
        return pattern;
      }
      base = "{output} " + number;
    }
  }
}
