package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.mix.Channel;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.route.Coverage;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Callable;

/** {@code drevik cover}: how much of each seat reaches each output, one line for each that does. */
@Parameters(commandDescription = "Says how much of each seat reaches each output.")
final class CoverCommand implements Callable<Integer> {
  @Parameter(description = "MIX.json", required = true, converter = PathConverter.class)
  private Path file;

  /** Names stand for ids. */
  record Line(
      String seat, String category, String output, long paths, double gainDb, boolean dipped) {}

  @Override
  public Integer call() {
    Mix mix = MixFile.read(file);
    Map<String, Channel> channels = mix.channelsById();
    Map<String, String> outputs = new HashMap<>();
    mix.outputs().forEach(output -> outputs.put(output.id(), output.name()));
    StringBuilder out = new StringBuilder();
    for (Coverage.Cell cell : Coverage.of(mix).cells()) {
      Channel seat = Lookup.in(channels, cell.channel());
      double rounded = Math.round(cell.gainDb() * 1000) / 1000.0;
      Line line =
          new Line(
              seat.name(),
              seat.category(),
              Lookup.in(outputs, cell.output()),
              cell.count(),
              rounded,
              cell.dipped());
      out.append(Output.line(line));
    }
    Output.print(out);
    return 0;
  }
}
