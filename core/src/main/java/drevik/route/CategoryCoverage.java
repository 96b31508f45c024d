package drevik.route;

import drevik.category.CategoryTree;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.route.Coverage.Cell;
import drevik.route.Coverage.Way;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * How much of each category reaches each output: what cells say of seats, for all seats of a
 * category together.
 */
public record CategoryCoverage(String category, List<String> channels, List<Share> shares) {
  /**
   * What of a category arrives at one output; what nothing of it reaches has none.
   *
   * @param output its id
   * @param reached how many of the category's channels arrive by any way
   * @param dry how many of them by way of buses
   * @param parallel how many of the others by way of a parallel
   * @param twice how many of them by way of buses more than once
   * @param leastDb the smallest gain of those that arrive, dB; null if all cancel themselves
   * @param mostDb the greatest
   * @param dipped true if a dip rides one of them
   */
  public record Share(
      String output,
      int reached,
      int dry,
      int parallel,
      int twice,
      @Nullable Double leastDb,
      @Nullable Double mostDb,
      boolean dipped) {
    private static Share of(String output, List<Cell> cells) {
      return new Share(
          output,
          cells.size(),
          (int) cells.stream().filter(cell -> cell.paths(Way.DRY) > 0).count(),
          (int)
              cells.stream()
                  .filter(cell -> cell.paths(Way.DRY) == 0 && cell.paths(Way.PARALLEL) > 0)
                  .count(),
          (int) cells.stream().filter(cell -> cell.paths(Way.DRY) > 1).count(),
          gains(cells).min(Comparator.naturalOrder()).orElse(null),
          gains(cells).max(Comparator.naturalOrder()).orElse(null),
          cells.stream().anyMatch(Cell::dipped));
    }
  }

  private static Stream<Double> gains(List<Cell> cells) {
    return cells.stream().map(Cell::gainDb).flatMap(Stream::ofNullable);
  }

  /**
   * One for each family of the tree that has a channel, in the order of the tree.
   *
   * @param cells the coverage of this Mix, by channel and then by output
   */
  public static List<CategoryCoverage> of(Mix mix, List<Cell> cells) {
    Map<String, List<String>> members = new LinkedHashMap<>();
    Map<String, String> familyOf = new LinkedHashMap<>();
    mix.channels().stream()
        .filter(channel -> channel.kind().holdsClips() && !channel.stowed())
        .sorted(Comparator.comparingInt(CategoryCoverage::place))
        .forEach(
            channel -> {
              String family = CategoryTree.topOf(channel.category());
              members.computeIfAbsent(family, f -> new ArrayList<>()).add(channel.id());
              familyOf.put(channel.id(), family);
            });
    Map<String, Map<String, List<Cell>>> arriving = new LinkedHashMap<>();
    for (Cell cell : cells) {
      String family = familyOf.get(cell.channel());
      if (family != null) {
        arriving
            .computeIfAbsent(family, f -> new LinkedHashMap<>())
            .computeIfAbsent(cell.output(), o -> new ArrayList<>())
            .add(cell);
      }
    }
    return members.entrySet().stream()
        .map(
            entry ->
                new CategoryCoverage(
                    entry.getKey(),
                    List.copyOf(entry.getValue()),
                    arriving.getOrDefault(entry.getKey(), Map.of()).entrySet().stream()
                        .map(one -> Share.of(one.getKey(), one.getValue()))
                        .toList()))
        .toList();
  }

  private static int place(Channel channel) {
    return CategoryTree.orderOf(CategoryTree.topOf(channel.category()));
  }
}
