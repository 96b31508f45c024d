package drevik.server.mix;

import drevik.edit.LedgerColumn;
import drevik.mix.Channel;
import drevik.mix.Mix;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * The Mix as a table of texts, one row per channel in document order.
 *
 * @param revision the revision that it shows
 */
public record LedgerView(int revision, List<Column> columns, List<Row> rows) {
  /** What a column is called, and whether its cells can be written. */
  public record Column(LedgerColumn id, String label, boolean editable) {}

  /** A channel's cells, in the order of the columns. */
  public record Row(String channel, List<String> cells) {}

  static LedgerView of(int revision, Mix mix) {
    Map<String, Channel> channels = mix.channelsById();
    List<LedgerColumn> columns = Arrays.asList(LedgerColumn.values());
    return new LedgerView(
        revision,
        columns.stream().map(c -> new Column(c, c.label(), c.isEditable())).toList(),
        mix.channels().stream()
            .map(
                channel ->
                    new Row(
                        channel.id(),
                        columns.stream().map(c -> c.text(channel, channels)).toList()))
            .toList());
  }
}
