package drevik.render;

import drevik.audio.AudioException;
import drevik.audio.ChannelMatrix;
import drevik.audio.Decibels;
import drevik.audio.Layout;
import drevik.audio.PanLaw;
import drevik.audio.WavReader;
import drevik.mix.Clip;
import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;

/** Streams one clip into a seat's block. */
final class ClipPlayer implements Closeable {
  private final Clip clip;
  private final int latency;
  private final WavReader reader;
  private final float[][] block;
  private final Feed feed;

  /**
   * @param latency frames by which the seat is held back, for a key that arrives late
   * @throws AudioException if the file is missing, broken or at another sample rate
   */
  ClipPlayer(Clip clip, Path file, Layout seat, int sampleRate, int blockSize, int latency) {
    this.clip = clip;
    this.latency = latency;
    this.reader = WavReader.open(file);
    int fileRate = reader.header().sampleRate();
    if (fileRate != sampleRate) {
      closeQuietly();
      throw new AudioException(
          "“"
              + clip.audio().name()
              + "” is at "
              + fileRate
              + " Hz and the Mix at "
              + sampleRate
              + " Hz; conform the file before printing, or it would play at the wrong speed");
    }
    Layout layout = reader.header().layout();
    this.block = new float[layout.channels()][blockSize];
    double[][] gains = ChannelMatrix.of(layout, seat, 0, PanLaw.NONE);
    this.feed = new Feed(block, gains, Decibels.toGain(clip.gainDb()), 0, blockSize);
  }

  /** True where this clip sounds in the block. */
  boolean sounds(long blockStart, int frames) {
    return start() < blockStart + frames && clip.endFrame() + latency > blockStart;
  }

  /** Adds the clip's part of the block, or puts it there in the place of what was. */
  void play(float[][] into, long blockStart, int frames, boolean replace) {
    int first = (int) Math.max(0, start() - blockStart);
    int end = (int) Math.min(frames, clip.endFrame() + latency - blockStart);
    long inSource = clip.sourceIn() + blockStart + first - start();
    int read = reader.read(inSource, block, first, end - first);
    for (float[] channel : block) {
      Arrays.fill(channel, 0, first, 0f);
      Arrays.fill(channel, first + read, frames, 0f);
    }
    if (replace) {
      feed.replace(into, frames);
    } else {
      feed.addTo(into, frames);
    }
  }

  private long start() {
    return clip.startFrame() + latency;
  }

  @Override
  public void close() throws IOException {
    reader.close();
  }

  private void closeQuietly() {
    try {
      reader.close();
    } catch (IOException ignored) {
      // Nothing was written; the refusal that follows is what matters.
    }
  }
}
