package drevik.server.mix;

import drevik.check.CheckChange;
import drevik.edit.Edit;
import drevik.ledger.Names;
import drevik.mix.Mix;
import drevik.preview.CoverageLine;
import drevik.preview.EditPreview;
import drevik.preview.FieldLine;
import drevik.preview.HeldLine;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What an edit would do, were it made now.
 *
 * @param revision the one that it is told of
 * @param says what it does, in words
 * @param lines every changed thing of every channel
 * @param fields how many lines there are of each field, by its label
 * @param held pins that hold back what the map now says
 * @param moves channels that go to another destination together
 * @param coverage what reaches outputs otherwise than before
 * @param check findings that come and go
 */
public record EffectView(
    int revision,
    String says,
    List<EffectLine> lines,
    Map<String, Integer> fields,
    List<HeldLine> held,
    List<EffectMove> moves,
    List<CoverageLine> coverage,
    CheckChange check) {

  /**
   * One changed thing of one channel, see {@link FieldLine}.
   *
   * @param slot by which it can be left out; null where it goes with the channel alone
   */
  public record EffectLine(
      String channel,
      String name,
      String field,
      @Nullable String slot,
      String label,
      String before,
      String after,
      String why) {
    static EffectLine of(FieldLine line) {
      return new EffectLine(
          line.channel(),
          line.name(),
          line.field(),
          line.slot(),
          line.label(),
          line.before(),
          line.after(),
          line.why());
    }
  }

  /**
   * Channels that go from one place to another.
   *
   * @param from its name; empty for nowhere
   * @param to its name; empty for nowhere
   */
  public record EffectMove(String from, String to, List<String> channels) {}

  static EffectView of(KnownRevision head, Edit edit) {
    Mix before = head.document();
    EditPreview preview = EditPreview.of(before, edit);
    Map<String, Integer> fields = new LinkedHashMap<>();
    preview.lines().forEach(line -> fields.merge(line.label(), 1, Integer::sum));
    Names names = Names.of(before);
    Names namesThen = Names.of(preview.after());
    return new EffectView(
        head.number(),
        edit.says(before),
        preview.lines().stream().map(EffectLine::of).toList(),
        fields,
        preview.held(),
        preview.moves().stream()
            .map(
                move ->
                    new EffectMove(
                        move.from() == null ? "" : names.of(move.from()),
                        move.to() == null ? "" : namesThen.of(move.to()),
                        move.channels()))
            .toList(),
        preview.coverage(before),
        preview.findings(head.derived().findings()));
  }

  /** The Mix as an edit would leave it, as it differs from this revision. */
  static MixChange then(KnownRevision head, Edit edit) {
    return MixChange.between(
        head, new KnownRevision(head.number(), edit.applyTo(head.document())), null, null);
  }
}
