package drevik.intake.seat;

import static drevik.MixWords.clip;
import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.SampleFormat;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspections;
import drevik.intake.seat.SessionFacts.Measured;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.util.List;
import org.junit.jupiter.api.Test;

class SessionFactsTest {
  private static Measured file(String name, String category, int rate, SampleFormat format) {
    return new Measured(name, category, Inspections.of(rate, format));
  }

  private static Measured kick() {
    return file("Kick.wav", "drums/kick", 48_000, SampleFormat.PCM_24);
  }

  @Test
  void rateAndDepthAreThoseOfMostFiles() {
    SessionFacts facts =
        SessionFacts.of(
            List.of(kick(), kick(), file("Vox.wav", "vocals", 44_100, SampleFormat.PCM_16)));
    assertThat(facts.sampleRate()).isEqualTo(48_000);
    assertThat(facts.bitDepth()).isEqualTo(24);
    assertThat(facts.because()).containsExactly("rate and depth of most files");
  }

  @Test
  void aFinalMixDecidesAgainstThemAndARoughOneDoesNot() {
    Measured finalMix = file("Final mix.wav", "print", 96_000, SampleFormat.PCM_24);
    Measured rough = file("Rough.wav", "reference/rough", 44_100, SampleFormat.PCM_16);
    assertThat(SessionFacts.of(List.of(kick(), kick(), rough, finalMix)).sampleRate())
        .isEqualTo(96_000);
    assertThat(SessionFacts.of(List.of(kick(), rough, rough)).sampleRate()).isEqualTo(48_000);
  }

  @Test
  void aSessionIsOfferedTheRateOnlyWhereItCanTakeIt() {
    SessionFacts facts =
        SessionFacts.of(List.of(file("Kick.wav", "drums/kick", 44_100, SampleFormat.PCM_16)));
    Mix empty = mix().seat("Kick", null).build().withKind(MixKind.SESSION);
    Mix full = mix().seat("Kick", null, c -> c.withClips(List.of(clip("x.wav", 100)))).build();
    assertThat(facts.rateFor(empty)).hasValue(44_100);
    assertThat(facts.rateFor(empty.withSampleRate(44_100))).isEmpty();
    assertThat(facts.rateFor(empty.withKind(MixKind.TEMPLATE))).isEmpty();
    assertThat(facts.rateFor(full.withKind(MixKind.SESSION))).isEmpty();
    assertThat(SessionFacts.of(List.of()).rateFor(empty)).isEmpty();
  }

  @Test
  void theSongBeginsAndEndsWithWhatIsMixed() {
    Inspection long_ = kick().found().withFirstSoundSeconds(0.0).withLastSoundSeconds(100.0);
    Inspection late = kick().found().withFirstSoundSeconds(8.5).withLastSoundSeconds(70.0);
    SessionFacts facts =
        SessionFacts.of(
            List.of(
                kick(),
                new Measured("Click.wav", "click", long_),
                new Measured("Rough.wav", "reference/rough", long_),
                new Measured("Choir.wav", "vocals/choir", late)));
    assertThat(facts.startSeconds()).isEqualTo(8.5);
    assertThat(facts.endSeconds()).isEqualTo(90);
  }

  @Test
  void theTempoIsTheClicksElseWhatTheNamesSay() {
    Inspection click = kick().found().withSound(Inspections.sound(96.04));
    assertThat(SessionFacts.of(List.of(new Measured("Click.wav", "click", click))).tempoBpm())
        .isEqualTo(96);
    // A hi-hat is as regular, but nobody says that it beats quarters.
    assertThat(SessionFacts.of(List.of(new Measured("Hat.wav", "drums/hat", click))).tempoBpm())
        .isNull();
    SessionFacts named =
        SessionFacts.of(
            List.of(
                file("Song_92,5bpm_Kick.wav", "drums/kick", 48_000, SampleFormat.PCM_24),
                file("Song_92,5bpm_Bass.wav", "bass", 48_000, SampleFormat.PCM_24),
                file("Loop 120bpm.wav", "drums/loop", 48_000, SampleFormat.PCM_24)));
    assertThat(named.tempoBpm()).isEqualTo(92.5);
    assertThat(named.because()).contains("tempo from the files’ names");
  }

  @Test
  void nothingSaysNothing() {
    assertThat(SessionFacts.of(List.of()))
        .isEqualTo(new SessionFacts(null, null, null, null, null, List.of()));
  }
}
