package drevik.render;

import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import java.text.Normalizer;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/** File names that every file system takes, and no two the same. */
public final class FileNames {
  private static final Pattern FORBIDDEN = Pattern.compile("[/\\\\:*?\"<>|\\p{Cntrl}]");
  private static final Pattern RESERVED =
      Pattern.compile("(?i)(con|prn|aux|nul|com[0-9]|lpt[0-9])(\\..*)?");

  private FileNames() {}

  /** What is wrong with a name; null if nothing is. */
  public static String fault(String name) {
    if (name == null || name.isBlank()) {
      return "is empty";
    }
    if (FORBIDDEN.matcher(name).find()) {
      return "has a character that file systems refuse (/ \\ : * ? \" < > | or a control character)";
    }
    if (name.endsWith(".") || name.endsWith(" ") || name.startsWith(" ")) {
      return "begins or ends with a blank, or ends with a dot";
    }
    if (RESERVED.matcher(name).matches()) {
      return "is reserved on Windows";
    }
    return name.length() > 200 ? "is longer than 200 characters" : null;
  }

  /**
   * Refuses outputs whose files could not be written or would overwrite each other.
   *
   * @throws Refused naming the outputs
   */
  public static void requireSound(Mix mix) {
    Map<String, Output> seen = new HashMap<>();
    for (Output output : mix.outputs()) {
      String fault = fault(output.fileName());
      if (fault != null) {
        throw new Refused(
            "The file name “"
                + output.fileName()
                + "” of output “"
                + output.name()
                + "” "
                + fault
                + "; change it.");
      }
      String folded =
          Normalizer.normalize(output.fileName(), Normalizer.Form.NFC).toLowerCase(Locale.ROOT);
      Output other = seen.putIfAbsent(folded, output);
      if (other != null) {
        throw new Refused(
            "Outputs “"
                + other.name()
                + "” and “"
                + output.name()
                + "” would both write “"
                + output.fileName()
                + ".wav”; give one another file name.");
      }
    }
  }
}
