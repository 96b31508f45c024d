package drevik.ledger;

import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** A chain as a cell holds it: its processors by name, apart by commas. */
final class ChainText {
  private ChainText() {}

  /**
   * The chain that a channel has when a cell says that. A processor that it has keeps its settings;
   * one that it has not comes with its defaults; one that is not named goes.
   *
   * @throws Refused if there is no such processor
   */
  static List<Insert> typed(Mix mix, Channel channel, String text) {
    List<Insert> left = new ArrayList<>(channel.chain());
    List<Insert> chain = new ArrayList<>();
    FreshIds fresh = new FreshIds(mix);
    for (String part : MapText.parts(text)) {
      Insert there =
          left.stream()
              .filter(one -> one.processor().equalsIgnoreCase(part))
              .findFirst()
              .orElse(null);
      left.remove(there);
      if (there != null) {
        chain.add(there);
      } else {
        String processor = called(part);
        chain.add(
            new Insert(fresh.of(channel.id(), processor), processor, true, false, Map.of(), null));
      }
    }
    return chain;
  }

  private static String called(String name) {
    return Processors.all().stream()
        .filter(type -> type.id().equalsIgnoreCase(name) || type.label().equalsIgnoreCase(name))
        .map(ProcessorType::id)
        .findFirst()
        .orElseThrow(
            () ->
                new Refused(
                    "There is no processor “"
                        + name
                        + "”; there are "
                        + Processors.all().stream()
                            .map(ProcessorType::id)
                            .collect(Collectors.joining(", "))
                        + "."));
  }
}
