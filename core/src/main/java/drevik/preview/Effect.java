package drevik.preview;

import drevik.edit.Edit;
import drevik.merge.Differences;
import drevik.mix.Mix;
import drevik.mix.field.Changes;
import drevik.mix.field.MixField;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * What an edit does to one state of a Mix: whatever becomes another, from what, in all of it.
 * Things are told apart by their ids, not by their names.
 */
public final class Effect {
  private final Mix before;
  private final Mix after;

  private Effect(Mix before, Mix after) {
    this.before = before;
    this.after = after;
  }

  /**
   * What an edit does to a Mix.
   *
   * @throws drevik.mix.Refused if the edit cannot be made
   */
  public static Effect of(Mix before, Edit edit) {
    return new Effect(before, edit.applyTo(before));
  }

  /**
   * How this one differs from the one that somebody has seen, in words; empty if it is the same.
   */
  public List<String> differsFrom(Effect seen) {
    if (isSame(seen)) {
      return List.of();
    }
    Set<String> words = words();
    Set<String> seenWords = seen.words();
    List<String> other = new ArrayList<>();
    words.stream().filter(line -> !seenWords.contains(line)).forEach(other::add);
    seenWords.stream()
        .filter(line -> !words.contains(line))
        .map(line -> "no longer " + line)
        .forEach(other::add);
    return other.isEmpty() ? List.of("the same of others of these names") : other;
  }

  /** What it was is compared too: who sees a fader go from −3 dB to 0 does not mean one at −9. */
  private boolean isSame(Effect other) {
    return Changes.between(MixField.ALL, before, after)
            .equals(Changes.between(MixField.ALL, other.before, other.after))
        && Changes.between(MixField.ALL, after, before)
            .equals(Changes.between(MixField.ALL, other.after, other.before));
  }

  private Set<String> words() {
    return new LinkedHashSet<>(Differences.between(before, after));
  }
}
