package drevik.intake;

import drevik.audio.AudioException;
import drevik.audio.Sha256;
import drevik.audio.WavReader;
import drevik.category.DeliverySorting;
import drevik.category.FileName;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import drevik.edit.SeatDelivery;
import drevik.intake.conform.ConformedCopy;
import drevik.intake.conform.DeadAir;
import drevik.intake.conform.DeliveredFile;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspector;
import drevik.intake.measure.MeasuredFile;
import drevik.intake.measure.MicrophonePairs;
import drevik.intake.measure.PairChecks;
import drevik.intake.measure.SecondSorting;
import drevik.mix.AudioRef;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** A delivery that lies in a folder: measured, compared, and seated with its audio in another. */
public final class FolderDelivery {
  private final Path folder;
  private final Delivery delivery;

  private FolderDelivery(Path folder, Delivery delivery) {
    this.folder = folder;
    this.delivery = delivery;
  }

  /**
   * Measures everything in a folder.
   *
   * @param mix the session that it is for
   * @throws AudioException if the folder cannot be read
   */
  public static FolderDelivery read(Path folder, String name, Mix mix) {
    try {
      Map<String, Delivery.Item> items = new LinkedHashMap<>();
      for (Path path : filesOf(folder)) {
        String id = String.format(Locale.ROOT, "%03d", items.size() + 1);
        items.put(id, measured(id, path, folder.relativize(path).toString().replace('\\', '/')));
      }
      compare(folder, items);
      return new FolderDelivery(
          folder,
          new Delivery(
              mix, name, null, null, DeadAir.USUAL, List.copyOf(items.values()), List.of()));
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

  private static Delivery.Item measured(String id, Path path, String name) throws IOException {
    Sorting sorting = NameSorter.sort(name);
    try {
      Inspection found = Inspector.inspect(path);
      AudioRef audio = new AudioRef(Sha256.of(path), name);
      return item(id, audio, null, SecondSorting.of(name, sorting, found), found);
    } catch (AudioException e) {
      return item(id, new AudioRef("", name), e.getMessage(), sorting, null);
    }
  }

  private static Delivery.Item item(
      String id,
      AudioRef audio,
      @Nullable String fault,
      Sorting sorting,
      @Nullable Inspection found) {
    return new Delivery.Item(
        id, audio.name(), audio, fault, sorting, found, null, null, null, Set.of(), null);
  }

  /** Microphones that belong together are compared, and sides of recordings of one source. */
  private static void compare(Path folder, Map<String, Delivery.Item> items) {
    List<Sorting> sortings =
        DeliverySorting.of(
            items.values().stream()
                .map(item -> new DeliverySorting.Named(item.name(), item.sorting()))
                .toList());
    List<MicrophonePairs.Named> named = new ArrayList<>();
    for (Delivery.Item item : items.values()) {
      Sorting sorting = sortings.get(named.size());
      named.add(new MicrophonePairs.Named(item.id(), item.name(), sorting.category()));
    }
    named.removeIf(one -> Lookup.in(items, one.id()).found() == null);
    PairChecks checks =
        new PairChecks(
            named,
            id -> {
              Delivery.Item item = Lookup.in(items, id);
              return Optional.ofNullable(item.found())
                  .map(found -> new MeasuredFile(folder.resolve(item.name()), found));
            });
    checks.microphones(
        pair -> true,
        (pair, finding) ->
            items.computeIfPresent(
                pair.second(), (id, item) -> item.comparedWith(pair.first(), finding)));
    checks.sides(
        pair -> true,
        (pair, sides) ->
            items.computeIfPresent(pair.second(), (id, item) -> item.withSwapped(sides)));
  }

  public Delivery delivery() {
    return delivery;
  }

  /**
   * The edit that seats the delivery.
   *
   * @param audio where the session's audio goes; files in it of the same names are replaced
   * @throws AudioException if a file cannot be conformed
   */
  public SeatDelivery seating(Path audio) {
    try {
      Files.createDirectories(audio);
      return delivery.seating(ref -> folder.resolve(ref.name()), new Player(audio));
    } catch (IOException e) {
      throw new AudioException("the audio cannot be written to " + audio + ": " + e, e);
    }
  }

  /** The session plays every file from a copy under a name of its own. */
  private final class Player implements Delivery.Player {
    private final Path audio;
    private final Set<String> names = new HashSet<>();

    Player(Path audio) {
      this.audio = audio;
    }

    @Override
    public DeliveredFile played(DeliveredFile file, ConformedCopy copies) throws IOException {
      String base = FileName.baseOf(file.name());
      // Two folders may hold files of one name, and a file system may not tell large from small.
      String own = names.add(base.toLowerCase(Locale.ROOT)) ? base : file.id() + " " + base;
      Path played = audio.resolve(own);
      if (copies.isNeeded(file.id())) {
        copies.write(file.id(), played);
      } else {
        Files.copy(folder.resolve(file.name()), played, StandardCopyOption.REPLACE_EXISTING);
      }
      try (WavReader reader = WavReader.open(played)) {
        return file.playedFrom(new AudioRef(Sha256.of(played), own), reader.header().frames());
      }
    }
  }
}
