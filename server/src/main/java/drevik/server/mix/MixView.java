package drevik.server.mix;

import drevik.check.Finding;
import drevik.flow.FlowLayout;
import drevik.mix.Mix;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A Mix as the interface shows it.
 *
 * @param undo what undo would take back, or null
 * @param redo what redo would do again, or null
 * @param facts channel id → what follows from the document for it
 * @param findings of the line check, the gravest first
 */
public record MixView(
    String id,
    int revision,
    @Nullable String undo,
    @Nullable String redo,
    Mix document,
    FlowLayout flow,
    Map<String, ChannelFacts> facts,
    List<Finding> findings) {

  /**
   * What follows for one channel.
   *
   * @param colour a colour family's id
   * @param destinationBecause why it goes where it goes; null if it goes nowhere
   * @param takesSound others can be sent to it
   * @param awaitsAudio audio can be seated in it
   * @param bus that a pick of it means; null if it feeds none
   */
  public record ChannelFacts(
      String colour,
      @Nullable String destinationBecause,
      boolean takesSound,
      boolean awaitsAudio,
      @Nullable String bus) {}

  static MixView of(String id, KnownRevision head, @Nullable String undo, @Nullable String redo) {
    KnownRevision.Derived derived = head.derived();
    return new MixView(
        id,
        head.number(),
        undo,
        redo,
        head.document(),
        derived.flow(),
        derived.facts(),
        derived.findings());
  }
}
