package drevik.category;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The categories that every channel and every delivered file is filed under. A path names a node.
 */
public final class CategoryTree {
  public static final String UNKNOWN = "unknown";

  private static final Map<String, List<String>> TREE = new LinkedHashMap<>();
  private static final List<String> ALL = new ArrayList<>();

  static {
    family("drums", "kick snare hat tom cymbal overhead room clap loop");
    family("percussion", "shaker tambourine hand mallet");
    family("bass", "electric upright synth sub");
    family("guitar", "acoustic electric lead steel plucked");
    family("keys", "piano electric-piano organ clav accordion");
    family("synth", "lead pad arp pluck");
    family("strings", "violin viola cello section");
    family("brass", "trumpet trombone horn section");
    family("winds", "sax flute clarinet section");
    family("orchestra", "");
    family("vocals", "lead double backing choir adlib");
    family("fx", "");
    family("dialogue", "production adr futz crowd");
    family("narration", "");
    family("interview", "field");
    family("natural", "");
    family("foley", "feet props cloth");
    family("effects", "hard design production");
    family("ambience", "tone");
    family("score", "source");
    family("click", "");
    family("reference", "rough song guide");
    family("print", "stem return");
    family(UNKNOWN, "");
  }

  private CategoryTree() {}

  private static void family(String top, String children) {
    List<String> paths = new ArrayList<>();
    ALL.add(top);
    for (String child : children.split(" ", 0)) {
      if (!child.isEmpty()) {
        paths.add(top + "/" + child);
      }
    }
    ALL.addAll(paths);
    TREE.put(top, List.copyOf(paths));
  }

  /** Every path, parents before their children, in the trade's order from drums to prints. */
  public static List<String> all() {
    return List.copyOf(ALL);
  }

  public static boolean has(String path) {
    return ALL.contains(path);
  }

  /** Children of a top-level category; empty for others. */
  public static List<String> childrenOf(String top) {
    return TREE.getOrDefault(top, List.of());
  }

  /** Place in {@link #all()}, for ordering. */
  public static int orderOf(String path) {
    int at = ALL.indexOf(path);
    return at < 0 ? ALL.size() : at;
  }

  public static String topOf(String path) {
    int slash = path.indexOf('/');
    return slash < 0 ? path : path.substring(0, slash);
  }

  /** 0 for the top of a family, more for what is below it. */
  public static int depthOf(String path) {
    return (int) path.chars().filter(sign -> sign == '/').count();
  }

  public static Optional<String> parentOf(String path) {
    int slash = path.lastIndexOf('/');
    return slash < 0 ? Optional.empty() : Optional.of(path.substring(0, slash));
  }

  /** True for a word that is the name of the category or of one above it, in number one or more. */
  static boolean isNamed(String path, String word) {
    List<String> names = List.of(path.split("[/-]"));
    return names.contains(word)
        || (word.endsWith("s") && names.contains(word.replaceFirst("s$", "")));
  }

  /** True if {@code path} is {@code ancestor} or stands below it. */
  public static boolean isWithin(String path, String ancestor) {
    return path.equals(ancestor) || path.startsWith(ancestor + "/");
  }

  /** True if one is the other, or covers it. */
  public static boolean related(String one, String other) {
    return isWithin(one, other) || isWithin(other, one);
  }

  public static String unknownMessage(String path) {
    return "There is no category “" + path + "”; choose one of the tree, such as drums/kick.";
  }
}
