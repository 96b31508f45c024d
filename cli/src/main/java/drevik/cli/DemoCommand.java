package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.demo.WeathervaneDemo;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;

/** {@code drevik demo}: writes the demo delivery, its template and its session to a folder. */
@Parameters(commandDescription = "Writes the demo's files to a folder.")
final class DemoCommand implements Callable<Integer> {
  @Parameter(description = "DIR", required = true, converter = PathConverter.class)
  private Path folder;

  @Override
  public Integer call() throws IOException {
    WeathervaneDemo.writeTo(folder);
    Output.print(folder + "\n");
    return 0;
  }
}
