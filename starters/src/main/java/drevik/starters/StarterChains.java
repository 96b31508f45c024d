package drevik.starters;

import drevik.mix.Insert;
import drevik.shelf.KeptChain;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Chains that ship: each a place to begin from, for one instrument and one purpose. */
public final class StarterChains {
  private StarterChains() {}

  /** All of them. */
  public static List<KeptChain> all() {
    return List.of(
        chain(
            "Kick: weight and beater",
            "drums/kick",
            "Less of the box, more of the bottom and of the beater; only the loudest hits are held.",
            on("equaliser", "low-cut", 30, "bell-1-frequency", 60, "bell-1-gain", 3)
                .and("bell-2-frequency", 350, "bell-2-gain", -4)
                .and("bell-3-frequency", 3_500, "bell-3-gain", 3),
            on("compressor", "threshold", -16, "ratio", 3, "attack", 25, "release", 120)),
        chain(
            "Snare: body and crack",
            "drums/snare",
            "A body at 200 Hz, air on top, and a slow attack that leaves the stick.",
            on("equaliser", "low-cut", 90, "bell-1-frequency", 200, "bell-1-gain", 2.5)
                .and("bell-2-frequency", 600, "bell-2-gain", -2)
                .and("high-shelf-frequency", 7_000, "high-shelf-gain", 3),
            on("compressor", "threshold", -18, "ratio", 4, "attack", 15, "release", 90)),
        chain(
            "Drums: glue",
            "drums",
            "For the bus: two decibels at most, slow enough to let the hits through.",
            on("compressor", "threshold", -14, "ratio", 2, "attack", 30, "release", 150)),
        chain(
            "Drums: squeezed hard",
            "drums",
            "For a parallel that is fed before the fader; blend it with its own fader.",
            on("compressor", "threshold", -34, "ratio", 8, "attack", 3, "release", 90)
                .and("make-up", 6),
            off("equaliser", "low-shelf-frequency", 100, "low-shelf-gain", 3)),
        chain(
            "Bass: even",
            "bass",
            "Every note as loud as the next; nothing below what speakers can do.",
            on("equaliser", "low-cut", 35, "bell-1-frequency", 250, "bell-1-gain", -2),
            on("compressor", "threshold", -22, "ratio", 4, "attack", 20, "release", 150)
                .and("make-up", 3)),
        chain(
            "Guitar: out of the way",
            "guitar",
            "Makes room for bass and voice.",
            on("equaliser", "low-cut", 100, "bell-2-frequency", 2_500, "bell-2-gain", -2),
            off("compressor", "threshold", -20, "ratio", 2, "attack", 20, "release", 150)),
        chain(
            "Voice: close and even",
            "vocals/lead",
            "A fast and a slow hand after one another, and presence.",
            on("equaliser", "low-cut", 90, "bell-2-frequency", 2_800, "bell-2-gain", 1.5)
                .and("high-shelf-frequency", 10_000, "high-shelf-gain", 2),
            on("compressor", "threshold", -16, "ratio", 4, "attack", 3, "release", 80),
            on("compressor", "threshold", -22, "ratio", 2, "attack", 30, "release", 250)
                .and("make-up", 3)),
        chain(
            "Backing voices: one body",
            "vocals/backing",
            "Thin and level, so that many are one behind the lead.",
            on("equaliser", "low-cut", 160, "bell-2-frequency", 1_000, "bell-2-gain", -2)
                .and("high-shelf-frequency", 9_000, "high-shelf-gain", 2),
            on("compressor", "threshold", -26, "ratio", 4, "attack", 10, "release", 150)),
        chain(
            "Narration: clear over music",
            "narration",
            "Rumble off, speech forward, level even; the limiter waits for a shout.",
            on("equaliser", "low-cut", 80, "bell-2-frequency", 3_200, "bell-2-gain", 2),
            on("compressor", "threshold", -20, "ratio", 3, "attack", 8, "release", 180)
                .and("make-up", 2),
            on("limiter", "ceiling", -3)),
        chain(
            "Dialogue: rumble off, ready",
            "dialogue",
            "Only the low cut works; the rest is loaded and switched off, for the scene that asks.",
            on("equaliser", "low-cut", 75),
            off("compressor", "threshold", -24, "ratio", 2.5, "attack", 10, "release", 200)),
        chain(
            "Return: plate, short",
            "print/return",
            "Fully wet, its low end rolled off in front.",
            on("equaliser", "low-cut", 180),
            on("reverberation", "decay", 1.4, "wet", 100)),
        chain(
            "Master: light glue",
            "print",
            "One mixes into it: a decibel or two, then a ceiling.",
            on("compressor", "threshold", -12, "ratio", 1.6, "attack", 40, "release", 200),
            on("limiter", "ceiling", -1)));
  }

  private static KeptChain chain(String name, String category, String purpose, Loaded... loaded) {
    List<Insert> inserts = new ArrayList<>();
    for (Loaded one : loaded) {
      inserts.add(
          new Insert(
              name + "/" + inserts.size(), one.processor, one.on, false, one.settings, null));
    }
    return new KeptChain(name, category, purpose, inserts);
  }

  private static Loaded on(String processor, Object... settings) {
    return new Loaded(processor, true, Map.of()).and(settings);
  }

  private static Loaded off(String processor, Object... settings) {
    return new Loaded(processor, false, Map.of()).and(settings);
  }

  private record Loaded(String processor, boolean on, Map<String, Double> settings) {
    Loaded and(Object... more) {
      Map<String, Double> all = new TreeMap<>(settings);
      for (int i = 0; i < more.length; i += 2) {
        all.put((String) more[i], ((Number) more[i + 1]).doubleValue());
      }
      return new Loaded(processor, on, all);
    }
  }
}
