package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.Edit;
import drevik.edit.RemoveSend;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Output;
import drevik.route.Coverage;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Seats that arrive at one output by two dry ways. */
final class ReachedTwice implements LineCheckRule {
  private static final int PATHS_SHOWN = 2;

  @Override
  public void check(Survey survey) {
    reachedTwice(survey);
  }

  private static void reachedTwice(Survey survey) {
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

  private static List<List<String>> dryPaths(Survey survey, String seat, String output) {
    List<List<String>> dry = new ArrayList<>();
    for (List<String> path : survey.now.paths(seat, output, 64)) {
      boolean isDry =
          path.stream()
              .allMatch(
                  id ->
                      survey.channel(id).kind() != ChannelKind.RETURN
                          && !survey.parallels.contains(id));
      if (isDry && dry.size() < PATHS_SHOWN) {
        dry.add(path);
      }
    }
    return dry;
  }

  /** Sends on one of the paths are what is too much; outputs are seldom. */
  private static Edit[] mends(Survey survey, List<List<String>> paths) {
    Set<Edit> mends = new LinkedHashSet<>();
    for (List<String> path : paths) {
      for (int i = 0; i + 1 < path.size(); i++) {
        Channel from = survey.channel(path.get(i));
        String to = path.get(i + 1);
        if (!to.equals(from.output())) {
          mends.add(new RemoveSend(List.of(from.id()), to));
        }
      }
    }
    return mends.toArray(Edit[]::new);
  }

  private static String words(Survey survey, List<String> path) {
    return "by way of "
        + String.join(" → ", path.stream().skip(1).map(id -> survey.channel(id).name()).toList());
  }
}
