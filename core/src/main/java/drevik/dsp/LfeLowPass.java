package drevik.dsp;

import drevik.audio.Speaker;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A low-pass on the LFE alone; all other speakers pass as they are. Butterworth of 24 dB per
 * octave, at first where the LFE of ITU-R BS.775-4 ends (20 to 120 Hz). A layout without an LFE
 * passes unchanged.
 */
public final class LfeLowPass implements ProcessorType {
  public static final String ID = "lfe-low-pass";
  private static final String FREQUENCY = "frequency";

  @Override
  public String id() {
    return ID;
  }

  @Override
  public String label() {
    return "LFE low-pass";
  }

  @Override
  public List<Parameter> parameters() {
    return List.of(new Parameter(FREQUENCY, "Frequency", "Hz", 40, 250, 120));
  }

  private static List<Biquad> sections(Settings settings, Surroundings surroundings) {
    return surroundings.layout().hasLfe()
        ? Biquad.butterworth4(
            q -> Biquad.lowPass(settings.get(FREQUENCY), q, surroundings.sampleRate()))
        : List.of();
  }

  @Override
  public Picture picture(Settings settings, Surroundings surroundings) {
    List<Biquad> sections = sections(settings, surroundings);
    int rate = surroundings.sampleRate();
    Picture drawn =
        Picture.response(frequency -> Equaliser.gainDb(sections, frequency, rate), rate);
    return sections.isEmpty()
        ? drawn
        : drawn.holding(
            List.of(new Picture.Handle(FREQUENCY, FREQUENCY, null, settings.get(FREQUENCY), -3)));
  }

  @Override
  public Processor create(Settings settings, Surroundings surroundings) {
    int lfe = surroundings.layout().speakers().indexOf(Speaker.LFE);
    return new Running(lfe, new BiquadCascade(sections(settings, surroundings)));
  }

  @Override
  public long tail(Settings settings, Surroundings surroundings) {
    return Biquad.tail(sections(settings, surroundings), TAIL_DB);
  }

  private record Running(int lfe, BiquadCascade cascade) implements Processor {
    @Override
    public void process(float[][] audio, float @Nullable [][] key, int frames) {
      if (lfe >= 0) {
        cascade.process(audio[lfe], frames);
      }
    }
  }
}
