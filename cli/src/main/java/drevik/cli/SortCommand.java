package drevik.cli;

import com.beust.jcommander.Parameters;
import drevik.category.DeliverySorting;
import drevik.category.Sorting;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.Callable;

/**
 * {@code drevik sort}: names on standard input, one per line, as one delivery; a category for each.
 */
@Parameters(
    commandDescription =
        "Reads names from standard input, one per line, and gives each its category.")
final class SortCommand implements Callable<Integer> {
  record Line(String name, String category, double confidence, List<String> because) {}

  @Override
  public Integer call() throws IOException {
    BufferedReader names =
        new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
    List<String> all = names.lines().toList();
    List<Sorting> sortings = DeliverySorting.ofNames(all);
    StringBuilder out = new StringBuilder();
    for (int i = 0; i < all.size(); i++) {
      Sorting s = sortings.get(i);
      Line line = new Line(all.get(i), s.category(), s.confidence(), s.because());
      out.append(Output.line(line));
    }
    Output.print(out);
    return 0;
  }
}
