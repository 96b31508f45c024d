package drevik.check;

import drevik.category.CategoryTree;
import drevik.check.Finding.Severity;
import drevik.edit.Edit;
import drevik.edit.RemoveSend;
import drevik.edit.SendChannelsTo;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What an output must not hold, and holds. */
final class HeldOut implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.mix.outputs().forEach(output -> heldOut(survey, output));
  }

  private static void heldOut(Survey survey, Output output) {
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
                    " → ", path.stream().skip(1).map(id -> survey.channel(id).name()).toList())
                + ".",
            cut(survey, path));
      }
    }
  }

  /** Takes away the send that brings it, if a send does. */
  private static @Nullable Edit cut(Survey survey, List<String> path) {
    for (int i = 0; i + 1 < path.size(); i++) {
      Channel from = survey.channel(path.get(i));
      if (!path.get(i + 1).equals(from.output())) {
        return new RemoveSend(List.of(from.id()), path.get(i + 1));
      }
    }
    String mapped = survey.mapped(survey.channel(path.get(0)));
    return mapped == null || mapped.equals(survey.channel(path.get(0)).output())
        ? null
        : new SendChannelsTo(List.of(path.get(0)), mapped);
  }
}
