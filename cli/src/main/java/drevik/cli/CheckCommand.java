package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.check.Finding;
import drevik.check.LineCheck;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;

/** {@code drevik check}: every finding about a Mix, one line each. */
@Parameters(commandDescription = "Checks a Mix and says what is wrong with it.")
final class CheckCommand implements Callable<Integer> {
  @Parameter(description = "MIX.json", required = true, converter = PathConverter.class)
  private Path mix;

  record Line(String rule, String severity, List<String> where, String says, List<String> mends) {}

  @Override
  public Integer call() {
    List<Finding> findings = LineCheck.of(MixFile.read(mix));
    StringBuilder out = new StringBuilder();
    for (Finding finding : findings) {
      List<String> mends = finding.mends().stream().map(Finding.Mend::label).toList();
      Line line =
          new Line(
              finding.rule().toString(),
              finding.severity().toString(),
              finding.where(),
              finding.says(),
              mends);
      out.append(Output.line(line));
    }
    Output.print(out);
    return findings.isEmpty() ? 0 : 1;
  }
}
