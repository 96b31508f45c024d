package drevik.render;

import drevik.audio.AudioException;
import drevik.audio.ChannelMatrix;
import drevik.audio.Decibels;
import drevik.audio.Layout;
import drevik.audio.PanLaw;
import drevik.audio.WavReader;
import drevik.mix.AudioLocator;
import drevik.mix.Clip;
import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** Streams one clip into a seat's block. */
final class ClipPlayer {
  /**
   * The files that one channel's clips play, each opened once however many clips are cut from it. A
   * channel plays its clips one after another, so they share what is read into.
   */
  static final class Sources implements Closeable {
    private final AudioLocator audio;
    private final int sampleRate;
    private final int blockSize;
    private final Map<Path, Source> open = new HashMap<>();

    Sources(AudioLocator audio, int sampleRate, int blockSize) {
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
      Source source = new Source(reader, new float[reader.header().layout().channels()][blockSize]);
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

    @Override
    public void close() throws IOException {
      for (Source source : open.values()) {
        source.reader.close();
      }
    }
  }

  private record Source(WavReader reader, float[][] block) {}

  private final Clip clip;
  private final int latency;
  private final Source source;
  private final Feed feed;

  /**
   * @param latency frames by which the seat is held back, for a key that arrives late
   * @throws AudioException if the file is missing, broken or at another sample rate
   */
  ClipPlayer(Clip clip, Sources sources, Layout seat, int latency) {
    this.clip = clip;
    this.latency = latency;
    this.source = sources.of(clip);
    double[][] gains = ChannelMatrix.of(source.reader.header().layout(), seat, 0, PanLaw.NONE);
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

  /** Fades as half a period of a raised cosine, which begins and ends without a corner. */
  private void fade(float[][] block, long inClip, int first, int read) {
    for (int i = 0; i < read; i++) {
      double toStart = (inClip + i + 0.5) / clip.fadeIn();
      double toEnd = (clip.frames() - inClip - i - 0.5) / clip.fadeOut();
      double nearer = Math.min(toStart, toEnd);
      if (nearer >= 1) {
        continue;
      }
      float gain = (float) (0.5 - 0.5 * Math.cos(Math.PI * nearer));
      for (float[] channel : block) {
        channel[first + i] *= gain;
      }
    }
  }

  private long start() {
    return clip.startFrame() + latency;
  }
}
