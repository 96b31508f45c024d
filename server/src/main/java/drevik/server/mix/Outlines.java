package drevik.server.mix;

import drevik.check.CheckChange;
import drevik.edit.ChangeMix;
import drevik.merge.Differences;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.outline.Outline;
import drevik.outline.Outline.Placed;
import drevik.outline.OutlineFault;
import drevik.outline.ReadNames;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Mixes as outlines. A text is told from the revision that it was written of, and made on the head:
 * what somebody else has changed since, and the text does not speak of, stays.
 */
@Service
class Outlines {
  /**
   * A Mix as it is written.
   *
   * @param revision that it was written of
   * @param lines what each line stands for
   */
  record OutlineView(int revision, String text, List<Placed> lines) {}

  /**
   * What a text would make.
   *
   * @param faults why it cannot be made; empty if it can
   * @param says what would be done, as undo would name it; null if nothing
   * @param differences from the head, in words
   * @param change from the head, for a picture of it; null if there are faults
   * @param check what becomes of the findings; null if there are faults
   */
  record OutlinePreview(
      List<OutlineFault> faults,
      List<Placed> lines,
      @Nullable String says,
      List<String> differences,
      @Nullable MixChange change,
      @Nullable CheckChange check) {}

  private static final int DIFFERENCES_SHOWN = 200;

  private final Mixes mixes;
  private final MixEdits edits;
  private final ReadNames names = new ReadNames();

  Outlines(Mixes mixes, MixEdits edits) {
    this.mixes = mixes;
    this.edits = edits;
  }

  ReadNames names() {
    return names;
  }

  /**
   * @param revision null for the head
   */
  OutlineView outline(String id, @Nullable Integer revision) {
    KnownRevision base = mixes.base(id, revision).base();
    String text = Outline.write(base.document());
    return new OutlineView(base.number(), text, Outline.read(base.document(), text, names).lines());
  }

  OutlinePreview preview(String id, int basedOn, String text) {
    Mixes.Base now = mixes.base(id, basedOn);
    Outline.Reading reading = Outline.read(now.base().document(), text, names);
    if (!reading.faults().isEmpty()) {
      return failed(reading, reading.faults());
    }
    Mix before = now.head().document();
    Mix after = before;
    String says = null;
    if (!reading.changes().isEmpty()) {
      ChangeMix edit = reading.edit();
      try {
        after = edit.applyTo(before);
      } catch (Refused e) {
        // Somebody else has changed the Mix meanwhile, so that the two do not go together.
        return failed(reading, List.of(new OutlineFault(0, 0, 0, e.getMessage())));
      }
      says = edit.says(before);
    }
    KnownRevision made = new KnownRevision(now.head().number(), after);
    List<String> differences = Differences.between(before, after);
    return new OutlinePreview(
        List.of(),
        reading.lines(),
        says,
        differences.stream().limit(DIFFERENCES_SHOWN).toList(),
        MixChange.between(now.head(), made, null, null),
        CheckChange.between(now.head().derived().findings(), made.derived().findings()));
  }

  private static OutlinePreview failed(Outline.Reading reading, List<OutlineFault> faults) {
    return new OutlinePreview(faults, reading.lines(), null, List.of(), null, null);
  }

  /**
   * Makes what the text says, as one revision.
   *
   * @param writtenOf the revision that the text was written of
   */
  MixChange make(String id, MixEdits.Asked asked, int writtenOf, String text) {
    Mix base = mixes.base(id, writtenOf).base().document();
    return edits.edit(id, asked, Outline.read(base, text, names).edit());
  }
}
