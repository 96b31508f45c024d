package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.List;

/**
 * Writes a block of texts into the Ledger: all of it, or nothing.
 *
 * @param channels the rows' ids, from the top
 * @param columns the columns, from the left
 * @param cells {@code [row][column]}; a row may be shorter than there are columns
 */
public record PasteCells(
    List<String> channels, List<LedgerColumn> columns, List<List<String>> cells) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    if (cells.size() > channels.size()) {
      throw new Refused(
          "The block has "
              + cells.size()
              + " rows, and there are "
              + channels.size()
              + " from here on; begin further up, or create channels first.");
    }
    Mix after = mix;
    for (int row = 0; row < cells.size(); row++) {
      List<String> texts = cells.get(row);
      if (texts.size() > columns.size()) {
        throw new Refused(
            "Row "
                + (row + 1)
                + " of the block has "
                + texts.size()
                + " cells, and there are "
                + columns.size()
                + " columns from here on; begin further left.");
      }
      for (int column = 0; column < texts.size(); column++) {
        after = write(after, row, columns.get(column), texts.get(column));
      }
    }
    return after;
  }

  private Mix write(Mix mix, int row, LedgerColumn column, String text) {
    Channel channel = Picked.one(mix, channels.get(row));
    if (column.text(channel, mix.channelsById()).equals(text.strip())) {
      return mix;
    }
    try {
      return column.edit(mix, channel, text).applyTo(mix);
    } catch (Refused e) {
      throw new Refused(
          "Row "
              + (row + 1)
              + " (“"
              + channel.name()
              + "”), column “"
              + column.label()
              + "”: "
              + e.getMessage()
              + (e.getMessage().endsWith(".") ? "" : ".")
              + " Nothing was changed.");
    }
  }

  @Override
  public String says(Mix before) {
    long count = cells.stream().mapToLong(List::size).sum();
    return count == 1
        ? "set “" + columns.get(0).label() + "” of " + Picked.names(before, channels.subList(0, 1))
        : "write " + count + " cells";
  }
}
