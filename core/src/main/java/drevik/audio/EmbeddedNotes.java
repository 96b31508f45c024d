package drevik.audio;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What a file says of itself beside its audio.
 *
 * @param trackNames of {@code iXML}, in the order of the interleaved channels; {@code ""} where one
 *     has none
 * @param scene of {@code iXML}
 * @param take of {@code iXML}
 * @param note of {@code iXML}
 * @param description of {@code bext}
 * @param originator of {@code bext}
 * @param date of {@code bext}, yyyy-mm-dd
 * @param info tags of {@code LIST/INFO} by their four letters
 * @param markers of {@code cue }, with their labels
 */
public record EmbeddedNotes(
    List<String> trackNames,
    @Nullable String scene,
    @Nullable String take,
    @Nullable String note,
    @Nullable String description,
    @Nullable String originator,
    @Nullable String date,
    Map<String, String> info,
    List<FileMarker> markers) {
  public static final EmbeddedNotes NONE =
      new EmbeddedNotes(List.of(), null, null, null, null, null, null, Map.of(), List.of());

  /** A place in the file, in frames. */
  public record FileMarker(long frame, String label) {}

  public EmbeddedNotes {
    trackNames = List.copyOf(trackNames);
    info = Map.copyOf(info);
    markers = List.copyOf(markers);
  }

  /** Texts that may name what the file holds, the most telling first. */
  public List<String> names() {
    return Stream.of(
            trackNames.stream().filter(name -> !name.isBlank()).limit(2),
            Stream.ofNullable(info.get("INAM")),
            Stream.ofNullable(description))
        .flatMap(names -> names)
        .filter(name -> !name.isBlank() && name.length() <= 100)
        .distinct()
        .toList();
  }
}
