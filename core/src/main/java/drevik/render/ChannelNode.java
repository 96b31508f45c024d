package drevik.render;

import drevik.dsp.Processor;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One channel at run time. Signal order: inputs summed → trim, polarity → [pre-chain tap] → chain →
 * [pre-fader tap] → fader and controls → mute → chain behind the fader → [post-fader tap]. Pan and
 * layout belong to what reads the tap ({@link Feed}).
 */
final class ChannelNode {
  /** A processor with what it listens to. */
  record Slot(Processor processor, @Nullable Key key) {
    void process(float[][] audio, int frames) {
      if (key == null) {
        processor.process(audio, null, frames);
        return;
      }
      processor.process(audio, key.feed().arriving(key.block(), frames), frames);
    }
  }

  /** What a processor listens to beside its input, with the block that it arrives in. */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  record Key(Feed feed, float[][] block) {}

  final List<Feed> feeds = new ArrayList<>();
  final List<ClipPlayer> clips = new ArrayList<>();
  final List<Slot> beforeFader = new ArrayList<>();
  final List<Slot> afterFader = new ArrayList<>();
  final float[][] audio;

  /** Copies of the audio at the earlier taps; null where nobody reads them. */
  float @Nullable [][] preChain;

  float @Nullable [][] preFader;
  float trim = 1;
  float fader = 1;

  ChannelNode(int channels, int blockSize) {
    audio = new float[channels][blockSize];
  }

  void process(long blockStart, int frames) {
    collect(blockStart, frames);
    scale(trim, frames);
    copyTo(preChain, frames);
    for (int i = 0; i < beforeFader.size(); i++) {
      beforeFader.get(i).process(audio, frames);
    }
    copyTo(preFader, frames);
    scale(fader, frames);
    for (int i = 0; i < afterFader.size(); i++) {
      afterFader.get(i).process(audio, frames);
    }
  }

  /** Sums clips and feeds, in this order; what comes first replaces the block before. */
  private void collect(long blockStart, int frames) {
    boolean empty = true;
    for (int i = 0; i < clips.size(); i++) {
      if (clips.get(i).sounds(blockStart, frames)) {
        clips.get(i).play(audio, blockStart, frames, empty);
        empty = false;
      }
    }
    for (int i = 0; i < feeds.size(); i++) {
      if (empty) {
        feeds.get(i).replace(audio, frames);
        empty = false;
      } else {
        feeds.get(i).addTo(audio, frames);
      }
    }
    if (empty) {
      for (float[] channel : audio) {
        Arrays.fill(channel, 0, frames, 0f);
      }
    }
  }

  private void scale(float gain, int frames) {
    if (gain == 1f) {
      return;
    }
    for (float[] channel : audio) {
      if (gain == 0f) {
        // Not multiplied: that would leave negative zeros.
        Arrays.fill(channel, 0, frames, 0f);
        continue;
      }
      for (int i = 0; i < frames; i++) {
        channel[i] *= gain;
      }
    }
  }

  private void copyTo(float @Nullable [][] tap, int frames) {
    if (tap != null) {
      for (int channel = 0; channel < audio.length; channel++) {
        System.arraycopy(audio[channel], 0, tap[channel], 0, frames);
      }
    }
  }
}
