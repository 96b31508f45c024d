package drevik.preview;

import drevik.edit.Edit;
import drevik.mix.Mix;
import drevik.mix.field.Changes;
import drevik.mix.field.MixField;
import drevik.refit.Differences;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * What an edit does to one state of a Mix: whatever becomes another, from what, in all of it.
 * Things are told apart by their ids, not by their names.
 */
public final class Effect {
  private final Changes<Mix> forth;
  private final Changes<Mix> back;
  private final Set<String> words;

  private Effect(Mix before, Mix after) {
    forth = Changes.between(MixField.ALL, before, after);
    back = Changes.between(MixField.ALL, after, before);
    words = new LinkedHashSet<>(Differences.between(before, after));
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
    if (forth.equals(seen.forth) && back.equals(seen.back)) {
      return List.of();
    }
    List<String> other = new ArrayList<>();
    words.stream().filter(line -> !seen.words.contains(line)).forEach(other::add);
    seen.words.stream()
        .filter(line -> !words.contains(line))
        .map(line -> "no longer " + line)
        .forEach(other::add);
    return other.isEmpty() ? List.of("the same of others of these names") : other;
  }
}
