package drevik.dsp;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Low cut, low shelf, three bells, high shelf, high cut. A cut at 0 Hz and a band at 0 dB are off
 * and cost nothing. Cuts are Butterworth of 12 or 24 dB per octave; see {@link Biquad} for the
 * formulas.
 */
public final class Equaliser implements ProcessorType {
  @Override
  public String id() {
    return "equaliser";
  }

  @Override
  public String label() {
    return "Equaliser";
  }

  @Override
  public List<Parameter> parameters() {
    List<Parameter> all = new ArrayList<>();
    all.add(Parameter.cut("low-cut", "Low cut", 2_000));
    all.add(
        Parameter.choice(
            "low-cut-slope",
            "Low cut slope",
            "dB/oct",
            12,
            List.of(new Parameter.Choice(12, "12 dB/oct"), new Parameter.Choice(24, "24 dB/oct"))));
    all.add(new Parameter("low-shelf-frequency", "Low shelf", "Hz", 20, 2_000, 100));
    all.add(new Parameter("low-shelf-gain", "Low shelf gain", "dB", -24, 24, 0));
    for (int band = 1; band <= 3; band++) {
      double frequency = new double[] {300, 1_200, 4_000}[band - 1];
      String id = "bell-" + band;
      String label = "Bell " + band;
      all.add(new Parameter(id + "-frequency", label, "Hz", 20, 20_000, frequency));
      all.add(new Parameter(id + "-gain", label + " gain", "dB", -24, 24, 0));
      all.add(new Parameter(id + "-q", label + " Q", "", 0.1, 24, 1));
    }
    all.add(new Parameter("high-shelf-frequency", "High shelf", "Hz", 500, 20_000, 8_000));
    all.add(new Parameter("high-shelf-gain", "High shelf gain", "dB", -24, 24, 0));
    all.add(Parameter.cut("high-cut", "High cut", 22_000));
    return all;
  }

  /** The sections that these settings need, in series. */
  public List<Biquad> sections(Settings settings, int sampleRate) {
    List<Biquad> sections = new ArrayList<>();
    double lowCut = settings.get("low-cut");
    if (lowCut > 0 && settings.get("low-cut-slope") < 18) {
      sections.add(Biquad.highPass(lowCut, Biquad.BUTTERWORTH, sampleRate));
    } else if (lowCut > 0) {
      sections.addAll(Biquad.butterworth4(q -> Biquad.highPass(lowCut, q, sampleRate)));
    }
    double low = settings.get("low-shelf-gain");
    if (low != 0) {
      sections.add(Biquad.lowShelf(settings.get("low-shelf-frequency"), low, sampleRate));
    }
    for (String bell : List.of("bell-1", "bell-2", "bell-3")) {
      double gain = settings.get(bell + "-gain");
      if (gain != 0) {
        double q = settings.get(bell + "-q");
        sections.add(Biquad.bell(settings.get(bell + "-frequency"), gain, q, sampleRate));
      }
    }
    double high = settings.get("high-shelf-gain");
    if (high != 0) {
      sections.add(Biquad.highShelf(settings.get("high-shelf-frequency"), high, sampleRate));
    }
    double highCut = settings.get("high-cut");
    if (highCut > 0) {
      sections.add(Biquad.lowPass(highCut, Biquad.BUTTERWORTH, sampleRate));
    }
    return sections;
  }

  /** Of sections in series. */
  static double gainDb(List<Biquad> sections, double frequency, int sampleRate) {
    return sections.stream().mapToDouble(one -> one.responseDb(frequency, sampleRate)).sum();
  }

  @Override
  public Picture picture(Settings settings, Surroundings surroundings) {
    int rate = surroundings.sampleRate();
    List<Biquad> sections = sections(settings, rate);
    return Picture.response(frequency -> gainDb(sections, frequency, rate), rate)
        .holding(handles(settings));
  }

  /** Bands at their gain, cuts where they take 3 dB. */
  private static List<Picture.Handle> handles(Settings settings) {
    List<Picture.Handle> handles = new ArrayList<>();
    for (String cut : List.of("low-cut", "high-cut")) {
      if (settings.get(cut) > 0) {
        handles.add(new Picture.Handle(cut, cut, null, settings.get(cut), -3));
      }
    }
    for (String band : List.of("low-shelf", "bell-1", "bell-2", "bell-3", "high-shelf")) {
      String frequency = band + "-frequency";
      String gain = band + "-gain";
      handles.add(
          new Picture.Handle(band, frequency, gain, settings.get(frequency), settings.get(gain)));
    }
    return handles;
  }

  @Override
  public Processor create(Settings settings, Surroundings surroundings) {
    List<Biquad> sections = sections(settings, surroundings.sampleRate());
    BiquadCascade[] cascades = new BiquadCascade[surroundings.channels()];
    for (int i = 0; i < cascades.length; i++) {
      cascades[i] = new BiquadCascade(sections);
    }
    return new Running(cascades);
  }

  @Override
  public long tail(Settings settings, Surroundings surroundings) {
    return Biquad.tail(sections(settings, surroundings.sampleRate()), TAIL_DB);
  }

  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Running(BiquadCascade[] cascades) implements Processor {
    @Override
    public void process(float[][] audio, float @Nullable [][] key, int frames) {
      for (int channel = 0; channel < cascades.length; channel++) {
        cascades[channel].process(audio[channel], frames);
      }
    }
  }
}
