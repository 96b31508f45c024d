package drevik.edit;

import drevik.ledger.LedgerColumn;
import drevik.ledger.Names;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.ChannelField;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Writes a block of texts into the Ledger: all of it, or nothing. Of several cells, those in
 * columns that are not typed are left out, and that is said.
 *
 * @param channels the rows' ids, from the top
 * @param columns ids of the columns, from the left
 * @param cells {@code [row][column]}; a row may be shorter than there are columns
 */
public record PasteCells(List<String> channels, List<String> columns, List<List<String>> cells)
    implements Edit {
  @Override
  public Mix changed(Mix mix) {
    requireRoom();
    int all = cells.stream().mapToInt(List::size).sum();
    Map<String, Channel> after = written(mix, 0, all);
    try {
      return Soundness.require(mix, with(mix, after));
    } catch (Refused e) {
      throw placed(mix, after, e);
    }
  }

  private static Mix with(Mix mix, Map<String, Channel> after) {
    return mix.mapChannels(channel -> after.getOrDefault(channel.id(), channel));
  }

  /** The channels after some of the cells, counted as they are read, are written. */
  private Map<String, Channel> written(Mix mix, int from, int to) {
    List<LedgerColumn> at = columns.stream().map(LedgerColumn::of).toList();
    Names names = Names.of(mix);
    Map<String, Channel> after = new HashMap<>(mix.channelsById());
    int cell = 0;
    for (int row = 0; row < cells.size(); row++) {
      Channel channel = ChannelsById.one(mix, channels.get(row));
      for (int column = 0; column < cells.get(row).size(); column++, cell++) {
        String text = cells.get(row).get(column);
        if (from <= cell && cell < to && isWritten(at.get(column), channel, names, text)) {
          Channel now = after.getOrDefault(channel.id(), channel);
          after.put(
              channel.id(),
              write(named(mix, at.get(column), after), now, row, at.get(column), text));
          followName(after, channel, row, at.get(column));
        }
      }
    }
    return after;
  }

  private boolean isWritten(LedgerColumn column, Channel channel, Names names, String text) {
    return !column.text(channel, names).equals(text.strip()) && !isLeftOut(column);
  }

  /** One cell alone is refused in words. */
  private boolean isLeftOut(LedgerColumn column) {
    return !column.editable() && cells.stream().mapToInt(List::size).sum() > 1;
  }

  /** A category that the name said follows it, unless the same row writes one. */
  private void followName(
      Map<String, Channel> after, Channel before, int row, LedgerColumn written) {
    if (written.id().equals(ChannelField.NAME.id())
        && !columns.subList(0, cells.get(row).size()).contains(ChannelField.CATEGORY.id())) {
      after.computeIfPresent(
          before.id(), (id, now) -> now.withCategory(CategoryByName.after(before, now.name())));
    }
  }

  /** The Mix in which a cell names channels: as the cells before have called them. */
  private static Mix named(Mix mix, LedgerColumn column, Map<String, Channel> after) {
    return column.field().targets().isEmpty() ? mix : with(mix, after);
  }

  private void requireRoom() {
    if (cells.size() > channels.size()) {
      throw new Refused(
          "The block has "
              + cells.size()
              + " rows, and there are "
              + channels.size()
              + " from here on; begin further up, or create channels first.");
    }
    for (int row = 0; row < cells.size(); row++) {
      if (cells.get(row).size() > columns.size()) {
        throw new Refused(
            "Row "
                + (row + 1)
                + " of the block has "
                + cells.get(row).size()
                + " cells, and there are "
                + columns.size()
                + " columns from here on; begin further left.");
      }
    }
  }

  private static Channel write(
      Mix mix, Channel channel, int row, LedgerColumn column, String text) {
    try {
      return SetChannels.cleaned(column.typed(mix, channel, text)).applyTo(channel);
    } catch (Refused e) {
      throw at(row, channel, column, e);
    }
  }

  /**
   * The same, with the cell that brought it: of the row that it is about the first that alone would
   * be refused so, else the one with which those before it are.
   */
  private Refused placed(Mix mix, Map<String, Channel> after, Refused whole) {
    int first = 0;
    for (int row = 0; row < cells.size(); row++) {
      for (int cell = first; cell < first + cells.get(row).size(); cell++) {
        if (channels.get(row).equals(whole.subject())
            && refusal(mix, cell, cell + 1, whole) != null) {
          return at(cell, after, whole);
        }
      }
      first += cells.get(row).size();
    }
    int fine = 0;
    int refused = first;
    while (refused - fine > 1) {
      int middle = (fine + refused) / 2;
      if (refusal(mix, 0, middle, whole) == null) {
        fine = middle;
      } else {
        refused = middle;
      }
    }
    return at(refused - 1, after, whole);
  }

  /** What is wrong after some of the cells, if it is about the same. */
  private @Nullable Refused refusal(Mix mix, int from, int to, Refused whole) {
    try {
      Soundness.require(mix, with(mix, written(mix, from, to)));
      return null;
    } catch (Refused e) {
      return Objects.equals(e.subject(), whole.subject()) ? e : null;
    }
  }

  private Refused at(int cell, Map<String, Channel> after, Refused why) {
    int row = 0;
    int column = cell;
    while (column >= cells.get(row).size()) {
      column -= cells.get(row++).size();
    }
    Channel channel = Objects.requireNonNull(after.get(channels.get(row)));
    return at(row, channel, LedgerColumn.of(columns.get(column)), why);
  }

  private static Refused at(int row, Channel channel, LedgerColumn column, Refused why) {
    return Refused.about(
        channel.id(),
        "Row "
            + (row + 1)
            + " (“"
            + channel.name()
            + "”), column “"
            + column.label()
            + "”: "
            + why.getMessage()
            + " Nothing was changed.");
  }

  @Override
  public String says(Mix before) {
    int count = cells.stream().mapToInt(List::size).sum();
    if (count == 1) {
      return "set “"
          + LedgerColumn.of(columns.get(0)).label()
          + "” of "
          + ChannelsById.names(before, channels.subList(0, 1));
    }
    Names names = Names.of(before);
    Set<String> leftOut = new LinkedHashSet<>();
    int written = count;
    for (int row = 0; row < cells.size(); row++) {
      Channel channel = before.channel(channels.get(row)).orElse(null);
      for (int column = 0; channel != null && column < cells.get(row).size(); column++) {
        LedgerColumn at = LedgerColumn.of(columns.get(column));
        if (isLeftOut(at) && !at.text(channel, names).equals(cells.get(row).get(column).strip())) {
          leftOut.add("“" + at.label() + "”");
          written--;
        }
      }
    }
    return "write "
        + written
        + " cells"
        + (leftOut.isEmpty() ? "" : " (not " + String.join(", ", leftOut) + ", never typed)");
  }
}
