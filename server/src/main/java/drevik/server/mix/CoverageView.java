package drevik.server.mix;

import drevik.mix.Mix;
import drevik.route.CategoryCoverage;
import drevik.route.Coverage;
import drevik.route.Coverage.Way;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What of each seat and reference reaches each output; pairs that nothing joins are left out.
 *
 * @param revision the revision that it was computed from
 * @param categories the same, for all seats of a category together
 */
public record CoverageView(int revision, List<Cell> cells, List<CategoryCoverage> categories) {
  /**
   * One seat in one output.
   *
   * @param dry paths by way of buses only
   * @param parallel paths by way of a parallel
   * @param returns paths by way of a return
   * @param gainDb static gain of all paths together, dB; null if they cancel each other
   * @param ways the same for each class of ways; null, or left out, where they cancel
   * @param dipped true if some of it passes a fader that a dip rides
   */
  public record Cell(
      String channel,
      String output,
      long dry,
      long parallel,
      long returns,
      @Nullable Double gainDb,
      Map<Way, Double> ways,
      boolean dipped) {}

  static CoverageView of(int revision, Mix mix) {
    List<Coverage.Cell> cells = Coverage.of(mix).cells();
    return new CoverageView(
        revision,
        cells.stream()
            .map(
                cell ->
                    new Cell(
                        cell.channel(),
                        cell.output(),
                        cell.paths(Way.DRY),
                        cell.paths(Way.PARALLEL),
                        cell.paths(Way.RETURN),
                        cell.gainDb(),
                        cell.gains(),
                        cell.dipped()))
            .toList(),
        CategoryCoverage.of(mix, cells));
  }
}
