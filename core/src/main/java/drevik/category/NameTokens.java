package drevik.category;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
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
  private static final Pattern FOLDERS = Pattern.compile("[/\\\\]+");

  /** Numbers that are part of an instrument's name. */
  private static final Set<String> MEANING = Set.of("808", "12");

  /** What a “2” in front of belongs to: two-mix, two-track. */
  private static final Set<String> OF_TWO = Set.of("mix", "trk", "track", "bus", "pop");

  /** “Ep3” counts episodes; it is no electric piano. */
  private static final Pattern EPISODE =
      Pattern.compile(
          "(?<![\\p{L}\\d])(?:[Ee]p\\d{1,3}|EP\\d{2,3}|[Ss]\\d{1,2}[Ee]\\d{1,3})(?![\\p{L}\\d])");

  /** Letters that are no letter with a mark over it, and how they are written without. */
  private static final Map<String, String> LETTERS =
      Map.ofEntries(
          Map.entry("ß", "ss"),
          Map.entry("ø", "o"),
          Map.entry("Ø", "O"),
          Map.entry("æ", "ae"),
          Map.entry("Æ", "Ae"),
          Map.entry("œ", "oe"),
          Map.entry("Œ", "Oe"),
          Map.entry("ł", "l"),
          Map.entry("Ł", "L"),
          Map.entry("đ", "d"),
          Map.entry("Đ", "D"),
          Map.entry("ı", "i"));

  private static final Pattern FLUEGEL = Pattern.compile("(?iu)(f)lügel");

  private NameTokens() {}

  /** “01_LdVox dbl 2.wav” gives ld, vox, dbl; numbers are left out unless they mean something. */
  static List<String> of(String name) {
    return split(file(name), true);
  }

  /** The same without a break where small letters meet capitals: “KiCk” stays whole. */
  static List<String> ignoringCase(String name) {
    return split(file(name), false);
  }

  /** Words of each folder above the file, the nearest first. */
  static List<List<String>> ofFolders(String path) {
    String[] parts = FOLDERS.split(path, 0);
    List<List<String>> folders = new ArrayList<>();
    for (int i = parts.length - 2; i >= 0; i--) {
      folders.add(split(parts[i], true));
    }
    return folders;
  }

  /** The file's name without folder and ending. */
  static String file(String path) {
    String file = FileName.baseOf(path);
    return ENDING.matcher(file.strip()).replaceFirst("");
  }

  private static List<String> split(String text, boolean atCapitals) {
    // Without its dots the German grand piano would read as the short name of a horn.
    String grand =
        FLUEGEL.matcher(Normalizer.normalize(text, Normalizer.Form.NFC)).replaceAll("$1luegel");
    String plain = MARKS.matcher(Normalizer.normalize(grand, Normalizer.Form.NFKD)).replaceAll("");
    for (Map.Entry<String, String> letter : LETTERS.entrySet()) {
      plain = plain.replace(letter.getKey(), letter.getValue());
    }
    List<String> tokens = new ArrayList<>();
    String counted = EPISODE.matcher(plain).replaceAll(" ");
    String counting = BREAKS.matcher(counted).replaceAll("").isEmpty() ? plain : counted;
    for (String part : BREAKS.split(counting, 0)) {
      for (String word : atCapitals ? CAMEL.split(part) : new String[] {part}) {
        for (String piece : LETTER_DIGIT.split(word, 0)) {
          add(tokens, piece.toLowerCase(Locale.ROOT));
        }
      }
    }
    tokens.removeIf(token -> isNumber(token) && !MEANING.contains(token));
    return tokens;
  }

  private static void add(List<String> tokens, String token) {
    int last = tokens.size() - 1;
    if (last >= 0 && tokens.get(last).equals("2") && OF_TWO.contains(token)) {
      tokens.set(last, "2" + token);
    } else if (!token.isEmpty()) {
      tokens.add(token);
    }
  }

  private static boolean isNumber(String token) {
    return token.chars().allMatch(Character::isDigit);
  }
}
