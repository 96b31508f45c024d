package drevik.intake.conform;

import drevik.audio.AudioException;
import drevik.audio.Resampler;
import drevik.audio.StereoJoin;
import drevik.intake.conform.ConformStep.Kind;
import drevik.intake.measure.StereoPairs;
import drevik.mix.AudioLocator;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Makes the file that a session plays, where that cannot be the original. */
public final class ConformedCopy {
  private final Conforming conforming;
  private final AudioLocator originals;
  private final int sampleRate;

  /**
   * @param originals where the delivered files lie
   * @param sampleRate of the session, Hz
   */
  public ConformedCopy(Conforming conforming, AudioLocator originals, int sampleRate) {
    this.conforming = conforming;
    this.originals = originals;
    this.sampleRate = sampleRate;
  }

  /** False if the session can play the original. */
  public boolean isNeeded(String id) {
    return ConformStep.makeACopy(conforming.wanted(id)) || conforming.joinOf(id).isPresent();
  }

  /**
   * Writes the copy of the file {@code id}, or of the stereo file that it is the first half of.
   *
   * @throws AudioException if it cannot be made; {@code to} is gone then
   */
  public void write(String id, Path to) throws IOException {
    Optional<StereoPairs.Pair> join = conforming.joinOf(id);
    if (join.isEmpty()) {
      convert(id, to);
      return;
    }
    String second = join.get().second();
    // Against the first half: the seat turns both.
    boolean flip = conforming.turns(second) != conforming.turns(id);
    Path one = half(id, to, ".first");
    Path other = half(second, to, ".second");
    try {
      convertHalf(id, one);
      convertHalf(second, other);
      StereoJoin.write(one, other, join.get().halves(), flip, to);
    } finally {
      deleteHalf(id, one);
      deleteHalf(second, other);
    }
  }

  private Path half(String id, Path beside, String ending) {
    return convertsAlone(id) ? beside.resolveSibling(beside.getFileName() + ending) : original(id);
  }

  private void convertHalf(String id, Path half) {
    if (convertsAlone(id)) {
      convert(id, half);
    }
  }

  private void deleteHalf(String id, Path half) throws IOException {
    if (convertsAlone(id)) {
      Files.deleteIfExists(half);
    }
  }

  private boolean convertsAlone(String id) {
    return ConformStep.makeACopy(conforming.wanted(id));
  }

  private void convert(String id, Path to) {
    List<ConformStep> wanted = conforming.wanted(id);
    Resampler.Sides sides =
        ConformStep.has(wanted, Kind.TO_MONO)
            ? Resampler.Sides.FIRST_ONLY
            : ConformStep.has(wanted, Kind.SWAP) ? Resampler.Sides.SWAPPED : Resampler.Sides.KEPT;
    Resampler.convert(original(id), to, sampleRate, sides);
  }

  private Path original(String id) {
    return originals.locate(conforming.source(id).audio());
  }
}
