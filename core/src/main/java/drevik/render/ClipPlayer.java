package drevik.render;

import drevik.audio.AudioException;
import drevik.audio.ChannelMatrix;
import drevik.audio.Decibels;
import drevik.audio.Layout;
import drevik.audio.PanLaw;
import drevik.audio.Position;
import drevik.audio.WavReader;
import drevik.mix.AudioLocator;
import drevik.mix.Clip;
import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;

/** Streams one clip into a seat's block. */
final class ClipPlayer {
  /**
   * The files that one channel's clips play, each opened once however many clips are cut from it. A
   * channel plays its clips one after another, so they share what is read into.
   */
  static final class Sources implements Closeable {
    private final String channel;
    private final AudioLocator audio;
    private final int sampleRate;
    private final int blockSize;
    private final Map<Path, Source> open = new LinkedHashMap<>();

    Sources(String channel, AudioLocator audio, int sampleRate, int blockSize) {
      this.channel = channel;
      this.audio = audio;
      this.sampleRate = sampleRate;
      this.blockSize = blockSize;
    }

    private Source of(Clip clip) {
      Path file = audio.locate(clip.audio());
      Source known = open.get(file);
      if (known != null) {
        return known;
      }
      WavReader reader = WavReader.open(file);
      Source source =
          new Source(
              clip.audio().name(),
              reader,
              new float[reader.header().layout().channels()][blockSize],
              new AtomicLong());
      open.put(file, source);
      int fileRate = reader.header().sampleRate();
      if (fileRate != sampleRate) {
        throw new AudioException(
            "“"
                + clip.audio().name()
                + "” is at "
                + fileRate
                + " Hz and the Mix at "
                + sampleRate
                + " Hz; conform the file before printing, or it would play at the wrong speed");
      }
      return source;
    }

    Stream<Path> files() {
      return open.keySet().stream();
    }

    Stream<PrintReport.SourceFault> faults() {
      return open.values().stream()
          .map(
              source ->
                  new PrintReport.SourceFault(
                      channel, source.name, source.reader.unusableSamples(), source.missing.get()))
          .filter(fault -> fault.unusableSamples() > 0 || fault.missingFrames() > 0);
    }

    @Override
    public void close() throws IOException {
      for (Source source : open.values()) {
        source.reader.close();
      }
    }
  }

  /**
   * @param missing frames that clips want and the file does not have
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Source(String name, WavReader reader, float[][] block, AtomicLong missing) {}

  /**
   * How a clip fades: where it meets another recording at equal power, where it meets its own at
   * equal gain.
   */
  record Fades(boolean inAtEqualPower, boolean outAtEqualPower) {
    static Fades of(Clip clip, List<Clip> besides) {
      return new Fades(
          meetsAnother(clip, besides, clip.startFrame(), clip.startFrame() + clip.fadeIn()),
          meetsAnother(clip, besides, clip.endFrame() - clip.fadeOut(), clip.endFrame()));
    }

    @SuppressWarnings("ReferenceEquality") // all but this very clip
    private static boolean meetsAnother(Clip clip, List<Clip> besides, long from, long to) {
      return besides.stream()
          .anyMatch(
              other ->
                  other != clip
                      && !other.audio().equals(clip.audio())
                      && other.startFrame() < to
                      && other.endFrame() > from);
    }
  }

  private final Clip clip;
  private final Fades fades;
  private final int latency;
  private final Source source;
  private final Feed feed;

  /**
   * @param latency frames by which the seat is held back, for a key that arrives late
   * @throws AudioException if the file is missing, broken or at another sample rate
   */
  ClipPlayer(Clip clip, Fades fades, Sources sources, Layout seat, int latency) {
    this.clip = clip;
    this.fades = fades;
    this.latency = latency;
    this.source = sources.of(clip);
    source.missing.addAndGet(Math.max(0, clip.sourceOut() - source.reader.header().frames()));
    double[][] gains =
        ChannelMatrix.of(source.reader.header().layout(), seat, Position.FRONT, PanLaw.NONE);
    this.feed = new Feed(source.block, gains, Decibels.toGain(clip.gainDb()), 0, sources.blockSize);
  }

  /** True where this clip sounds in the block. */
  boolean sounds(long blockStart, int frames) {
    return start() < blockStart + frames && clip.endFrame() + latency > blockStart;
  }

  /** Adds the clip's part of the block, or puts it there in the place of what was. */
  void play(float[][] into, long blockStart, int frames, boolean replace) {
    int first = (int) Math.max(0, start() - blockStart);
    int end = (int) Math.min(frames, clip.endFrame() + latency - blockStart);
    long inClip = blockStart + first - start();
    boolean straight = replace && feed.isPlain();
    float[][] block = straight ? into : source.block;
    int read = source.reader.read(clip.sourceIn() + inClip, block, first, end - first);
    for (float[] channel : block) {
      Arrays.fill(channel, 0, first, 0f);
      Arrays.fill(channel, first + read, frames, 0f);
    }
    if (inClip < clip.fadeIn() || inClip + read > clip.frames() - clip.fadeOut()) {
      fade(block, inClip, first, read);
    }
    if (straight) {
      return;
    }
    if (replace) {
      feed.replace(into, frames);
    } else {
      feed.addTo(into, frames);
    }
  }

  private void fade(float[][] block, long inClip, int first, int read) {
    for (int i = 0; i < read; i++) {
      double gain =
          faded((inClip + i + 0.5) / clip.fadeIn(), fades.inAtEqualPower())
              * faded((clip.frames() - inClip - i - 0.5) / clip.fadeOut(), fades.outAtEqualPower());
      if (gain == 1) {
        continue;
      }
      for (float[] channel : block) {
        channel[first + i] *= (float) gain;
      }
    }
  }

  /**
   * Half a period of a raised cosine, which begins and ends without a corner and adds up to 1 with
   * its mirror image; or a quarter of a sine, whose square does.
   *
   * @param place 0 to 1 in the fade; beyond, or no number, outside of it
   */
  private static double faded(double place, boolean equalPower) {
    if (!(place < 1)) {
      return 1;
    }
    return equalPower ? Math.sin(Math.PI / 2 * place) : 0.5 - 0.5 * Math.cos(Math.PI * place);
  }

  private long start() {
    return clip.startFrame() + latency;
  }
}
