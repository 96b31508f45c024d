package drevik.intake;

import drevik.audio.AudioException;
import drevik.audio.Sha256;
import drevik.audio.WavReader;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import drevik.mix.AudioRef;
import drevik.mix.Mix;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A delivery that lies in a folder, taken in without a server: every file measured, sorted,
 * conformed, and copied to where the session plays it from.
 */
public final class FolderDelivery {
  /**
   * One file of the folder.
   *
   * @param name with its folders inside the delivery
   * @param id in the delivery
   * @param file null if it cannot be used, or is the second half of another one's stereo file
   * @param fault why it cannot be used; null if it can
   * @param steps what was done to it
   */
  public record Taken(
      String id,
      String name,
      @Nullable DeliveredFile file,
      @Nullable String fault,
      Sorting sorting,
      List<ConformStep> steps) {}

  private record Measured(Path path, String name, Inspection found, Sorting sorting) {}

  private FolderDelivery() {}

  /**
   * @param audio where the session's audio goes; files in it of the same names are replaced
   * @param mix the session that it is for
   * @throws AudioException if the folder cannot be read or a file cannot be conformed
   */
  public static List<Taken> take(Path folder, Path audio, Mix mix) {
    try {
      Files.createDirectories(audio);
      List<Taken> taken = new ArrayList<>();
      Map<String, Measured> usable = new HashMap<>();
      List<String> order = new ArrayList<>();
      for (Path path : filesOf(folder)) {
        String name = folder.relativize(path).toString().replace('\\', '/');
        Sorting sorting = NameSorter.sort(name);
        try {
          Inspection found = Inspector.inspect(path);
          usable.put(name, new Measured(path, name, found, SecondSorting.of(name, sorting, found)));
          order.add(name);
        } catch (AudioException e) {
          String id = String.format(Locale.ROOT, "x%03d", taken.size() + 1);
          taken.add(new Taken(id, name, null, e.getMessage(), sorting, List.of()));
        }
      }
      sortByNeighbours(usable, order);
      Map<String, String> ids = new HashMap<>();
      for (String name : order) {
        ids.put(name, String.format(Locale.ROOT, "%03d", taken.size() + ids.size() + 1));
      }
      PairChecks checks = checks(usable, order);
      Map<String, ConformStep.Beside> beside = new HashMap<>();
      checks.microphones(
          pair -> true,
          (pair, finding) ->
              beside.put(
                  pair.second(),
                  new ConformStep.Beside(
                      ids.get(pair.first()), Conforming.baseOf(pair.first()), finding)));
      Map<String, String> swapped = new HashMap<>();
      checks.sides(
          pair -> true,
          (pair, sides) -> {
            if (sides.isClear()) {
              swapped.put(pair.second(), Conforming.baseOf(pair.left()));
            }
          });
      List<Conforming.Source> sources = new ArrayList<>();
      for (String name : order) {
        Measured file = usable.get(name);
        sources.add(
            new Conforming.Source(
                ids.get(name),
                name,
                new AudioRef(name, name),
                file.sorting().category(),
                file.found(),
                beside.get(name),
                swapped.get(name),
                Set.of()));
      }
      Conforming conforming = Conforming.of(mix, sources);
      Played played = new Played(folder, audio, conforming, mix.sampleRate());
      Map<String, DeliveredFile> files = new HashMap<>();
      for (DeliveredFile file : conforming.files()) {
        files.put(file.id(), played.of(file));
      }
      for (Conforming.Source source : sources) {
        taken.add(
            new Taken(
                source.id(),
                source.name(),
                files.get(source.id()),
                null,
                usable.get(source.name()).sorting(),
                conforming.steps(source.id())));
      }
      return taken;
    } catch (IOException e) {
      throw new AudioException("the delivery in " + folder + " cannot be read: " + e, e);
    }
  }

  private static List<Path> filesOf(Path folder) throws IOException {
    try (Stream<Path> paths = Files.walk(folder)) {
      return paths
          .filter(Files::isRegularFile)
          .filter(path -> !DeliveredNames.isLitter(folder.relativize(path).toString()))
          .sorted()
          .toList();
    }
  }

  private static void sortByNeighbours(Map<String, Measured> usable, List<String> order) {
    List<Sorting> found =
        NeighbourSorting.of(
            order.stream()
                .map(name -> new NeighbourSorting.Named(name, usable.get(name).sorting()))
                .toList());
    for (int i = 0; i < order.size(); i++) {
      Sorting sorting = found.get(i);
      usable.computeIfPresent(
          order.get(i), (name, file) -> new Measured(file.path(), name, file.found(), sorting));
    }
  }

  private static PairChecks checks(Map<String, Measured> usable, List<String> order) {
    return new PairChecks(
        order.stream()
            .map(n -> new MicrophonePairs.Named(n, n, usable.get(n).sorting().category()))
            .toList(),
        name -> Optional.of(new MeasuredFile(usable.get(name).path(), usable.get(name).found())));
  }

  /** Where the session plays a file from, each under a name of its own. */
  private static final class Played {
    private final Path folder;
    private final Path audio;
    private final ConformedCopy copies;
    private final Set<String> names = new HashSet<>();

    Played(Path folder, Path audio, Conforming conforming, int sampleRate) {
      this.folder = folder;
      this.audio = audio;
      copies = new ConformedCopy(conforming, ref -> folder.resolve(ref.name()), sampleRate);
    }

    DeliveredFile of(DeliveredFile file) throws IOException {
      String base = Conforming.baseOf(file.name());
      // Two folders may hold files of one name, and a file system may not tell large from small.
      String own = names.add(base.toLowerCase(Locale.ROOT)) ? base : file.id() + " " + base;
      Path played = audio.resolve(own);
      if (copies.isNeeded(file.id())) {
        copies.write(file.id(), played);
      } else {
        Files.copy(folder.resolve(file.name()), played, StandardCopyOption.REPLACE_EXISTING);
      }
      try (WavReader reader = WavReader.open(played)) {
        AudioRef copy = new AudioRef(Sha256.of(played), own);
        return file.playedFrom(copy, reader.header().frames());
      }
    }
  }
}
