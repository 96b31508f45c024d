package drevik.intake.measure;

import drevik.category.CategoryTree;
import drevik.category.FileName;
import drevik.category.NameSorter;
import drevik.category.Variety;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * What a delivered file is called once everything that does not tell it from its neighbours is
 * taken off: folder, ending, numbering, the song's name before every file, tempo, rate, date and
 * what an editor's export adds.
 */
public final class CleanNames {
  private static final Pattern ENDING =
      Pattern.compile("(?i)\\.(wav|wave|bwf|rf64|w64|aif|aiff|aifc|flac|caf|mp3|m4a|aac|ogg)$");
  private static final Pattern NUMBERING =
      Pattern.compile("(?i)^(?!12[ _.\\-]*str)\\d{1,3}(?=[ _.\\-]+\\S)[ _.\\-]+");
  private static final Pattern BREAKS = Pattern.compile("[_\\s]+");
  private static final Pattern JUNK =
      Pattern.compile(
          "(?i)(?<![\\p{L}\\d])(\\d{2,3}([.,]\\d+)? ?bpm|(44([.,]1)?|48|88([.,]2)?|96|192) ?k(hz)?"
              + "|(16|24|32) ?-?(bits?|b)|\\d{4}-\\d{2}-\\d{2}|(19|20)\\d{6}"
              + "|bounced?|bip|consolidated|rendered|render|exported|export|(take|tk) ?\\d{1,3}"
              + "|v\\d{1,2}|\\d{2}-\\d{2}|(stereo|mono|st)$)(?![\\p{L}\\d])");
  private static final Pattern EDGES = Pattern.compile("^[ .,\\-–()\\[\\]]+|[ .,\\-–(\\[]+$");

  /** A beginning that fewer files share is one of theirs, not the song's. */
  private static final double SHARED_BY = 0.6;

  private static final int LEAST_FILES = 4;

  /** Without a song's name, the files of a song are of several kinds still. */
  private static final int FEWEST_FAMILIES = 3;

  /** What is taken off the beginning of all names. */
  private final String prefix;

  /** What is taken off those of a folder. */
  private final Map<String, String> prefixesOfFolders;

  private CleanNames(String prefix, Map<String, String> prefixesOfFolders) {
    this.prefix = prefix;
    this.prefixesOfFolders = prefixesOfFolders;
  }

  /**
   * Looks at all names of a delivery for what they begin with together, and at those of each folder
   * as well, as the songs of an album have names of their own.
   */
  public static CleanNames of(List<String> names) {
    Map<String, List<String>> folders = new HashMap<>();
    for (String name : names) {
      folders.computeIfAbsent(FileName.folderOf(name), folder -> new ArrayList<>()).add(name);
    }
    Map<String, String> prefixes = new HashMap<>();
    if (folders.size() > 1) {
      folders.forEach((folder, in) -> prefixes.put(folder, prefixOf(in)));
    }
    return new CleanNames(prefixOf(names), prefixes);
  }

  private static String prefixOf(List<String> names) {
    Map<String, Integer> beginnings = new HashMap<>();
    for (String name : names) {
      StringBuilder beginning = new StringBuilder();
      for (String word : words(unnumbered(name))) {
        beginning.append(word).append(' ');
        beginnings.merge(beginning.toString().toLowerCase(Locale.ROOT), 1, Integer::sum);
      }
    }
    String longest = "";
    for (Map.Entry<String, Integer> entry : beginnings.entrySet()) {
      boolean shared =
          entry.getValue() >= LEAST_FILES && entry.getValue() >= SHARED_BY * names.size();
      if (shared && entry.getKey().length() > longest.length()) {
        longest = entry.getKey();
      }
    }
    return longest.isEmpty() || isWhatTheyAre(longest, names) ? "" : longest;
  }

  /**
   * Eight guitars share “Gtr”, which is what they are and no song's name. In a song's name, or its
   * producer's, a word may say something too; then what stands behind it says many other things.
   */
  private static boolean isWhatTheyAre(String prefix, List<String> names) {
    if (NameSorter.sort(prefix).category().equals(CategoryTree.UNKNOWN)) {
      return false;
    }
    List<String> rest = names.stream().map(name -> withoutPrefix(plain(name), prefix)).toList();
    return !Variety.isIn(rest, SHARED_BY, FEWEST_FAMILIES);
  }

  private static String plain(String name) {
    return String.join(" ", words(unnumbered(name))) + " ";
  }

  private static String withoutPrefix(String plain, String prefix) {
    return plain.toLowerCase(Locale.ROOT).startsWith(prefix)
        ? plain.substring(prefix.length())
        : plain;
  }

  /** The clean name; the file's own without folder and ending where nothing would be left. */
  public String of(String name) {
    String whole = plain(name);
    String ofFolder = prefixesOfFolders.getOrDefault(FileName.folderOf(name), "");
    // A folder's holds that of all, where there is one.
    String plain = withoutPrefix(whole, ofFolder);
    plain = plain.equals(whole) ? withoutPrefix(whole, prefix) : plain;
    plain = JUNK.matcher(NUMBERING.matcher(plain.strip()).replaceFirst("")).replaceAll(" ");
    plain = EDGES.matcher(BREAKS.matcher(plain).replaceAll(" ")).replaceAll("").strip();
    boolean says = plain.chars().anyMatch(Character::isLetter);
    return says ? plain : BREAKS.matcher(unfiled(name)).replaceAll(" ").strip();
  }

  private static List<String> words(String name) {
    List<String> words = new ArrayList<>(List.of(BREAKS.split(name.strip())));
    words.removeIf(word -> word.equals("-"));
    return words;
  }

  private static String unnumbered(String name) {
    return NUMBERING.matcher(unfiled(name)).replaceFirst("");
  }

  private static String unfiled(String name) {
    String file = FileName.baseOf(name);
    return Normalizer.normalize(withoutEnding(file.strip()), Normalizer.Form.NFC);
  }

  public static String withoutEnding(String name) {
    return ENDING.matcher(name).replaceFirst("");
  }
}
