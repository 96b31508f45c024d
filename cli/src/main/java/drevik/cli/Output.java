package drevik.cli;

import com.fasterxml.jackson.annotation.JsonInclude;
import drevik.codec.Documents;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import tools.jackson.databind.json.JsonMapper;

/** Standard output in UTF-8, whatever the terminal's locale says. */
final class Output {
  // The contract names every field; what has no meaning is null.
  private static final JsonMapper WITH_NULLS =
      Documents.mapper()
          .rebuild()
          .changeDefaultPropertyInclusion(
              inclusion -> inclusion.withValueInclusion(JsonInclude.Include.ALWAYS))
          .build();

  private Output() {}

  /** One object as one line of JSON. */
  static String line(Object value) {
    return WITH_NULLS.writeValueAsString(value) + "\n";
  }

  static void print(CharSequence text) {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    out.append(text);
    out.flush();
  }
}
