package drevik.check;

import drevik.category.CategoryTree;
import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.RemoveSend;
import drevik.edit.SendChannelsTo;
import drevik.edit.SetCategory;
import drevik.edit.Together;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Slot;
import drevik.mix.field.OutputField;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What an output must not hold, and holds; and what a minus must hold, being in the mix and not
 * held out, and does not.
 */
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
    Map<String, Integer> coming = new HashMap<>();
    for (Channel seat : survey.mix.channels()) {
      boolean unwanted =
          seat.kind() == ChannelKind.SEAT && !seat.stowed() && isHeldOut(seat, output);
      if (unwanted && survey.wired.reaches(seat.id(), output.id())) {
        List<String> path = survey.wired.paths(seat.id(), output.id(), 1).get(0);
        if (coming.isEmpty()) {
          countComing(survey, output, coming);
        }
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
            mends(survey, seat, output, path, coming).toArray(Edit[]::new));
      }
    }
    undecided(survey, output);
    if (output.kind() == OutputKind.MINUS) {
      missing(survey, output);
    }
  }

  private static boolean isHeldOut(Channel seat, Output output) {
    return output.without().stream().anyMatch(c -> CategoryTree.isWithin(seat.category(), c));
  }

  private static Stream<Channel> seats(Survey survey) {
    return survey.active().filter(channel -> channel.kind() == ChannelKind.SEAT);
  }

  /** A seat that nobody has filed may be what must not be heard, and so may another of a person. */
  private static void undecided(Survey survey, Output output) {
    Set<String> persons =
        seats(survey)
            .filter(seat -> isHeldOut(seat, output))
            .map(Channel::person)
            .filter(Objects::nonNull)
            .collect(Collectors.toSet());
    seats(survey)
        .filter(seat -> !isHeldOut(seat, output))
        .filter(seat -> survey.wired.reaches(seat.id(), output.id()))
        .filter(
            seat ->
                seat.category().equals(CategoryTree.UNKNOWN)
                    || (seat.person() != null && persons.contains(seat.person())))
        .forEach(
            seat ->
                survey.report(
                    Rule.HELD_OUT,
                    Severity.DOUBTFUL,
                    List.of(seat.id(), output.id()),
                    "“"
                        + seat.name()
                        + "” is in “"
                        + output.name()
                        + "”, which is to be without "
                        + String.join(", ", output.without())
                        + (seat.category().equals(CategoryTree.UNKNOWN)
                            ? ", and nobody has said what it is."
                            : ", and " + seat.person() + " is heard there otherwise."),
                    seat.category().equals(CategoryTree.UNKNOWN)
                        ? new SetCategory(List.of(seat.id()), output.without().get(0))
                        : null));
  }

  /** A minus holds all else that the mix holds. */
  private static void missing(Survey survey, Output minus) {
    List<Output> mixes =
        survey.mix.outputs().stream().filter(one -> one.kind() == OutputKind.MIX).toList();
    List<Channel> missing =
        seats(survey)
            .filter(seat -> !isHeldOut(seat, minus))
            .filter(seat -> mixes.stream().anyMatch(mix -> survey.now.reaches(seat.id(), mix.id())))
            .filter(seat -> !survey.now.reaches(seat.id(), minus.id()))
            .toList();
    if (missing.isEmpty()) {
      return;
    }
    Set<String> without = new LinkedHashSet<>(minus.without());
    missing.forEach(seat -> without.add(CategoryTree.topOf(seat.category())));
    without.remove(CategoryTree.UNKNOWN);
    // Where a hand has sent it, somebody has decided.
    Slot sent = Slot.OUTPUT;
    boolean decided = missing.stream().allMatch(seat -> seat.isPinned(sent));
    survey.report(
        Rule.MINUS_MISSES,
        decided ? Severity.NOTE : Severity.WRONG,
        survey.chiefFirst(List.of(minus.id()), missing.get(0).id()),
        "“"
            + minus.name()
            + "” is to be the mix without "
            + String.join(", ", minus.without())
            + ", and is without "
            + survey.names(missing.stream().map(Channel::id).toList())
            + " as well.",
        new Together(
            List.of(ChangeMix.output(minus.id(), OutputField.WITHOUT, List.copyOf(without))),
            "say that “" + minus.name() + "” is without " + String.join(", ", without)));
  }

  /**
   * What takes a seat out of the file, in the order of how little else it changes: the seat goes
   * where others of its kind go and are not heard there, or where the category map sends it; last,
   * the send that brings it is taken away, with the number of others that come by it.
   */
  private static List<Edit> mends(
      Survey survey, Channel seat, Output output, List<String> path, Map<String, Integer> coming) {
    List<Edit> mends = new ArrayList<>();
    Set<String> to = new LinkedHashSet<>();
    seats(survey)
        .filter(one -> !one.id().equals(seat.id()) && isHeldOut(one, output))
        .filter(one -> CategoryTree.related(one.category(), seat.category()) || isAlike(one, seat))
        .filter(one -> !survey.wired.reaches(one.id(), output.id()) && one.output() != null)
        .forEach(one -> to.add(String.valueOf(one.output())));
    String mapped = survey.mapped(seat);
    if (mapped != null && !survey.wired.reaches(mapped, output.id())) {
      to.add(mapped);
    }
    to.remove(seat.output());
    to.stream().limit(2).forEach(bus -> mends.add(new SendChannelsTo(List.of(seat.id()), bus)));
    for (int i = 0; i + 1 < path.size(); i++) {
      Channel from = survey.channel(path.get(i));
      String next = path.get(i + 1);
      if (!next.equals(from.output())) {
        RemoveSend cut = new RemoveSend(List.of(from.id()), next);
        int others = coming.getOrDefault(from.id(), 1) - 1;
        mends.add(
            others == 0
                ? cut
                : new Together(
                    List.of(cut),
                    cut.says(survey.mix)
                        + ", by which "
                        + others
                        + (others == 1 ? " other seat comes" : " other seats come")
                        + " into “"
                        + output.name()
                        + "” too"));
        break;
      }
    }
    return mends;
  }

  /** How many seats come into an output by way of each channel. */
  private static void countComing(Survey survey, Output output, Map<String, Integer> coming) {
    seats(survey)
        .flatMap(seat -> survey.wired.paths(seat.id(), output.id(), 1).stream())
        .forEach(path -> path.forEach(id -> coming.merge(id, 1, Integer::sum)));
  }

  private static boolean isAlike(Channel one, Channel other) {
    return CategoryTree.topOf(one.category()).equals(CategoryTree.topOf(other.category()));
  }
}
