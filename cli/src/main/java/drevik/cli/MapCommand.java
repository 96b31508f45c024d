package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.ParameterException;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.codec.Documents;
import drevik.edit.ProposeMap;
import drevik.mix.Mix;
import drevik.shelf.NamedMap;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;

/** {@code drevik map MIX.json} writes the category map of a Mix, by names. */
@Parameters(
    commandDescription = "Writes the category map of a Mix, with names in the place of ids.")
final class MapCommand implements Callable<Integer> {
  @Parameter(description = "MIX.json", converter = PathConverter.class)
  private @Nullable Path file;

  @Parameter(
      names = "--propose",
      description = "Make the map of how the Mix is routed, in the place of the one that it has.")
  private boolean propose;

  @Override
  public Integer call() {
    if (file == null) {
      throw new ParameterException("say which Mix: drevik map MIX.json");
    }
    Mix mix = MixFile.read(file);
    Mix mapped = propose ? new ProposeMap().applyTo(mix) : mix;
    Output.print(Documents.writeMap(NamedMap.of(mapped, mix.name())) + "\n");
    return 0;
  }
}
