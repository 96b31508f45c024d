package drevik.cli;

import drevik.demo.WeathervaneDemo;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code drevik demo}: writes the demo delivery, its template and its session to a folder. */
@Command(name = "demo", description = "Writes the demo's files to a folder.")
final class DemoCommand implements Callable<Integer> {
  @Parameters(paramLabel = "DIR")
  private Path folder;

  @Override
  public Integer call() throws IOException {
    WeathervaneDemo.writeTo(folder);
    Output.print(folder + "\n");
    return 0;
  }
}
