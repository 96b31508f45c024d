package drevik.intake.measure;

import drevik.audio.AudioException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Compares the files of a delivery that belong together: microphones of one source, and stereo
 * recordings of one kit. What is compared with what is told by the names alone, so that it can be
 * asked before everything has been measured.
 */
public final class PairChecks {
  private final List<MicrophonePairs.Named> files;
  private final Function<String, Optional<MeasuredFile>> measured;

  /**
   * @param measured what was measured of the file with an id; empty if it was refused, or not yet
   */
  public PairChecks(
      List<MicrophonePairs.Named> files, Function<String, Optional<MeasuredFile>> measured) {
    this.files = files;
    this.measured = id -> measured.apply(id).filter(MeasuredFile::isWave);
  }

  /**
   * Compares microphones.
   *
   * @param asked which pairs
   * @param found takes what was found of each that could be compared
   * @throws AudioException if a file cannot be read
   */
  public void microphones(
      Predicate<MicrophonePairs.Pair> asked, BiConsumer<MicrophonePairs.Pair, PairFinding> found) {
    for (MicrophonePairs.Pair pair : MicrophonePairs.among(files)) {
      if (asked.test(pair)) {
        Optional<MeasuredFile> first = measured.apply(pair.first());
        Optional<MeasuredFile> second = measured.apply(pair.second());
        if (first.isPresent() && second.isPresent()) {
          PairCheck.compare(first.get(), second.get(), pair.spaced())
              .ifPresent(finding -> found.accept(pair, finding));
        }
      }
    }
  }

  /** The same of stereo recordings, of which it is told whether their sides agree. */
  public void sides(
      Predicate<StereoImages.Pair> asked, BiConsumer<StereoImages.Pair, SwappedSides> found) {
    List<StereoImages.Named> kit = new ArrayList<>();
    for (MicrophonePairs.Named file : files) {
      if (StereoImages.concern(file.category())) {
        measured
            .apply(file.id())
            .map(one -> one.found().header().layout())
            .ifPresent(
                layout ->
                    kit.add(
                        new StereoImages.Named(file.id(), file.name(), file.category(), layout)));
      }
    }
    for (StereoImages.Pair pair : StereoImages.among(kit)) {
      if (asked.test(pair)) {
        StereoImages.compare(pair, id -> measured.apply(id).orElseThrow())
            .ifPresent(sides -> found.accept(pair, sides));
      }
    }
  }
}
