package drevik.deliver;

import drevik.mix.Mix;
import drevik.mix.Output;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * What a printed file is called. A pattern is text with tokens in braces: {@code {project}} the
 * Mix's name, {@code {output}} the output's, {@code {layout}}, {@code {rate}} in kHz, {@code
 * {revision}} the Mix's revision as “r12”, {@code {date}} of the print as 2026-03-14. What a file
 * system refuses in a name that a token brings becomes a hyphen.
 */
public final class NamePattern {
  private static final Pattern TOKEN = Pattern.compile("\\{([^{}]*)\\}?");

  /** What a pattern cannot know by itself. */
  public record Occasion(int revision, LocalDate date) {}

  private NamePattern() {}

  /** The file's name without its ending. */
  public static String resolve(Mix mix, Output output, Occasion occasion) {
    Map<String, String> values = values(mix, output, occasion);
    return TOKEN
        .matcher(output.namePattern())
        .replaceAll(
            match -> Matcher.quoteReplacement(values.getOrDefault(match.group(1), match.group())));
  }

  /** What is wrong with a pattern; null if nothing is. */
  public static @Nullable String fault(Mix mix, Output output) {
    Map<String, String> values = values(mix, output, new Occasion(1, LocalDate.EPOCH));
    Matcher tokens = TOKEN.matcher(output.namePattern());
    while (tokens.find()) {
      if (!values.containsKey(tokens.group(1)) || !tokens.group().endsWith("}")) {
        return "has the token “"
            + tokens.group()
            + "”, which means nothing; there are {"
            + String.join("}, {", values.keySet())
            + "}";
      }
    }
    return null;
  }

  private static Map<String, String> values(Mix mix, Output output, Occasion occasion) {
    Map<String, String> values = new LinkedHashMap<>();
    values.put("project", FileNames.clean(mix.name()));
    values.put("output", FileNames.clean(output.name()));
    values.put("layout", output.layout().toString());
    values.put("rate", rate(mix.sampleRate()));
    values.put("revision", "r" + occasion.revision());
    values.put("date", occasion.date().toString());
    return values;
  }

  private static String rate(int sampleRate) {
    return sampleRate % 1000 == 0
        ? sampleRate / 1000 + "k"
        : sampleRate / 1000 + "." + sampleRate % 1000 / 100 + "k";
  }
}
