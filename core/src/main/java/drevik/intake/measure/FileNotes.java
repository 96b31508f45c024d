package drevik.intake.measure;

import drevik.audio.WavHeader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What a person should know about a received file before it is used, in a few words each. */
public final class FileNotes {
  /** Bytes; less is what some programs leave behind, and no audio. */
  private static final long MUCH_UNSPOKEN = 1 << 20;

  private FileNotes() {}

  /**
   * What a person should know of a measured file.
   *
   * @param sampleRate of the Mix that it was delivered to, Hz
   */
  public static List<String> of(Inspection found, int sampleRate) {
    WavHeader header = found.header();
    List<String> notes = new ArrayList<>();
    if (found.silent()) {
      notes.add(header.frames() == 0 ? "no audio in it" : "silent all through");
    }
    if (header.shortened()) {
      notes.add("cut short: it ends before its header says; what is there is used");
    }
    if (header.unspokenBytes() > MUCH_UNSPOKEN) {
      notes.add(
          number(
              "%,d MB follow its audio that its header says nothing of; if it is too short, ask for it as RF64",
              header.unspokenBytes() >> 20));
    }
    if (found.unusableSamples() > 0) {
      notes.add(
          number("%,d samples are no numbers; they are read as silence", found.unusableSamples()));
    }
    sides(found, notes);
    if (header.sampleRate() != sampleRate) {
      notes.add(
          String.format(
              Locale.ROOT,
              "at %,d Hz; converted to %,d Hz when seated",
              header.sampleRate(),
              sampleRate));
    }
    if (found.clippedSamples() > 0) {
      notes.add(number("clipped: %,d samples", found.clippedSamples()));
    }
    if (Math.abs(found.dcOffset()) > 0.005) {
      notes.add(String.format(Locale.ROOT, "DC offset of %.1f %%", 100 * found.dcOffset()));
    }
    int bits = header.format().bits();
    if (!found.silent() && bits == 24 && found.usedBits() <= 16) {
      notes.add(number("24 bits of which only %d are used", found.usedBits()));
    }
    return notes;
  }

  private static void sides(Inspection found, List<String> notes) {
    Sides sides = found.sides();
    if (found.dualMono()) {
      notes.add("stereo that is mono twice");
    } else if (sides != null && sides.deadSide() != null) {
      notes.add("the " + sides.deadSide() + " side is silent");
    } else if (sides != null && sides.onlyLevelDiffers()) {
      notes.add(
          String.format(
              Locale.ROOT,
              "mono in stereo: the right side is the left at %+.1f dB",
              sides.rightMinusLeftDb()));
    } else if (sides != null && sides.flipped()) {
      notes.add(
          String.format(
              Locale.ROOT,
              "one side looks flipped: correlation %.2f; the sum is hollow in mono",
              sides.correlation()));
    }
  }

  private static String number(String words, long number) {
    return String.format(Locale.ROOT, words, number);
  }

  /**
   * What to know of a microphone beside another.
   *
   * @param other name of the other
   */
  public static List<String> ofPair(String other, PairFinding pair) {
    List<String> notes = new ArrayList<>();
    if (pair.flipped()) {
      notes.add(
          "upside down against “"
              + other
              + "”: correlation "
              + PairFinding.shown(pair.correlation()));
    } else if (pair.late()) {
      notes.add(
          String.format(
              Locale.ROOT,
              "%.2f ms %s than “%s”: correlation %s, aligned %s",
              Math.abs(pair.lagMilliseconds()),
              pair.lagFrames() > 0 ? "later" : "earlier",
              other,
              PairFinding.shown(pair.correlation()),
              PairFinding.shown(pair.mended())));
    }
    return notes;
  }

  /**
   * What is said of swapped sides.
   *
   * @param other name of the recording that the sides stand the other way round than
   */
  public static String ofSwapped(String other, SwappedSides swapped) {
    return "left and right swapped against “"
        + other
        + "”: their levels agree "
        + PairFinding.shown(swapped.agreement());
  }
}
