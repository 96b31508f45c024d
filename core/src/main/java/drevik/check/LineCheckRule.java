package drevik.check;

/**
 * One thing that the line check looks for. A rule that throws takes nothing else down: it is a
 * finding itself.
 */
interface LineCheckRule {
  /** Reports what it finds to {@code survey}. */
  void check(Survey survey);

  /** What it looks for, in words: “reached twice”. */
  default String words() {
    return getClass()
        .getSimpleName()
        .replaceAll("(?<=[a-z])(?=[A-Z])", " ")
        .toLowerCase(java.util.Locale.ROOT);
  }
}
