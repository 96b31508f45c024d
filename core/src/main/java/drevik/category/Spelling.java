package drevik.category;

import java.util.Arrays;

/** How far apart two spellings are. */
final class Spelling {
  private Spelling() {}

  /**
   * True for the same letters in another order, as hasty fingers type them: any order from five
   * letters on, two neighbours swapped in four.
   *
   * @param letters how much may be wrong at all
   */
  static boolean isShuffled(String a, String b, int letters) {
    return a.length() == b.length()
        && a.length() >= 4
        && Arrays.equals(a.chars().sorted().toArray(), b.chars().sorted().toArray())
        && (a.length() > 4 || distance(a, b, letters) <= 1);
  }

  /**
   * The least number of letters put in, left out, changed, or swapped with their neighbour that
   * turns {@code a} into {@code b} (optimal string alignment; O(|a|·|b|) time, three rows).
   *
   * @param limit more is not counted: the answer is then {@code limit + 1}
   */
  static int distance(String a, String b, int limit) {
    int[] before = new int[b.length() + 1];
    int[] last = new int[b.length() + 1];
    int[] row = new int[b.length() + 1];
    for (int j = 0; j <= b.length(); j++) {
      last[j] = j;
    }
    for (int i = 1; i <= a.length(); i++) {
      row[0] = i;
      int least = i;
      for (int j = 1; j <= b.length(); j++) {
        int change = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
        row[j] = Math.min(Math.min(row[j - 1], last[j]) + 1, last[j - 1] + change);
        if (i > 1
            && j > 1
            && a.charAt(i - 1) == b.charAt(j - 2)
            && a.charAt(i - 2) == b.charAt(j - 1)) {
          row[j] = Math.min(row[j], before[j - 2] + 1);
        }
        least = Math.min(least, row[j]);
      }
      if (least > limit) {
        return limit + 1;
      }
      int[] spare = before;
      before = last;
      last = row;
      row = spare;
    }
    return Math.min(limit + 1, last[b.length()]);
  }
}
