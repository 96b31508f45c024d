package drevik.check;

import drevik.edit.Edit;
import drevik.mix.Mix;
import java.util.List;
import java.util.Locale;

/**
 * Something about a Mix that is wrong, or might be.
 *
 * @param where ids of the channels and outputs that it is about, the chief one first
 * @param says what is wrong, in words
 * @param mends edits that put it right, the likeliest first
 */
public record Finding(
    Rule rule, Severity severity, List<String> where, String says, List<Mend> mends) {
  /** How much it weighs. */
  public enum Severity {
    /** A deliverable would be wrong. */
    WRONG,
    /** It is probably not meant. */
    DOUBTFUL,
    /** Good to know. */
    NOTE;

    @Override
    public String toString() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** An edit that puts a finding right. */
  public record Mend(String label, Edit edit) {
    static Mend of(Mix mix, Edit edit) {
      String says = edit.says(mix);
      return new Mend(says.substring(0, 1).toUpperCase(Locale.ROOT) + says.substring(1), edit);
    }
  }

  public Finding {
    where = List.copyOf(where);
    mends = List.copyOf(mends);
  }
}
