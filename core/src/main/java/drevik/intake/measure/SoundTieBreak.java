package drevik.intake.measure;

import drevik.category.CategoryTree;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Where a name fits two things, or is only half sure, the sound decides: whether it is struck or
 * held, how often it begins, how bright it is. It never decides against a name that is plain.
 */
final class SoundTieBreak {
  /** Two things that one word is used for, and how the second of them sounds. */
  private record Twofold(List<String> words, String first, String second, String because) {}

  private static final Twofold SUB =
      new Twofold(
          List.of("sub"), "bass/sub", "drums/kick", "it is struck, as before a kick's skin");
  private static final Twofold AMBIENCE =
      new Twofold(
          List.of("amb", "ambi", "ambient", "ambience"),
          "ambience",
          "drums/room",
          "it is struck again and again, as a kit in its room");
  private static final Twofold ROOM =
      new Twofold(
          List.of("room", "rm"), "drums/room", "ambience/tone", "it is even and quiet all through");

  private static final List<String> STRUCK = List.of("drums", "percussion");
  private static final List<String> HELD =
      List.of("strings", "winds", "brass", "orchestra", "keys/organ", "synth/pad", "vocals/choir");

  private static final double DECIDED = 0.6;
  private static final double AGREED = 0.74;
  private static final double DISAGREED = 0.7;

  /** Below this share of its sound near the peak a file is struck, above the other it is held. */
  private static final double STRUCK_BELOW = 0.75;

  private static final double HELD_ABOVE = 0.85;

  private static final double QUIET_LUFS = -45;
  private static final double DULL_HZ = 1000;

  private SoundTieBreak() {}

  /** The name's answer, or another where the sound speaks clearly. */
  static Sorting of(String name, Sorting byName, Inspection found) {
    if (found.silent() || found.sound().sustainedShare() == 0) {
      return byName;
    }
    return twofold(name, byName, found).orElseGet(() -> weighed(byName, found.sound()));
  }

  private static Optional<Sorting> twofold(String name, Sorting byName, Inspection found) {
    List<String> words = NameSorter.wordsOf(name);
    Sound sound = found.sound();
    boolean struck = isStruck(sound);
    if (fits(SUB, words, byName) && struck && isDull(sound)) {
      return Optional.of(decided(SUB));
    }
    if (fits(AMBIENCE, words, byName) && struck && sound.onsetsPerSecond() >= 1.5) {
      return Optional.of(decided(AMBIENCE));
    }
    boolean quiet = found.integratedLufs() == null || found.integratedLufs() < QUIET_LUFS;
    if (fits(ROOM, words, byName) && isHeld(sound) && sound.onsetsPerSecond() < 0.1 && quiet) {
      return Optional.of(decided(ROOM));
    }
    return Optional.empty();
  }

  /** Only where nothing else stands in the name, and it was not a person who said so. */
  private static boolean fits(Twofold twofold, List<String> words, Sorting byName) {
    return !words.isEmpty()
        && twofold.words.containsAll(words)
        && CategoryTree.isWithin(byName.category(), twofold.first);
  }

  private static Sorting decided(Twofold twofold) {
    return new Sorting(
        twofold.second,
        DECIDED,
        Sorting.Source.SOUND,
        List.of("“" + twofold.words.get(0) + "” may be two things; " + twofold.because));
  }

  /** A doubtful name is surer where the sound is of its kind, and less sure where it is not. */
  private static Sorting weighed(Sorting byName, Sound sound) {
    boolean unsure = byName.confidence() < Sorting.SURE;
    boolean wantsStruck = isAny(STRUCK, byName.category());
    boolean wantsHeld = isAny(HELD, byName.category());
    if (!unsure || (!wantsStruck && !wantsHeld)) {
      return byName;
    }
    boolean agrees = wantsStruck ? isStruck(sound) : isHeld(sound);
    boolean opposes = wantsStruck ? isHeld(sound) : isStruck(sound);
    if (!agrees && !opposes) {
      return byName;
    }
    List<String> because = new ArrayList<>(byName.because());
    String kind = wantsStruck ? "is struck" : "is held";
    because.add(agrees ? "it " + kind + ", as such sounds are" : "but it hardly " + kind);
    double confidence =
        agrees ? Math.max(byName.confidence(), AGREED) : byName.confidence() * DISAGREED;
    return new Sorting(byName.category(), confidence, Sorting.Source.NAME_WEIGHED, because);
  }

  private static boolean isAny(List<String> families, String category) {
    return families.stream().anyMatch(family -> CategoryTree.isWithin(category, family));
  }

  private static boolean isStruck(Sound sound) {
    return sound.sustainedShare() < STRUCK_BELOW && sound.onsetsPerSecond() >= 0.5;
  }

  private static boolean isHeld(Sound sound) {
    return sound.sustainedShare() > HELD_ABOVE;
  }

  private static boolean isDull(Sound sound) {
    return sound.brightnessHz() != null && sound.brightnessHz() < DULL_HZ;
  }
}
