package drevik.dsp;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An echo in step with the tempo: {@code beats·60/tempo} seconds, repeated through a low and a high
 * cut so that each repeat is thinner than the one before.
 */
public final class TempoDelay implements ProcessorType {
  private static final double LONGEST_SECONDS = 12;

  @Override
  public String id() {
    return "tempo-delay";
  }

  @Override
  public String label() {
    return "Tempo delay";
  }

  @Override
  public List<Parameter> parameters() {
    return List.of(
        new Parameter("beats", "Length", "beats", 1 / 64.0, 16, 0.5),
        new Parameter("feedback", "Feedback", "%", 0, 95, 30),
        new Parameter("low-cut", "Low cut", "Hz", 20, 2_000, 150),
        new Parameter("high-cut", "High cut", "Hz", 500, 20_000, 6_000),
        new Parameter("wet", "Wet", "%", 0, 100, 100));
  }

  /** Frames between two repeats. */
  public static int frames(double beats, double tempo, int sampleRate) {
    double seconds = Math.min(LONGEST_SECONDS, beats * 60 / tempo);
    return (int) Math.max(1, Math.round(seconds * sampleRate));
  }

  @Override
  public Processor create(Settings settings, Surroundings surroundings) {
    return new Running(settings, surroundings);
  }

  private static final class Running implements Processor {
    private final float[][] lines;
    private final OnePole[] lowCut;
    private final OnePole[] highCut;
    private final double feedback;
    private final double wet;
    private int at;

    Running(Settings settings, Surroundings surroundings) {
      int rate = surroundings.sampleRate();
      int channels = surroundings.channels();
      lines = new float[channels][frames(settings.get("beats"), surroundings.tempo(), rate)];
      lowCut = new OnePole[channels];
      highCut = new OnePole[channels];
      for (int i = 0; i < channels; i++) {
        lowCut[i] = OnePole.lowPass(settings.get("low-cut"), rate);
        highCut[i] = OnePole.lowPass(settings.get("high-cut"), rate);
      }
      feedback = settings.get("feedback") / 100;
      wet = settings.get("wet") / 100;
    }

    @Override
    public void process(float[][] audio, float @Nullable [][] key, int frames) {
      int start = at;
      for (int channel = 0; channel < lines.length; channel++) {
        float[] line = lines[channel];
        float[] x = audio[channel];
        at = start;
        for (int i = 0; i < frames; i++) {
          double echo = line[at];
          double coloured = highCut[channel].next(echo);
          coloured -= lowCut[channel].next(coloured);
          line[at] = (float) (x[i] + feedback * coloured);
          x[i] = (float) ((1 - wet) * x[i] + wet * coloured);
          at = at + 1 == line.length ? 0 : at + 1;
        }
      }
    }
  }
}
