package drevik.mix.field;

import drevik.mix.Mix;
import drevik.mix.field.Field.Target;
import java.util.Set;

/** What in a Mix points at something else in it, by way of the fields that say so. */
public final class References {
  private References() {}

  /**
   * The Mix without anything that points at things that are gone: what may be empty is, what lists
   * them lists them no more, and what cannot be without them goes too.
   */
  public static Mix without(Mix mix, Target target, Set<String> gone) {
    return MixField.ALL.without(mix, target, gone).orElseThrow();
  }
}
