package drevik.route;

import drevik.dsp.Processor;
import drevik.dsp.ProcessorType;
import drevik.dsp.ProcessorType.Surroundings;
import drevik.dsp.Processors;
import drevik.dsp.Settings;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.Mix;
import java.util.ArrayList;
import java.util.List;

/**
 * How much of a sound a channel's chain gives back at once: what an impulse leaves within the first
 * quarter of a millisecond behind the chain's own latency. What a processor does, and not what it
 * is set to, tells: one that is switched off, or that does not run here, gives back all of it.
 */
public final class DryGain {
  /** Below what a chain compresses, and far above rounding. */
  private static final float IMPULSE = 1e-4f;

  /** No echo and no room answers sooner, s. */
  private static final double AT_ONCE = 0.000_25;

  private DryGain() {}

  /** The gain of what comes back at once, dB; −∞ if nothing does. */
  public static double of(Mix mix, Channel channel) {
    Surroundings surroundings = new Surroundings(mix.sampleRate(), channel.layout(), mix.tempo());
    List<Processor> chain = new ArrayList<>();
    int latency = 0;
    for (boolean post : new boolean[] {false, true}) {
      for (Insert insert : channel.chain()) {
        ProcessorType type = Processors.byId(insert.processor()).orElse(null);
        if (insert.on() && insert.postFader() == post && type != null) {
          Processor processor =
              type.create(new Settings(type.parameters(), insert.settings()), surroundings);
          latency += processor.latency();
          chain.add(processor);
        }
      }
    }
    int frames = latency + (int) Math.ceil(AT_ONCE * mix.sampleRate());
    float[][] audio = new float[channel.layout().channels()][frames];
    audio[0][0] = IMPULSE;
    chain.forEach(processor -> processor.process(audio, null, frames));
    double energy = 0;
    for (float[] one : audio) {
      for (float sample : one) {
        energy += (double) sample * sample;
      }
    }
    return 10 * Math.log10(energy / (IMPULSE * (double) IMPULSE));
  }
}
