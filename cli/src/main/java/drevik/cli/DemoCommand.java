package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.demo.Demo;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;

/** {@code drevik demo}: writes a demo delivery, its template and its session to a folder. */
@Parameters(commandDescription = "Writes the demo's files to a folder.")
final class DemoCommand implements Callable<Integer> {
  @Parameter(description = "DIR", required = true, converter = PathConverter.class)
  private Path folder;

  @Parameter(
      names = "--picture",
      description = "The show for a planetarium in the place of the song.")
  private boolean picture;

  @Override
  public Integer call() throws IOException {
    (picture ? Demo.NINETY_MOONS : Demo.WEATHERVANE).writeTo(folder);
    Output.print(folder + "\n");
    return 0;
  }
}
