package drevik.dsp;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What the processors of a chain do.
 *
 * @param each by the id that was given for it; stand-ins have none
 * @param together gain over frequency of all filters that are on; null where there are not two
 */
public record ChainPictures(Map<String, Picture> each, @Nullable Picture together) {
  /** A processor as it stands in a chain. */
  public record Standing(String id, ProcessorType type, boolean on, Settings settings) {}

  public static ChainPictures of(List<Standing> chain, ProcessorType.Surroundings surroundings) {
    Map<String, Picture> each = new LinkedHashMap<>();
    List<Biquad> sections = new ArrayList<>();
    int filters = 0;
    for (Standing one : chain) {
      each.put(one.id(), one.type().picture(one.settings(), surroundings));
      if (one.on() && one.type() instanceof Equaliser equaliser) {
        sections.addAll(equaliser.sections(one.settings(), surroundings.sampleRate()));
        filters++;
      }
    }
    int rate = surroundings.sampleRate();
    Picture together =
        filters < 2
            ? null
            : Picture.response(frequency -> Equaliser.gainDb(sections, frequency, rate), rate);
    return new ChainPictures(each, together);
  }
}
