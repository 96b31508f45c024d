package drevik.category;

import drevik.category.NameSorter.Vote;
import java.util.List;
import java.util.Set;

/**
 * How something was played, and what was used on the way, is not what it is: an organ's stab is an
 * organ, a kalimba with a delay behind its name a kalimba. Whether the delay of a voice or the
 * reverberation of a snare was printed alone or with it, no name tells; that is asked.
 */
final class Manner {
  private static final Set<String> HOW_PLAYED =
      Set.of(
          "stab",
          "stabs",
          "chop",
          "chops",
          "slap",
          "slaps",
          "muted",
          "mute",
          "flamenco",
          "pluck",
          "plucked",
          "hook",
          "slide",
          "tremolo",
          "trem",
          "funk",
          "swing",
          "soft",
          "hard",
          "reverse",
          "rev",
          "glitch",
          "crush",
          "brush",
          "brushes");

  private static final Set<String> DELAYS =
      Set.of("delay", "dly", "echo", "throw", "dly throw", "throw dly", "delay throw", "delays");

  /** What says that it was printed alone. */
  private static final Set<String> PRINTED =
      Set.of("print", "printed", "prints", "return", "rtn", "ret", "wet", "aux", "send", "only");

  private static final String RETURN = "print/return";
  private static final double ASKED = 0.66;

  private Manner() {}

  private static boolean isPlayed(Vote vote) {
    return !vote.soft() && NameSorter.MUSICAL.contains(vote.family());
  }

  static List<Vote> withoutManner(List<Vote> votes) {
    List<Vote> left =
        votes.stream()
            .filter(
                vote ->
                    !HOW_PLAYED.contains(vote.word())
                        || votes.stream()
                            .noneMatch(
                                other ->
                                    isPlayed(other)
                                        && !HOW_PLAYED.contains(other.word())
                                        && !other.family().equals(vote.family())))
            .toList();
    return isPlayedWithDelay(left)
        ? left.stream().filter(vote -> !DELAYS.contains(vote.word())).toList()
        : left;
  }

  private static boolean isPlayedWithDelay(List<Vote> votes) {
    return !votes.isEmpty()
        && DELAYS.contains(votes.get(votes.size() - 1).word())
        && !saysPrinted(votes)
        && votes.stream().anyMatch(vote -> isPlayed(vote) && !vote.family().equals("vocals"));
  }

  private static boolean saysPrinted(List<Vote> votes) {
    return votes.stream()
        .anyMatch(vote -> Set.of(vote.word().split(" ")).stream().anyMatch(PRINTED::contains));
  }

  /** How certain an answer can be at most. */
  static double mostCertain(List<Vote> votes, String family) {
    boolean eitherWay =
        votes.stream().anyMatch(vote -> vote.category().equals(RETURN))
            && !saysPrinted(votes)
            && (votes.stream().anyMatch(Manner::isPlayed) || isOfAnInstrument(votes));
    return eitherWay && (NameSorter.MUSICAL.contains(family) || family.equals("print")) ? ASKED : 1;
  }

  /** “snr verb”: a phrase of the book that names both. */
  private static boolean isOfAnInstrument(List<Vote> votes) {
    return votes.stream()
        .anyMatch(vote -> vote.category().equals(RETURN) && vote.word().indexOf(' ') > 0);
  }
}
