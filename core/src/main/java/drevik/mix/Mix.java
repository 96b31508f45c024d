package drevik.mix;

import drevik.audio.PanLaw;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * The document: everything between delivered audio and printed files. A template and a session are
 * both a Mix; ids stay the same from one to the other.
 *
 * @param version of the document format, see {@code docs/formats/mix.schema.json}
 * @param sampleRate Hz
 * @param tempo beats per minute
 * @param startFrame first frame that is printed
 * @param endFrame the frame after the last one that is printed; null: after the last clip
 * @param specifications those that its outputs name
 * @param origin the template revision that a session came from, or null
 */
@RecordBuilder
public record Mix(
    int version,
    MixKind kind,
    String name,
    String description,
    JobKind job,
    int sampleRate,
    double tempo,
    PanLaw panLaw,
    long startFrame,
    @Nullable Long endFrame,
    @Nullable Origin origin,
    List<Channel> channels,
    List<Control> controls,
    List<Output> outputs,
    List<StemSet> stemSets,
    List<Marker> markers,
    List<Specification> specifications,
    CategoryMap categoryMap)
    implements MixBuilder.With {

  /** The version that this code writes. */
  public static final int CURRENT_VERSION = 5;

  public Mix {
    description = description == null ? "" : description;
    channels = Lists.copy(channels);
    controls = Lists.copy(controls);
    outputs = Lists.copy(outputs);
    stemSets = Lists.copy(stemSets);
    markers = Lists.copy(markers);
    specifications = Lists.copy(specifications);
    categoryMap = categoryMap == null ? CategoryMap.EMPTY : categoryMap;
  }

  /** An empty Mix of 48 kHz at 120 bpm. */
  public static Mix empty(MixKind kind, String name) {
    return new Mix(
        CURRENT_VERSION,
        kind,
        name,
        "",
        JobKind.MIX,
        48_000,
        120,
        PanLaw.MINUS_3,
        0,
        null,
        null,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        CategoryMap.EMPTY);
  }

  /** This as a template: clips go, but for those that are kept on purpose; seats stay. */
  public Mix asTemplate() {
    return mapChannels(c -> c.withClips(c.clips().stream().filter(Clip::keep).toList()))
        .withKind(MixKind.TEMPLATE)
        .withOrigin(null)
        .withEndFrame(null);
  }

  public Optional<Channel> channel(String id) {
    return channels.stream().filter(channel -> channel.id().equals(id)).findFirst();
  }

  /** Channels by id, in document order. */
  public Map<String, Channel> channelsById() {
    Map<String, Channel> byId = new LinkedHashMap<>();
    channels.forEach(channel -> byId.put(channel.id(), channel));
    return byId;
  }

  /**
   * Holds ids to the channels that there are.
   *
   * @throws Refused if one of them is no channel's
   */
  public void requireChannels(Collection<String> ids) {
    Set<String> missing = new LinkedHashSet<>(ids);
    channels.forEach(channel -> missing.remove(channel.id()));
    if (!missing.isEmpty()) {
      throw new Refused(
          "This Mix has no channel “"
              + missing.iterator().next()
              + "”; it may have been removed meanwhile. Pick the channels again.");
    }
  }

  /** The same Mix with {@code change} made to every channel. */
  public Mix mapChannels(UnaryOperator<Channel> change) {
    return withChannels(channels.stream().map(change).toList());
  }

  /**
   * The frame after the last one that is printed: the set end, or the end of the last clip.
   *
   * @return 0 if nothing says how long the Mix is
   */
  public long effectiveEndFrame() {
    return endFrame != null
        ? endFrame
        : channels.stream()
            .flatMap(channel -> channel.clips().stream())
            .mapToLong(Clip::endFrame)
            .max()
            .orElse(0);
  }
}
