package drevik.mix.field;

import org.jspecify.annotations.Nullable;

/** What becomes of one field. */
public sealed interface Change<V> permits Change.To, FiguresChange, ListChange {
  /**
   * The value after it.
   *
   * @throws drevik.mix.Refused if what it changes is not there any more
   */
  @Nullable V applyTo(@Nullable V value);

  /**
   * The field has this value from now on.
   *
   * @param value null for none
   */
  record To<V>(@Nullable V value) implements Change<V> {
    @Override
    public @Nullable V applyTo(@Nullable V before) {
      return value;
    }
  }
}
