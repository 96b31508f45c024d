package drevik.server.mix;

import drevik.mix.Mix;
import drevik.route.CategoryCoverage;
import drevik.route.Coverage;
import drevik.route.Coverage.Way;
import java.util.List;

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
   * @param gainDb static gain, dB
   * @param dipped true if some of it passes a fader that a dip rides
   */
  public record Cell(
      String channel,
      String output,
      long dry,
      long parallel,
      long returns,
      double gainDb,
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
                        cell.dipped()))
            .toList(),
        CategoryCoverage.of(mix, cells));
  }
}
