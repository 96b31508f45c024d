package drevik.intake.conform;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.intake.conform.ConformStep.Beside;
import drevik.intake.conform.ConformStep.Kind;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspections;
import drevik.intake.measure.PairFinding;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class ConformStepTest {
  private static final Inspection PLAIN = Inspections.of(48_000, SampleFormat.PCM_24);

  @Test
  void aFileThatFitsNeedsNothing() {
    assertThat(ConformStep.of(PLAIN, 48_000)).isEmpty();
  }

  @Test
  void everyStepSaysWhatIsDoneAndWhy() {
    Inspection found = PLAIN.withContainer("flac").withEncoding("flac").withDualMono(true);
    PairFinding flipped = new PairFinding(-0.9, 0.91, 3, 48_000, true, false);
    List<ConformStep> steps = new ArrayList<>(ConformStep.of(found, 44_100));
    steps.add(ConformStep.flip(new Beside("id", "Snare top", flipped)));
    assertThat(steps)
        .containsExactly(
            new ConformStep(Kind.DECODE, "decoded from flac"),
            new ConformStep(Kind.RESAMPLE, "converted from 48,000 to 44,100 Hz"),
            new ConformStep(Kind.TO_MONO, "to mono: both sides are the same"),
            new ConformStep(
                Kind.FLIP,
                "polarity flipped, to agree with “Snare top”: correlation +0.91 instead of −0.90"));
    assertThat(ConformStep.makeACopy(steps)).isTrue();
    assertThat(ConformStep.makeACopy(steps.subList(3, 4))).isFalse();
    assertThat(ConformStep.layoutAfter(Layout.STEREO, steps)).isEqualTo(Layout.MONO);
    assertThat(steps).filteredOn(step -> step.kind().isOptional()).hasSize(2);
  }
}
