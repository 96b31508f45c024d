package drevik.category;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/** Takes a file's name apart into lower-case words. */
final class NameTokens {
  private static final Pattern ENDING =
      Pattern.compile("(?i)\\.(wav|wave|bwf|rf64|w64|aif|aiff|aifc|flac|caf|mp3|m4a|aac|ogg)$");
  private static final Pattern MARKS = Pattern.compile("\\p{M}+");
  private static final Pattern CAMEL =
      Pattern.compile("(?<=\\p{Ll})(?=\\p{Lu})|(?<=\\p{Lu})(?=\\p{Lu}\\p{Ll}\\p{Ll})");
  private static final Pattern LETTER_DIGIT =
      Pattern.compile("(?<=\\p{L}{2})(?=\\d)|(?<=\\d)(?=\\p{L}{2})");
  private static final Pattern BREAKS = Pattern.compile("[^\\p{L}\\d]+");

  private NameTokens() {}

  /** “01_LdVox dbl 2.wav” gives ld, vox, dbl; numbers are left out unless they mean something. */
  static List<String> of(String name) {
    String file = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
    String plain = ENDING.matcher(file.strip()).replaceFirst("");
    plain = MARKS.matcher(Normalizer.normalize(plain, Normalizer.Form.NFKD)).replaceAll("");
    List<String> tokens = new ArrayList<>();
    for (String part : BREAKS.split(plain)) {
      for (String word : CAMEL.split(part)) {
        for (String piece : LETTER_DIGIT.split(word)) {
          String token = piece.toLowerCase(Locale.ROOT);
          if (!token.isEmpty() && (!isNumber(token) || MEANING.contains(token))) {
            tokens.add(token);
          }
        }
      }
    }
    return tokens;
  }

  private static final List<String> MEANING = List.of("808", "12");

  private static boolean isNumber(String token) {
    return token.chars().allMatch(Character::isDigit);
  }
}
