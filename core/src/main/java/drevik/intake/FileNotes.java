package drevik.intake;

import drevik.audio.WavHeader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What a person should know about a received file before it is used, in a few words each. */
public final class FileNotes {
  private FileNotes() {}

  /**
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
    if (found.dualMono()) {
      notes.add("stereo that is mono twice");
    }
    if (header.sampleRate() != sampleRate) {
      notes.add(
          String.format(
              Locale.ROOT,
              "at %,d Hz; converted to %,d Hz when seated",
              header.sampleRate(),
              sampleRate));
    }
    if (found.clippedSamples() > 0) {
      notes.add(String.format(Locale.ROOT, "clipped: %,d samples", found.clippedSamples()));
    }
    if (Math.abs(found.dcOffset()) > 0.005) {
      notes.add(String.format(Locale.ROOT, "DC offset of %.1f %%", 100 * found.dcOffset()));
    }
    return notes;
  }
}
