package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.ParameterException;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.codec.Documents;
import drevik.edit.PutMap;
import drevik.mix.Mix;
import drevik.preview.EditPreview;
import drevik.preview.FieldLine;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;

/**
 * {@code drevik reassign S.json --map MAP.json --out S2.json} puts a Mix under a category map and
 * says every field that changes, one JSON object in a line.
 */
@Parameters(
    commandDescription =
        "Puts a Mix under a category map; channels follow, pins apart. Writes one JSON object for"
            + " each changed field.")
final class ReassignCommand implements Callable<Integer> {
  /**
   * A line of the output.
   *
   * @param channel its id
   * @param from the value as documents have it; null for none
   */
  record Line(
      String channel,
      String name,
      String field,
      @Nullable Object from,
      @Nullable Object to,
      String why) {
    static Line of(FieldLine line) {
      return new Line(
          line.channel(), line.name(), line.field(), line.from(), line.to(), line.why());
    }
  }

  @Parameter(description = "MIX.json", converter = PathConverter.class)
  private @Nullable Path file;

  @Parameter(
      names = "--map",
      converter = PathConverter.class,
      description = "The category map, as “drevik map” writes it.")
  private @Nullable Path map;

  @Parameter(
      names = "--out",
      converter = PathConverter.class,
      description = "The Mix to write; not needed with --dry-run.")
  private @Nullable Path out;

  @Parameter(
      names = "--in-order",
      description = "Put channels in the order that the map says, too.")
  private boolean inOrder;

  @Parameter(names = "--dry-run", description = "Say what would change, and write nothing.")
  private boolean dryRun;

  @Override
  public Integer call() throws IOException {
    if (file == null || map == null) {
      throw new ParameterException(
          "say which Mix and which map: drevik reassign MIX.json --map MAP.json --out OUT.json");
    }
    if (out == null && !dryRun) {
      throw new ParameterException("say with --out where the Mix is to be written, or --dry-run");
    }
    Mix before = MixFile.read(file);
    EditPreview preview =
        EditPreview.of(before, new PutMap(Documents.readMap(MixFile.text(map)), inOrder));
    if (!dryRun && out != null) {
      MixFile.write(out, Documents.writeMix(preview.after()));
    }
    StringBuilder lines = new StringBuilder();
    for (FieldLine line : preview.lines()) {
      lines.append(Output.line(Line.of(line)));
    }
    Output.print(lines.toString());
    return 0;
  }
}
