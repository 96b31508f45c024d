package drevik.cli;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;

/** Standard output in UTF-8, whatever the terminal's locale says. */
final class Output {
  private Output() {}

  static void print(CharSequence text) {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    out.append(text);
    out.flush();
  }
}
