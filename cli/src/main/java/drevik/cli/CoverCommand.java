package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonInclude.Include;
import drevik.mix.Channel;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.route.Coverage;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;

/** {@code drevik cover}: how much of each seat reaches each output, one line for each that does. */
@Parameters(commandDescription = "Says how much of each seat reaches each output.")
final class CoverCommand implements Callable<Integer> {
  @Parameter(names = "--ways", description = "Tells dry, parallel and return paths apart as well.")
  private boolean apart;

  @Parameter(description = "MIX.json", required = true, converter = PathConverter.class)
  private Path file;

  /**
   * Names stand for ids.
   *
   * @param gainDb of all paths together; null if they cancel each other
   * @param ways the same for each class of ways that is there: dry, parallel, return; null if that
   *     is not asked
   */
  record Line(
      String seat,
      String category,
      String output,
      long paths,
      @Nullable Double gainDb,
      boolean dipped,
      @JsonInclude(Include.NON_NULL) @Nullable Map<String, OneWay> ways) {}

  record OneWay(long paths, @Nullable Double gainDb) {}

  @Override
  public Integer call() {
    Mix mix = MixFile.read(file);
    Map<String, Channel> channels = mix.channelsById();
    Map<String, String> outputs = new HashMap<>();
    mix.outputs().forEach(output -> outputs.put(output.id(), output.name()));
    StringBuilder out = new StringBuilder();
    for (Coverage.Cell cell : Coverage.of(mix).cells()) {
      Channel seat = Lookup.in(channels, cell.channel());
      Map<String, OneWay> ways = new LinkedHashMap<>();
      for (Coverage.Way way : Coverage.Way.values()) {
        if (cell.paths(way) > 0) {
          String name = way.name().toLowerCase(Locale.ROOT);
          ways.put(name, new OneWay(cell.paths(way), rounded(cell.gains().get(way))));
        }
      }
      Line line =
          new Line(
              seat.name(),
              seat.category(),
              Lookup.in(outputs, cell.output()),
              cell.count(),
              rounded(cell.gainDb()),
              cell.dipped(),
              apart ? ways : null);
      out.append(Output.line(line));
    }
    Output.print(out);
    return 0;
  }

  private static @Nullable Double rounded(@Nullable Double db) {
    return db == null ? null : Math.round(db * 1000) / 1000.0;
  }
}
