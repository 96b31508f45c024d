package drevik.intake.measure;

import drevik.audio.Layout;
import drevik.category.CategoryTree;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Which stereo recordings of a drum kit should have their sides the same way round: rooms and the
 * kit as a whole, each against the overheads.
 */
public final class StereoImages {
  /** A file as it is asked about. */
  record Named(String id, String name, String category, Layout layout) {}

  /**
   * A stereo file that is compared with a stereo file ({@code left} and {@code right} are the same
   * then), or with two mono ones.
   */
  public record Pair(String left, String right, String second) {}

  private StereoImages() {}

  /** True if files of this category are compared at all. */
  public static boolean concern(String category) {
    return List.of("drums", "drums/room", "drums/overhead").contains(category);
  }

  static List<Pair> among(List<Named> files) {
    Optional<String[]> overheads = overheads(files);
    List<Pair> pairs = new ArrayList<>();
    for (Named file : files) {
      boolean kit = file.category().equals("drums/room") || file.category().equals("drums");
      if (kit && file.layout() == Layout.STEREO && overheads.isPresent()) {
        pairs.add(new Pair(overheads.get()[0], overheads.get()[1], file.id()));
      }
    }
    return pairs;
  }

  private static Optional<String[]> overheads(List<Named> files) {
    List<Named> all =
        files.stream()
            .filter(file -> CategoryTree.isWithin(file.category(), "drums/overhead"))
            .sorted(Comparator.comparing(Named::name))
            .toList();
    for (Named file : all) {
      if (file.layout() == Layout.STEREO) {
        return Optional.of(new String[] {file.id(), file.id()});
      }
    }
    Map<Integer, String> sides = new HashMap<>();
    all.stream()
        .filter(file -> file.layout() == Layout.MONO)
        .forEach(file -> sides.putIfAbsent(StereoPairs.panOf(file.name()), file.id()));
    return sides.containsKey(-1) && sides.containsKey(1)
        ? Optional.of(new String[] {sides.get(-1), sides.get(1)})
        : Optional.empty();
  }

  /**
   * Whether the second stands the same way round as the first.
   *
   * @param files by id
   * @return empty if the two cannot be compared
   */
  static Optional<SwappedSides> compare(Pair pair, Function<String, MeasuredFile> files) {
    MeasuredFile left = files.apply(pair.left());
    MeasuredFile right = files.apply(pair.right());
    MeasuredFile second = files.apply(pair.second());
    boolean two = !pair.left().equals(pair.right());
    return SidesCheck.agreement(
            SidesCheck.Side.of(left, 0),
            SidesCheck.Side.of(right, two ? 0 : 1),
            SidesCheck.Side.of(second, 0),
            SidesCheck.Side.of(second, 1))
        .map(agreement -> new SwappedSides(pair.left(), agreement));
  }
}
