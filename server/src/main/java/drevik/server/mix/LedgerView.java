package drevik.server.mix;

import drevik.ledger.LedgerColumn;
import drevik.ledger.Names;
import drevik.mix.Mix;
import drevik.reassign.MapAnswers;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The Mix as a table of texts, one row per channel in document order: all that is needed to show
 * it.
 *
 * @param revision the revision that it shows
 * @param name of the Mix
 */
public record LedgerView(int revision, String name, List<Column> columns, List<Row> rows) {
  /**
   * What a column is called.
   *
   * @param editable its cells can be written
   * @param figures they hold figures, which stand under each other
   */
  public record Column(String id, String label, boolean editable, boolean figures) {}

  /**
   * A channel's cells, in the order of the columns.
   *
   * @param colour a colour family's id
   * @param figures by which they stand in order: the values of the columns that hold figures, and
   *     of no others; null where nothing is said
   */
  public record Row(
      String channel, String colour, List<String> cells, List<@Nullable Double> figures) {}

  static LedgerView of(int revision, Mix mix) {
    Names names = Names.of(mix);
    MapAnswers map = MapAnswers.of(mix);
    List<LedgerColumn> columns = LedgerColumn.of(mix);
    List<LedgerColumn> figures = columns.stream().filter(LedgerColumn::holdsFigures).toList();
    return new LedgerView(
        revision,
        mix.name(),
        columns.stream()
            .map(c -> new Column(c.id(), c.label(), c.editable(), c.holdsFigures()))
            .toList(),
        mix.channels().stream()
            .map(
                channel ->
                    new Row(
                        channel.id(),
                        map.colourOf(channel),
                        columns.stream().map(c -> c.text(channel, names)).toList(),
                        figures.stream()
                            .map(c -> c.figure(channel))
                            // A list that may hold nulls, which List.of may not.
                            .collect(Collectors.toCollection(ArrayList::new))))
            .toList());
  }
}
