package drevik.render;

import drevik.dsp.Processor;
import java.util.ArrayList;
import java.util.List;

/**
 * One channel at run time. Signal order: inputs summed → trim, polarity → [pre-chain tap] → chain →
 * [pre-fader tap] → fader and controls → mute → chain behind the fader → [post-fader tap]. Pan and
 * layout belong to what reads the tap ({@link Feed}).
 */
final class ChannelNode {
  /** A processor with what it listens to. */
  record Slot(Processor processor, Feed key, float[][] keyBlock) {
    void process(float[][] audio, int frames) {
      if (key == null) {
        processor.process(audio, null, frames);
        return;
      }
      for (float[] channel : keyBlock) {
        java.util.Arrays.fill(channel, 0, frames, 0f);
      }
      key.addTo(keyBlock, frames);
      processor.process(audio, keyBlock, frames);
    }
  }

  final List<Feed> feeds = new ArrayList<>();
  final List<ClipPlayer> clips = new ArrayList<>();
  final List<Slot> beforeFader = new ArrayList<>();
  final List<Slot> afterFader = new ArrayList<>();
  final float[][] audio;

  /** Copies of the audio at the earlier taps; null where nobody reads them. */
  float[][] preChain;

  float[][] preFader;
  float trim = 1;
  float fader = 1;

  ChannelNode(int channels, int blockSize) {
    audio = new float[channels][blockSize];
  }

  void process(long blockStart, int frames) {
    for (float[] channel : audio) {
      java.util.Arrays.fill(channel, 0, frames, 0f);
    }
    for (int i = 0; i < clips.size(); i++) {
      clips.get(i).addTo(audio, blockStart, frames);
    }
    for (int i = 0; i < feeds.size(); i++) {
      feeds.get(i).addTo(audio, frames);
    }
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

  private void scale(float gain, int frames) {
    if (gain == 1f) {
      return;
    }
    for (float[] channel : audio) {
      for (int i = 0; i < frames; i++) {
        channel[i] *= gain;
      }
    }
  }

  private void copyTo(float[][] tap, int frames) {
    if (tap != null) {
      for (int channel = 0; channel < audio.length; channel++) {
        System.arraycopy(audio[channel], 0, tap[channel], 0, frames);
      }
    }
  }
}
