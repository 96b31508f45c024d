package drevik.intake.conform;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavHeader;
import drevik.intake.conform.ConformStep.Kind;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspections;
import drevik.intake.measure.PairFinding;
import drevik.intake.measure.Sound;
import drevik.intake.measure.Stretch;
import drevik.mix.AudioRef;
import drevik.mix.Mix;
import java.util.List;
import java.util.OptionalLong;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ConformingTest {
  private static final Mix MIX = mix().bus("mix", null).build();
  private static final int RATE = MIX.sampleRate();

  private static Inspection heard(double from, double to) {
    Inspection plain = Inspections.of(RATE, SampleFormat.PCM_24);
    Sound sound = Inspections.sound(null);
    return plain.withSound(
        new Sound(
            sound.brightnessHz(),
            sound.onsetsPerSecond(),
            sound.activeShare(),
            sound.sustainedShare(),
            sound.noiseFloorDbfs(),
            null,
            List.of(new Stretch((long) (from * RATE), (long) (to * RATE))),
            null));
  }

  private static Inspection at(Inspection found, long timeReference) {
    WavHeader h = found.header();
    return found.withHeader(
        new WavHeader(
            h.container(),
            h.format(),
            h.sampleRate(),
            h.layout(),
            h.dataOffset(),
            h.frames(),
            OptionalLong.of(timeReference),
            h.shortened(),
            h.unspokenBytes()));
  }

  private static Conforming.Source file(
      String name, String category, Inspection found, Kind... off) {
    return new Conforming.Source(
        name, name, new AudioRef("", name), category, found, null, null, Set.of(off));
  }

  private static List<Kind> kinds(List<ConformStep> steps) {
    return steps.stream().map(ConformStep::kind).toList();
  }

  @Test
  void deadAirIsCutAndCanBeLeftIn() {
    Inspection found = heard(10, 90);
    Conforming cut = Conforming.of(MIX, List.of(file("a", "bass", found)));
    assertThat(cut.steps("a"))
        .containsExactly(
            new ConformStep(Kind.TRIM, "18.0 s of dead air cut away; one part is kept"));
    assertThat(cut.files().get(0).parts())
        .containsExactly(new Stretch((long) (9.5 * RATE), (long) (91.5 * RATE)));
    Conforming whole = Conforming.of(MIX, List.of(file("a", "bass", found, Kind.TRIM)));
    assertThat(kinds(whole.steps("a"))).containsExactly(Kind.TRIM);
    assertThat(whole.wanted("a")).isEmpty();
    assertThat(whole.cuts("a")).isEmpty();
    assertThat(cut.cuts("a"))
        .containsExactly(
            new Stretch(0, (long) (9.5 * RATE)), new Stretch((long) (91.5 * RATE), 100L * RATE));
    assertThat(whole.files().get(0).parts()).containsExactly(new Stretch(0, 100L * RATE));
  }

  @Test
  void aReferenceIsKeptWholeAndSilenceIsLeftAsItIs() {
    Conforming both =
        Conforming.of(
            MIX,
            List.of(
                file("rough", "reference/rough", heard(10, 90)),
                file("empty", "bass", heard(0, 0).withSilent(true))));
    assertThat(both.steps("rough")).isEmpty();
    assertThat(both.steps("empty")).isEmpty();
  }

  @Test
  void filesBeginWhereTheirTimeReferencesSay() {
    Conforming both =
        Conforming.of(
            MIX,
            List.of(
                file("one", "bass", at(heard(0, 100), 3_600L * RATE)),
                file("two", "bass", at(heard(0, 100), 3_600L * RATE + RATE / 2)),
                file("off", "bass", at(heard(0, 100), 3_601L * RATE), Kind.PLACE)));
    assertThat(both.steps("one")).isEmpty();
    assertThat(both.steps("two"))
        .containsExactly(
            new ConformStep(Kind.PLACE, "begins at 0.500 s, where its time reference says"));
    assertThat(both.files())
        .extracting(DeliveredFile::startFrame)
        .containsExactly(0L, RATE / 2L, 0L);
  }

  @Test
  void twoHalvesAreOneStereoFile() {
    Conforming choir =
        Conforming.of(
            MIX,
            List.of(
                file("Choir.R.wav", "vocals/choir", heard(5, 95)),
                file("Choir.L.wav", "vocals/choir", heard(10, 90)),
                file("Gtr L.wav", "guitar/electric", heard(0, 100)),
                file("Gtr R.wav", "guitar/electric", heard(0, 100))));
    assertThat(choir.joinedTo("Choir.R.wav")).contains("Choir.L.wav");
    assertThat(choir.steps("Choir.R.wav"))
        .containsExactly(
            new ConformStep(Kind.JOIN, "the right of one stereo file with “Choir.L.wav”"));
    // Two guitars at the sides are two performances.
    assertThat(choir.files())
        .extracting(DeliveredFile::name)
        .containsExactly("Choir.L.wav", "Gtr L.wav", "Gtr R.wav");
    DeliveredFile joined = choir.files().get(0);
    assertThat(joined.layout()).isEqualTo(Layout.STEREO);
    assertThat(joined.joined()).isEqualTo("Choir.R.wav");
    assertThat(joined.parts())
        .containsExactly(new Stretch((long) (4.5 * RATE), (long) (96.5 * RATE)));
  }

  @Test
  void halvesStayApartWhereOneWasToldToOrTheMixHasSeatsForBoth() {
    Conforming off =
        Conforming.of(
            MIX,
            List.of(
                file("Room mid.wav", "drums/room", heard(0, 100)),
                file("Room side.wav", "drums/room", heard(0, 100), Kind.JOIN)));
    assertThat(off.files()).hasSize(2);
    assertThat(off.steps("Room mid.wav"))
        .extracting(ConformStep::says)
        .containsExactly("the middle of one stereo file with “Room side.wav”");
    Mix seats =
        mix()
            .seat("OH L", "mix", c -> c.withCategory("drums/overhead"))
            .seat("OH R", "mix", c -> c.withCategory("drums/overhead"))
            .bus("mix", null)
            .build();
    List<Conforming.Source> overheads =
        List.of(
            file("OH_L.wav", "drums/overhead", heard(0, 100)),
            file("OH_R.wav", "drums/overhead", heard(0, 100)));
    assertThat(Conforming.of(seats, overheads).files()).hasSize(2);
    assertThat(Conforming.of(MIX, overheads).files()).hasSize(1);
  }

  private static Conforming.Source beside(String name, String other, boolean flipped, Kind... off) {
    PairFinding finding = new PairFinding(-0.8, 0.8, 0, RATE, flipped, false);
    return new Conforming.Source(
        name,
        name,
        new AudioRef("", name),
        "drums/overhead",
        heard(0, 100),
        new ConformStep.Beside(other, other, finding),
        null,
        Set.of(off));
  }

  @Test
  void microphonesAreTurnedUntilTheWholeChainAgrees() {
    Conforming.Source snare = file("Snr", "drums/snare", heard(0, 100));
    Conforming both =
        Conforming.of(
            MIX, List.of(snare, beside("OH 1", "Snr", true), beside("OH 2", "OH 1", false)));
    assertThat(both.steps("OH 2"))
        .containsExactly(new ConformStep(Kind.FLIP, "polarity flipped together with “OH 1”"));
    Conforming second =
        Conforming.of(
            MIX, List.of(snare, beside("OH 1", "Snr", true), beside("OH 2", "OH 1", true)));
    assertThat(second.steps("OH 2")).isEmpty();
    Conforming off =
        Conforming.of(
            MIX,
            List.of(snare, beside("OH 1", "Snr", true, Kind.FLIP), beside("OH 2", "OH 1", true)));
    assertThat(kinds(off.wanted("OH 1"))).isEmpty();
    assertThat(kinds(off.wanted("OH 2"))).containsExactly(Kind.FLIP);
  }
}
