package drevik.category;

import drevik.category.NameSorter.Vote;
import java.util.List;
import java.util.stream.Stream;

/**
 * Names of two instruments of which one only describes the other: a bass clarinet is no bass, synth
 * strings are a synth, a guitar's room is a guitar, the reverb of a snare is an effect that was
 * printed.
 */
final class Compounds {
  /** Where something within {@code head} is named, what lies within {@code describing} is not. */
  private record Compound(List<String> describing, List<String> head) {}

  private static final List<String> PLAYED =
      words("drums percussion bass guitar keys synth strings brass winds orchestra vocals");
  private static final List<String> SPOKEN =
      words("dialogue narration interview natural foley effects score");

  private static final List<Compound> COMPOUNDS =
      List.of(
          new Compound(
              Stream.of(PLAYED, SPOKEN, words("fx ambience click")).flatMap(List::stream).toList(),
              words("print reference")),
          new Compound(words("click"), words("drums percussion")),
          new Compound(words("bass/sub"), words("drums fx percussion")),
          new Compound(words("fx ambience drums/room"), without(PLAYED, "drums")),
          new Compound(words("fx ambience"), words("drums")),
          // “Dx” is the right side in Italian; a boom or a production may belong to a band as well.
          new Compound(words("dialogue effects score"), without(PLAYED, "vocals")),
          new Compound(words("vocals/backing"), words("guitar synth keys strings brass winds")),
          new Compound(words("synth"), words("drums percussion bass")),
          new Compound(words("keys strings brass winds vocals/choir"), words("synth")),
          new Compound(words("strings"), words("guitar")),
          new Compound(words("bass"), words("winds brass vocals percussion")),
          new Compound(words("orchestra"), without(PLAYED, "orchestra")),
          new Compound(words("vocals"), words("narration dialogue interview")),
          new Compound(words("dialogue"), words("ambience/tone narration interview")),
          new Compound(words("natural"), words("ambience interview")),
          new Compound(words("effects"), words("foley ambience dialogue/production")),
          new Compound(words("fx"), words("effects foley score dialogue")),
          new Compound(words("score"), words("click fx")));

  private Compounds() {}

  private static List<String> words(String words) {
    return List.of(words.split(" "));
  }

  private static List<String> without(List<String> words, String word) {
    return words.stream().filter(one -> !one.equals(word)).toList();
  }

  /** The votes without those of words that describe another; the first rule that applies wins. */
  static List<Vote> withoutDescribing(List<Vote> votes) {
    List<Vote> left = votes;
    for (Compound compound : COMPOUNDS) {
      List<Vote> heads =
          left.stream().filter(vote -> !vote.soft() && isWithin(vote, compound.head)).toList();
      left = left.stream().filter(vote -> !describes(vote, compound, heads)).toList();
    }
    return left;
  }

  private static boolean describes(Vote vote, Compound compound, List<Vote> heads) {
    return isWithin(vote, compound.describing)
        && heads.stream().anyMatch(head -> !head.family().equals(vote.family()));
  }

  private static boolean isWithin(Vote vote, List<String> ancestors) {
    return ancestors.stream().anyMatch(one -> CategoryTree.isWithin(vote.category(), one));
  }
}
