package drevik.deliver;

import drevik.deliver.NamePattern.Occasion;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** File names that every file system takes, and no two the same. */
public final class FileNames {
  private static final Pattern FORBIDDEN = Pattern.compile("[/\\\\:*?\"<>|\\p{Cntrl}]");
  private static final Pattern RESERVED =
      Pattern.compile("(?i)(con|prn|aux|nul|com[0-9]|lpt[0-9])(\\..*)?");

  /** File systems take 255 bytes; an ending is added to the name. */
  private static final int MOST_BYTES = 240;

  private FileNames() {}

  /** What is wrong with a name; null if nothing is. */
  public static @Nullable String fault(String name) {
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
    if (name.length() > 200) {
      return "is longer than 200 characters";
    }
    int bytes = name.getBytes(StandardCharsets.UTF_8).length;
    return bytes > MOST_BYTES
        ? "is longer than " + MOST_BYTES + " bytes (it has " + bytes + ")"
        : null;
  }

  /** A name with what file systems refuse made into hyphens. */
  static String clean(String name) {
    return FORBIDDEN.matcher(name.strip()).replaceAll("-");
  }

  /**
   * Two outputs of one name, or one whose name cannot be, in words; empty if all is well.
   *
   * @param outputs ids of those concerned
   */
  public record Fault(List<String> outputs, String says) {}

  /** All that is wrong with the names that the outputs' patterns give. */
  public static List<Fault> faults(Mix mix, Occasion occasion) {
    List<Fault> faults = new ArrayList<>();
    Map<String, Output> seen = new HashMap<>();
    for (Output output : mix.outputs()) {
      String name = NamePattern.resolve(mix, output, occasion);
      String fault = NamePattern.fault(mix, output);
      if (fault == null) {
        fault = fault(name);
      }
      if (fault != null) {
        faults.add(
            new Fault(
                List.of(output.id()),
                "The file name “"
                    + name
                    + "” of output “"
                    + output.name()
                    + "” "
                    + fault
                    + "; change it."));
      }
      String folded = Normalizer.normalize(name, Normalizer.Form.NFC).toLowerCase(Locale.ROOT);
      Output other = seen.putIfAbsent(folded, output);
      if (other != null) {
        faults.add(
            new Fault(
                List.of(other.id(), output.id()),
                "Outputs “"
                    + other.name()
                    + "” and “"
                    + output.name()
                    + "” would both write “"
                    + name
                    + ".wav”; give one another file name."));
      }
    }
    return faults;
  }

  /**
   * Refuses outputs whose files could not be written or would overwrite each other.
   *
   * @throws Refused naming the outputs
   */
  public static void requireSound(Mix mix, Occasion occasion) {
    faults(mix, occasion).stream()
        .findFirst()
        .ifPresent(
            fault -> {
              throw new Refused(fault.says());
            });
  }
}
