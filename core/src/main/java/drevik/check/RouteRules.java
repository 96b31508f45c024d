package drevik.check;

import drevik.audio.Decibels;
import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.RemoveChannels;
import drevik.edit.RemoveSend;
import drevik.edit.SendChannelsTo;
import drevik.edit.SetChannels;
import drevik.edit.StowChannels;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Output;
import drevik.mix.field.ChannelField;
import drevik.mix.field.OutputField;
import drevik.route.Coverage;
import drevik.route.Tie;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Where sound goes, and where it does not. */
final class RouteRules {
  private static final int PATHS_SHOWN = 2;

  private RouteRules() {}

  static void check(Surveyed survey) {
    destinationStowed(survey);
    sendsToSilence(survey);
    survey
        .active()
        .forEach(
            channel -> {
              goesNowhere(survey, channel);
              nothingArrives(survey, channel);
              layoutMismatch(survey, channel);
            });
    reachedTwice(survey);
  }

  private static void destinationStowed(Surveyed survey) {
    Map<String, List<String>> into = new LinkedHashMap<>();
    survey
        .active()
        .filter(c -> c.output() != null && survey.isStowed(c.output()))
        .forEach(c -> into.computeIfAbsent(c.output(), k -> new ArrayList<>()).add(c.id()));
    into.forEach(
        (id, from) -> {
          Channel to = survey.channels.get(id);
          survey.report(
              Rule.DESTINATION_STOWED,
              Severity.WRONG,
              survey.chiefFirst(from, id),
              survey.names(from)
                  + (from.size() == 1 ? " is" : " are")
                  + " sent to “"
                  + to.name()
                  + "”, which is stowed.",
              new StowChannels(List.of(id), false),
              to.output() == null ? null : new SendChannelsTo(from, to.output()),
              new StowChannels(from, true));
        });
  }

  private static void goesNowhere(Surveyed survey, Channel channel) {
    Channel to = survey.channels.get(channel.output());
    boolean reaches = survey.wired.reachesAnything(channel.id());
    boolean isKey = survey.from(channel.id()).stream().anyMatch(t -> t.kind() == Tie.Kind.KEY);
    boolean said = to != null && (to.stowed() || isSilentAgain(survey, to));
    // What is only compared with need not be printed.
    boolean isReference = channel.kind() == ChannelKind.REFERENCE;
    if (reaches || isKey || said || isReference || !survey.isFed(channel.id())) {
      return;
    }
    String mapped = survey.mapped(channel);
    Channel trunk = survey.trunk();
    boolean toTrunk = trunk != null && !trunk.id().equals(channel.id()) && mapped == null;
    survey.report(
        Rule.GOES_NOWHERE,
        Severity.WRONG,
        List.of(channel.id()),
        "“"
            + channel.name()
            + "” reaches no output"
            + (to == null
                ? ": it is sent nowhere."
                : ", though it is sent to “" + to.name() + "”."),
        mapped == null || mapped.equals(channel.output())
            ? null
            : new SendChannelsTo(List.of(channel.id()), mapped),
        toTrunk && !trunk.id().equals(channel.output())
            ? new SendChannelsTo(List.of(channel.id()), trunk.id())
            : null,
        new StowChannels(List.of(channel.id()), true));
  }

  /** Only the last of a silent row is named: mending it mends those before it. */
  private static boolean isSilentAgain(Surveyed survey, Channel to) {
    return !survey.wired.reachesAnything(to.id());
  }

  private static void nothingArrives(Surveyed survey, Channel channel) {
    if (!channel.kind().holdsClips() && !survey.isFed(channel.id())) {
      survey.report(
          Rule.NOTHING_ARRIVES,
          Severity.DOUBTFUL,
          List.of(channel.id()),
          "Nothing is sent to “" + channel.name() + "”.",
          new StowChannels(List.of(channel.id()), true),
          new RemoveChannels(List.of(channel.id())));
    }
  }

  private static void sendsToSilence(Surveyed survey) {
    Map<String, List<String>> into = new LinkedHashMap<>();
    survey
        .active()
        .forEach(
            channel ->
                channel.sends().stream()
                    .filter(send -> send.on() && Decibels.toGain(send.levelDb()) > 0)
                    .flatMap(send -> send.destinations().stream())
                    .distinct()
                    .filter(survey::isSilent)
                    .forEach(
                        to -> into.computeIfAbsent(to, k -> new ArrayList<>()).add(channel.id())));
    into.forEach(
        (id, from) -> {
          Channel to = survey.channels.get(id);
          survey.report(
              Rule.SEND_TO_SILENCE,
              to.stowed() ? Severity.WRONG : Severity.DOUBTFUL,
              survey.chiefFirst(from, id),
              survey.names(from)
                  + (from.size() == 1 ? " has an open send to “" : " have open sends to “")
                  + to.name()
                  + "”, which is "
                  + (to.stowed() ? "stowed." : "muted."),
              to.stowed()
                  ? new StowChannels(List.of(id), false)
                  : SetChannels.of(List.of(id), ChannelField.MUTE, false),
              new RemoveSend(from, id));
        });
  }

  private static void layoutMismatch(Surveyed survey, Channel channel) {
    Channel to = survey.channels.get(channel.output());
    if (to != null && !to.stowed() && to.layout().channels() < channel.layout().channels()) {
      survey.report(
          Rule.LAYOUT_MISMATCH,
          Severity.DOUBTFUL,
          List.of(channel.id(), to.id()),
          "“"
              + channel.name()
              + "” is "
              + channel.layout()
              + " and is folded into “"
              + to.name()
              + "”, which is "
              + to.layout()
              + ".",
          SetChannels.of(List.of(to.id()), ChannelField.LAYOUT, channel.layout()),
          SetChannels.of(List.of(channel.id()), ChannelField.LAYOUT, to.layout()));
    }
    for (Output output : survey.mix.outputs()) {
      if (output.channel().equals(channel.id())
          && output.layout().channels() < channel.layout().channels()
          && isOnlyFile(survey, output)) {
        survey.report(
            Rule.LAYOUT_MISMATCH,
            Severity.NOTE,
            List.of(channel.id(), output.id()),
            "Output “"
                + output.name()
                + "” folds “"
                + channel.name()
                + "” from "
                + channel.layout()
                + " to "
                + output.layout()
                + ", and no other output has it in full.",
            ChangeMix.output(output.id(), OutputField.LAYOUT, channel.layout()));
      }
    }
  }

  /** A fold-down beside the full file is the trade's habit; alone it is worth a word. */
  private static boolean isOnlyFile(Surveyed survey, Output output) {
    return survey.mix.outputs().stream()
        .noneMatch(
            other ->
                other.channel().equals(output.channel())
                    && other.layout().channels() > output.layout().channels());
  }

  private static void reachedTwice(Surveyed survey) {
    Set<List<List<String>>> told = new LinkedHashSet<>();
    for (Channel seat : survey.mix.channels()) {
      if (!seat.kind().holdsClips() || !survey.now.isHeardTwice(seat.id())) {
        continue;
      }
      for (Output output : survey.mix.outputs()) {
        long count = survey.now.paths(seat.id(), output.id(), Coverage.Way.DRY);
        if (count < 2) {
          continue;
        }
        List<List<String>> paths = dryPaths(survey, seat.id(), output.id());
        // One finding for one fault: outputs that hear the same two ways share it.
        if (paths.size() >= PATHS_SHOWN && told.add(paths)) {
          survey.report(
              Rule.REACHED_TWICE,
              Severity.WRONG,
              List.of(seat.id(), output.id()),
              "“"
                  + seat.name()
                  + "” reaches output “"
                  + output.name()
                  + "” "
                  + (count == 2 ? "twice" : count + " times")
                  + ": "
                  + words(survey, paths.get(0))
                  + ", and "
                  + words(survey, paths.get(1))
                  + ".",
              mends(survey, paths));
        }
      }
    }
  }

  private static List<List<String>> dryPaths(Surveyed survey, String seat, String output) {
    List<List<String>> dry = new ArrayList<>();
    for (List<String> path : survey.now.paths(seat, output, 64)) {
      boolean isDry =
          path.stream()
              .allMatch(
                  id ->
                      survey.channels.get(id).kind() != ChannelKind.RETURN
                          && !survey.parallels.contains(id));
      if (isDry && dry.size() < PATHS_SHOWN) {
        dry.add(path);
      }
    }
    return dry;
  }

  /** Sends on one of the paths are what is too much; outputs are seldom. */
  private static Edit[] mends(Surveyed survey, List<List<String>> paths) {
    Set<Edit> mends = new LinkedHashSet<>();
    for (List<String> path : paths) {
      for (int i = 0; i + 1 < path.size(); i++) {
        Channel from = survey.channels.get(path.get(i));
        String to = path.get(i + 1);
        if (!to.equals(from.output())) {
          mends.add(new RemoveSend(List.of(from.id()), to));
        }
      }
    }
    return mends.toArray(Edit[]::new);
  }

  private static String words(Surveyed survey, List<String> path) {
    return "by way of "
        + String.join(
            " → ", path.stream().skip(1).map(id -> survey.channels.get(id).name()).toList());
  }
}
