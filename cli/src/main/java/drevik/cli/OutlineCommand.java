package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.ParameterException;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.codec.Documents;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.outline.Outline;
import drevik.outline.OutlineFault;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;

/**
 * {@code drevik outline MIX.json} writes a Mix's hierarchy as indented text; {@code drevik outline
 * --read FILE --out MIX.json} makes a template of one, and with a Mix in front edits that.
 */
@Parameters(commandDescription = "Writes a Mix's hierarchy as indented text, or makes a Mix of it.")
final class OutlineCommand implements Callable<Integer> {
  @Parameter(
      description = "MIX.json: the Mix that is written, or with --read the one that is edited",
      converter = PathConverter.class)
  private @Nullable Path mix;

  @Parameter(
      names = "--read",
      converter = PathConverter.class,
      description = "The outline to read.")
  private @Nullable Path read;

  @Parameter(
      names = "--out",
      converter = PathConverter.class,
      description = "The Mix to write; needed with --read.")
  private @Nullable Path out;

  @Override
  public Integer call() throws IOException {
    if (read == null) {
      if (mix == null || out != null) {
        throw new ParameterException("give MIX.json, or --read FILE and --out MIX.json");
      }
      Output.print(Outline.write(MixFile.read(mix)));
      return 0;
    }
    if (out == null) {
      throw new ParameterException("say with --out where the Mix is to be written");
    }
    String text = MixFile.text(read);
    Mix before = mix == null ? null : MixFile.read(mix);
    Outline.Reading reading =
        before == null ? Outline.readNew(nameOf(out), text) : Outline.read(before, text);
    if (!reading.faults().isEmpty()) {
      for (OutlineFault fault : reading.faults()) {
        System.err.println("drevik: " + where(read, fault) + fault.says());
      }
      return 1;
    }
    MixFile.write(out, Documents.writeMix(reading.after()));
    return 0;
  }

  /** As other tools say it, so that an editor finds the place: {@code band.txt:3:5: }. */
  private static String where(Path file, OutlineFault fault) {
    return fault.line() == 0
        ? file + ": "
        : file + ":" + fault.line() + ":" + (fault.from() + 1) + ": ";
  }

  private static String nameOf(Path file) {
    String name = String.valueOf(file.getFileName()).replaceFirst("\\.json$", "");
    if (name.isBlank()) {
      throw new Refused("“" + file + "” is no name for a Mix; write one such as band.json.");
    }
    return name;
  }
}
