package drevik.server;

import java.security.SecureRandom;

/** Short random ids for rows and URLs. */
public final class Ids {
  private static final char[] LETTERS = "abcdefghjkmnpqrstuvwxyz23456789".toCharArray();
  private static final SecureRandom RANDOM = new SecureRandom();

  private Ids() {}

  /** Twelve letters and digits: more than 59 bits. */
  public static String next() {
    StringBuilder id = new StringBuilder(12);
    for (int i = 0; i < 12; i++) {
      id.append(LETTERS[RANDOM.nextInt(LETTERS.length)]);
    }
    return id.toString();
  }
}
