package drevik.edit;

import drevik.mix.Marker;
import drevik.mix.Mix;
import java.util.Comparator;
import java.util.List;

/** Sets the markers, in the order of time. */
public record SetMarkers(List<Marker> markers) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    markers.forEach(marker -> Picked.cleanName(marker.name()));
    return mix.withMarkers(
        markers.stream().sorted(Comparator.comparingLong(Marker::startFrame)).toList());
  }

  @Override
  public String says(Mix before) {
    return "set " + Listed.count(markers.size(), "marker");
  }
}
