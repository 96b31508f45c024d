package drevik.demo;

import static drevik.demo.Voices.RATE;

import drevik.audio.SampleFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;

/**
 * “Weathervane” by The Lantern Quarry, an invented eight-piece: one song of 16 bars at 96 bpm (40
 * s), delivered as untidily as real ones are. Planted faults: a harmonium in stereo that is mono
 * twice, a snare pair with one side flipped, an empty take, a guitar at 44.1 kHz, a clipped
 * flugelhorn, and a reverb print that nobody needs.
 */
final class Weathervane {
  static final double TEMPO = 96;
  static final double BEAT = 60 / TEMPO;
  static final int BARS = 16;
  static final double SECONDS = BARS * 4 * BEAT + 2;

  private static final float PEAK = 0.4f;
  private static final int FRAMES = (int) (SECONDS * RATE);
  // Roots as semitones over A1, and chord tones over the root: Dm9, F, C, G and so on.
  private static final int[] ROOTS = {5, 8, 3, 10, 5, 8, 3, 10, 1, 8, 3, 10, 5, 10, 3, 5};
  private static final boolean[] MINOR = {
    true, false, false, false, true, false, false, false, false, false, false, false, true, false,
    false, true
  };
  private static final int[] MELODY = {
    12, 15, 17, 19, 17, 15, 12, 10, 12, 15, 19, 22, 20, 17, 15, 12
  };

  private record Part(String fileName, Consumer<float[]> play) {}

  private Weathervane() {}

  private static double hertz(int semitonesOverA1) {
    return 55 * Math.pow(2, semitonesOverA1 / 12.0);
  }

  private static int chordTone(int bar, int index) {
    int[] tones = MINOR[bar] ? new int[] {0, 3, 7, 10, 14} : new int[] {0, 4, 7, 11, 14};
    return ROOTS[bar] + tones[index % 5] + 12 * (index / 5);
  }

  private static double time(int bar, double beat) {
    return (bar * 4 + beat) * BEAT;
  }

  private static boolean full(int bar) {
    return bar >= 8 && bar < 15;
  }

  /** All files, synthesised on all cores. */
  static List<Track> tracks() {
    List<Part> parts = parts();
    float[][] mono = new float[parts.size()][FRAMES];
    IntStream.range(0, parts.size())
        .parallel()
        .forEach(
            i -> {
              parts.get(i).play().accept(mono[i]);
              Signals.bringTo(PEAK, mono[i]);
            });
    List<Track> tracks = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      tracks.add(deliver(parts.get(i).fileName(), mono[i]));
    }
    tracks.add(Track.of("09 Room St.wav", room(mono, 0), room(mono, 1)));
    tracks.add(Track.of("VERB print.wav", Signals.wash(mono[23], 0), Signals.wash(mono[23], 1)));
    tracks.add(roughMix(mono));
    return tracks;
  }

  private static Track deliver(String name, float[] mono) {
    if (name.startsWith("Harmonium")) {
      return Track.of(name, mono, mono);
    }
    if (name.startsWith("12 MRMBA")) {
      return Track.of(name, mono, Signals.late(mono, 0.0007));
    }
    if (name.startsWith("Nyl gtr 2")) {
      return new Track(name, 44_100, SampleFormat.PCM_24, new float[][] {Signals.at44100(mono)});
    }
    if (name.startsWith("Flghn")) {
      for (int i = 0; i < mono.length; i++) {
        mono[i] = Math.max(-1, Math.min(1, mono[i] * 3.2f));
      }
    }
    SampleFormat format = name.startsWith("CLICK") ? SampleFormat.PCM_16 : SampleFormat.PCM_24;
    return new Track(name, RATE, format, new float[][] {mono});
  }

  private static List<Part> parts() {
    List<Part> parts = new ArrayList<>();
    parts.add(new Part("01_KIK IN.wav", out -> kicks(out, 0.7, 0.5)));
    parts.add(new Part("02_KIK OUT.wav", out -> kicks(Signals.late(out, 0), 0.55, 0.1)));
    parts.add(new Part("03 Snr Top.wav", out -> snares(out, 0.6, 0.5)));
    parts.add(
        new Part(
            "04 Snr Btm.wav",
            out -> {
              snares(out, 0.4, 1.2);
              flip(out);
            }));
    parts.add(new Part("05_HiHat.wav", Weathervane::hats));
    parts.add(new Part("06 RackTom.wav", out -> toms(out, 3.0, 140)));
    parts.add(new Part("07 FlrTom.wav", out -> toms(out, 3.5, 88)));
    parts.add(new Part("OH_L.wav", out -> overheads(out, 1)));
    parts.add(new Part("OH_R.wav", out -> overheads(out, 2)));
    parts.add(new Part("10 shkr.wav", Weathervane::shaker));
    parts.add(new Part("11_Tamb.wav", Weathervane::tambourine));
    parts.add(new Part("12 MRMBA lo.wav", out -> marimba(out, 24, 0)));
    parts.add(new Part("12 MRMBA hi.wav", out -> marimba(out, 36, 2)));
    parts.add(new Part("13_frame drum.wav", Weathervane::frameDrum));
    parts.add(new Part("UprBass DI.wav", out -> bass(out, 0.55, 0.55)));
    parts.add(new Part("Upr Bass mic.wav", out -> bass(Signals.late(out, 0), 0.5, 0.75)));
    parts.add(new Part("Harmonium_st.wav", Weathervane::harmonium));
    parts.add(new Part("NylonGtr 1.wav", out -> guitar(out, 0)));
    parts.add(new Part("Nyl gtr 2 44k.wav", out -> guitar(out, 3)));
    parts.add(new Part("Clrnt.wav", out -> reed(out, 0)));
    parts.add(new Part("Flghn.wav", out -> horn(out)));
    parts.add(new Part("LdVox_comp.wav", out -> voice(out, 0.55, 1, 4)));
    parts.add(new Part("LdVox dbl 1.wav", out -> voice(out, 0.4, 2, 8)));
    parts.add(new Part("LdVox dbl 2.wav", out -> voice(out, 0.4, 3, 8)));
    parts.add(new Part("Choir S.wav", out -> choir(out, 7, 40)));
    parts.add(new Part("Choir A.wav", out -> choir(out, 6, 50)));
    parts.add(new Part("Choir T.wav", out -> choir(out, 4, 60)));
    parts.add(new Part("Choir B.wav", out -> choir(out, 2, 70)));
    parts.add(
        new Part(
            "Riser FX.wav",
            out -> {
              Voices.riser(out, time(6, 0), 0.5, 8 * BEAT, 81);
              Voices.riser(out, time(11, 0), 0.4, 4 * BEAT, 82);
            }));
    parts.add(new Part("swell texture.wav", out -> swell(out)));
    parts.add(new Part("woodblock OD.wav", Weathervane::woodblock));
    parts.add(new Part("CLICK 96bpm.wav", Weathervane::click));
    parts.add(new Part("Audio 23_01.wav", out -> {}));
    return parts;
  }

  private static void kicks(float[] out, double level, double click) {
    for (int bar = 4; bar < 15; bar++) {
      for (double beat : full(bar) ? new double[] {0, 1.5, 2, 3.5} : new double[] {0, 2.5}) {
        Voices.kick(out, time(bar, beat), level, click, 100 + bar);
      }
    }
  }

  private static void snares(float[] out, double level, double wires) {
    for (int bar = 4; bar < 15; bar++) {
      Voices.drum(out, time(bar, 1), level, 188, 0.09, wires, bar);
      Voices.drum(out, time(bar, 3), level, 190, 0.10, wires, bar + 50L);
    }
  }

  private static void hats(float[] out) {
    for (int bar = 4; bar < 15; bar++) {
      for (int n = 0; n < 8; n++) {
        Voices.hiss(
            out, time(bar, n / 2.0), n % 2 == 0 ? 0.4 : 0.25, 0.001, n == 7 ? 0.12 : 0.03, 0, n);
      }
    }
  }

  private static void toms(float[] out, double beat, double hertz) {
    for (int bar = 7; bar < 15; bar += 4) {
      Voices.drum(out, time(bar, beat), 0.7, hertz, 0.22, 0.05, bar);
      Voices.drum(out, time(bar, beat + 0.25), 0.6, hertz, 0.22, 0.05, bar + 9L);
    }
  }

  private static void overheads(float[] out, long side) {
    kicks(out, 0.08, 0.2);
    snares(out, 0.16, 0.9);
    hats(out);
    Signals.scale(out, 0.6f);
    for (int bar = 8; bar < 15; bar += 2) {
      Voices.hiss(out, time(bar, 0), 0.4, 0.003, 0.6, side == 1 ? 3_100 : 4_300, bar * side);
    }
  }

  private static void shaker(float[] out) {
    for (int bar = 2; bar < 15; bar++) {
      for (int n = 0; n < 16; n++) {
        Voices.hiss(out, time(bar, n / 4.0), n % 4 == 0 ? 0.35 : 0.2, 0.02, 0.018, 0, n + 200);
      }
    }
  }

  private static void tambourine(float[] out) {
    for (int bar = 8; bar < 15; bar++) {
      Voices.hiss(out, time(bar, 1), 0.5, 0.002, 0.09, 7_200, bar + 300);
      Voices.hiss(out, time(bar, 3), 0.5, 0.002, 0.09, 7_200, bar + 320);
    }
  }

  private static void marimba(float[] out, int octave, int offset) {
    for (int bar = 0; bar < 15; bar++) {
      for (int n = 0; n < 8; n++) {
        int tone = chordTone(bar, (n * 3 + offset) % 5) + octave;
        Voices.bar(out, time(bar, n / 2.0), n % 4 == 0 ? 0.4 : 0.28, hertz(tone));
      }
    }
  }

  private static void frameDrum(float[] out) {
    for (int bar = 2; bar < 15; bar++) {
      Voices.drum(out, time(bar, 0), 0.5, 72, 0.25, 0.03, bar);
      Voices.drum(out, time(bar, 2.5), 0.35, 75, 0.2, 0.05, bar + 20L);
    }
  }

  private static void bass(float[] out, double level, double soft) {
    for (int bar = 2; bar < 15; bar++) {
      int root = ROOTS[bar] >= 7 ? ROOTS[bar] - 12 : ROOTS[bar];
      Voices.pluck(out, time(bar, 0), level, hertz(root), 1.5 * BEAT, soft, 5);
      Voices.pluck(out, time(bar, 1.5), level, hertz(root), BEAT, soft, 6);
      Voices.pluck(out, time(bar, 2.5), level, hertz(root + 7), 1.4 * BEAT, soft, 7);
    }
  }

  private static void harmonium(float[] out) {
    for (int bar = 0; bar < 15; bar++) {
      for (int tone = 0; tone < 3; tone++) {
        Voices.blown(
            out, time(bar, 0), 0.12, hertz(chordTone(bar, tone) + 12), 4 * BEAT, 0.1, 0.7, 0.002);
      }
    }
  }

  private static void guitar(float[] out, int offset) {
    for (int bar = 4; bar < 15; bar++) {
      for (int n = 0; n < 8; n++) {
        int tone = chordTone(bar, (n + offset) % 5) + 12;
        Voices.pluck(
            out, time(bar, n / 2.0) + offset * 0.002, 0.35, hertz(tone), 0.9, 0.35, n + offset);
      }
    }
  }

  private static void reed(float[] out, int shift) {
    for (int bar = 8; bar < 15; bar++) {
      int tone = MELODY[bar] + 24 + shift;
      Voices.blown(out, time(bar, 0.5), 0.3, hertz(tone), 1.4 * BEAT, 0.9, 0.5, 0.004);
      Voices.blown(out, time(bar, 2), 0.28, hertz(tone - 2), 1.9 * BEAT, 0.9, 0.5, 0.004);
    }
  }

  private static void horn(float[] out) {
    for (int bar = 9; bar < 15; bar += 2) {
      Voices.blown(out, time(bar, 0), 0.36, hertz(MELODY[bar] + 12), 3.5 * BEAT, 0.1, 0.6, 0.005);
    }
  }

  private static void voice(float[] out, double level, long seed, int from) {
    for (int bar = from; bar < 15; bar++) {
      int tone = MELODY[bar] + 12;
      double push = (seed - 1) * 0.011;
      Voices.sung(out, time(bar, 0) + push, level, hertz(tone), 1.4 * BEAT, bar, 0.04, seed + bar);
      Voices.sung(
          out,
          time(bar, 1.5) + push,
          level,
          hertz(tone + 2),
          0.9 * BEAT,
          bar + 1,
          0.03,
          seed + bar);
      Voices.sung(
          out,
          time(bar, 2.5) + push,
          level,
          hertz(tone - 2),
          1.4 * BEAT,
          bar + 3,
          0.05,
          seed + bar);
    }
  }

  private static void choir(float[] out, int part, long seed) {
    for (int bar = 8; bar < 15; bar++) {
      double tone = hertz(chordTone(bar, part % 5) + (part > 4 ? 24 : 12));
      for (int singer = 0; singer < 4; singer++) {
        Voices.sung(out, time(bar, 0), 0.12, tone, 4 * BEAT, 2, 0.35, seed + bar * 7L + singer);
      }
    }
  }

  private static void swell(float[] out) {
    for (int bar = 0; bar < 8; bar += 4) {
      Voices.riser(out, time(bar, 0), 0.18, 8 * BEAT, 90 + bar);
    }
  }

  private static void woodblock(float[] out) {
    for (int bar = 8; bar < 15; bar++) {
      for (double beat : new double[] {0.5, 1.75, 2.5}) {
        Voices.drum(out, time(bar, beat), 0.5, 1_150, 0.02, 0.02, bar);
      }
    }
  }

  private static void click(float[] out) {
    for (int beat = 0; beat < BARS * 4; beat++) {
      double hertz = beat % 4 == 0 ? 1_760 : 1_320;
      Voices.drum(out, beat * BEAT, 0.6, hertz, 0.012, 0, beat);
    }
  }

  private static void flip(float[] out) {
    Signals.scale(out, -1);
  }

  /** The whole kit from three metres away, a little different on either side. */
  private static float[] room(float[][] mono, int side) {
    float[] kit = new float[FRAMES];
    for (int part = 0; part < 7; part++) {
      float gain = part == 1 || part == 3 ? 0 : 0.35f;
      for (int i = 0; i < FRAMES; i++) {
        kit[i] += gain * mono[part][i];
      }
    }
    return Signals.wash(kit, side);
  }

  /** What the band sent as its own rough mix: everything, louder than it should be. */
  private static Track roughMix(float[][] mono) {
    float[] left = new float[FRAMES];
    float[] right = new float[FRAMES];
    for (int part = 0; part < 31; part++) {
      double pan =
          part < 4 || part == 14 || part == 15 || part == 21 ? 0.5 : 0.25 + 0.1 * (part % 6);
      float sign = part == 3 ? -0.3f : 0.34f;
      for (int i = 0; i < FRAMES; i++) {
        left[i] += (float) (sign * (1 - pan) * mono[part][i]);
        right[i] += (float) (sign * pan * mono[part][i]);
      }
    }
    for (float[] channel : new float[][] {left, right}) {
      for (int i = 0; i < FRAMES; i++) {
        channel[i] = (float) Math.tanh(channel[i] * 1.6) * 0.9f;
      }
    }
    return Track.of("Weathervane ROUGH mix v2.wav", left, right);
  }
}
