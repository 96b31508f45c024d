package drevik.flow;

import drevik.flow.FlowLayout.Ribbon;
import drevik.route.Tie;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * The Flow in so few strokes that it is known again at the size of a stamp: in each column, rows of
 * one colour that stand together are one block; ties between two blocks are one tie.
 */
public record FlowSketch(List<List<Block>> columns, List<Tie> ties) {
  /** Rows that stand together; {@code colour} is a family. */
  public record Block(String colour, int rows) {}

  /**
   * What goes from one block to another; blocks are counted in their columns from 0.
   *
   * @param rows how many ribbons it stands for
   */
  public record Tie(int fromColumn, int fromBlock, int toColumn, int toBlock, int rows) {}

  private record Place(int column, int block) {}

  /**
   * Time in proportion to rows plus ribbons.
   *
   * @param colourOf a channel's or an output's colour family, by id
   */
  public static FlowSketch of(FlowLayout flow, UnaryOperator<String> colourOf) {
    Map<String, Place> places = new HashMap<>();
    List<List<Block>> columns = new ArrayList<>();
    for (FlowLayout.FlowColumn stage : flow.stages()) {
      List<Block> blocks = new ArrayList<>();
      for (String id : stage.ids()) {
        String colour = colourOf.apply(id);
        int last = blocks.size() - 1;
        if (last >= 0 && blocks.get(last).colour().equals(colour)) {
          blocks.set(last, new Block(colour, blocks.get(last).rows() + 1));
        } else {
          blocks.add(new Block(colour, 1));
        }
        places.put(id, new Place(columns.size(), blocks.size() - 1));
      }
      columns.add(blocks);
    }
    Map<List<Place>, Integer> ties = new LinkedHashMap<>();
    for (Ribbon ribbon : flow.ribbons()) {
      boolean main = ribbon.kind().equals("output") || ribbon.kind().equals("file");
      if (main && places.containsKey(ribbon.from()) && places.containsKey(ribbon.to())) {
        ties.merge(List.of(places.get(ribbon.from()), places.get(ribbon.to())), 1, Integer::sum);
      }
    }
    return new FlowSketch(
        columns,
        ties.entrySet().stream()
            .map(tie -> tie(tie.getKey().get(0), tie.getKey().get(1), tie.getValue()))
            .toList());
  }

  private static Tie tie(Place from, Place to, int rows) {
    return new Tie(from.column(), from.block(), to.column(), to.block(), rows);
  }
}
