package drevik.starters;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.deliver.Specifications;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.JobKind;
import drevik.mix.Key;
import drevik.mix.Lookup;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Send;
import drevik.mix.Specification;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.reassign.Following;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/** Writes a template down in the words of the trade; channels are known by their names. */
final class StarterBuilder {
  /** Every seat starts this much lower, so that the sum of all has room. */
  private static final double HEADROOM_DB = -4;

  private static final double CLOSED_DB = -144;

  private final Map<String, Channel> channels = new LinkedHashMap<>();
  private CategoryMap map = CategoryMap.EMPTY;
  private final List<Output> outputs = new ArrayList<>();
  private final List<StemSet> stemSets = new ArrayList<>();
  private final List<Control> controls = new ArrayList<>();
  private final List<Marker> markers = new ArrayList<>();
  private final List<Specification> specifications = new ArrayList<>();
  private final Mix base;

  StarterBuilder(String name, JobKind job, double tempo, String description) {
    base =
        Mix.empty(MixKind.TEMPLATE, name)
            .withJob(job)
            .withTempo(tempo)
            .withDescription(description);
  }

  Mix build() {
    return Following.settled(
        base.withChannels(List.copyOf(channels.values()))
            .withOutputs(outputs)
            .withStemSets(stemSets)
            .withControls(controls)
            .withMarkers(markers)
            .withSpecifications(specifications)
            .withCategoryMap(LevelGuides.in(map, base.job() == JobKind.POST)));
  }

  static String id(String name) {
    return name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
  }

  private StarterBuilder add(
      ChannelKind kind, String name, Layout layout, String category, @Nullable String to) {
    Channel channel =
        Channel.of(id(name), kind, name, layout, category).withOutput(to == null ? null : id(to));
    channels.put(name, channel);
    return this;
  }

  StarterBuilder master(String name, Layout layout) {
    return add(ChannelKind.MASTER, name, layout, "unknown", null);
  }

  StarterBuilder bus(String name, Layout layout, String category, @Nullable String to) {
    return add(ChannelKind.BUS, name, layout, category, to);
  }

  /** Stereo buses of one family. */
  StarterBuilder buses(String category, @Nullable String to, String... names) {
    Arrays.stream(names).forEach(name -> bus(name, Layout.STEREO, category, to));
    return this;
  }

  /** Seats of one category, sent to one bus, with room for all of them. */
  StarterBuilder seats(String category, Layout layout, @Nullable String to, String... names) {
    for (String name : names) {
      add(ChannelKind.SEAT, name, layout, category, to);
      change(name, c -> c.withTrimDb(HEADROOM_DB));
    }
    return this;
  }

  StarterBuilder references(@Nullable String to, String... names) {
    for (String name : names) {
      add(ChannelKind.REFERENCE, name, Layout.STEREO, "reference", to);
    }
    return this;
  }

  StarterBuilder effect(String name, @Nullable String to, String processor, Object... settings) {
    add(ChannelKind.RETURN, name, Layout.STEREO, "unknown", to);
    return chain(name, processor, settings);
  }

  /** Appends a processor to a channel's chain. */
  StarterBuilder chain(String name, String processor, Object... settings) {
    return insert(name, processor, null, settings);
  }

  /** A processor that listens to another channel. */
  StarterBuilder keyed(String name, String processor, String source, Object... settings) {
    return insert(name, processor, new Key(id(source), Tap.POST_FADER), settings);
  }

  private StarterBuilder insert(
      String name, String processor, @Nullable Key key, Object... settings) {
    Map<String, Double> values = new LinkedHashMap<>();
    for (int i = 0; i < settings.length; i += 2) {
      values.put((String) settings[i], ((Number) settings[i + 1]).doubleValue());
    }
    return change(
        name,
        c -> {
          List<Insert> chain = new ArrayList<>(c.chain());
          String id = c.id() + "/" + processor + "-" + (chain.size() + 1);
          chain.add(new Insert(id, processor, true, false, values, key));
          return c.withChain(chain);
        });
  }

  /** A send that is ready and not open; several destinations are a fan. */
  StarterBuilder ready(String to, String... from) {
    Arrays.stream(from).forEach(name -> send(name, Tap.POST_FADER, CLOSED_DB, to));
    return this;
  }

  StarterBuilder send(String from, Tap tap, double levelDb, String... to) {
    List<String> destinations = Arrays.stream(to).map(StarterBuilder::id).toList();
    return change(
        from,
        c -> {
          List<Send> sends = new ArrayList<>(c.sends());
          String id = c.id() + "/" + String.join("+", destinations);
          sends.add(Send.of(id, destinations, tap, levelDb));
          return c.withSends(sends);
        });
  }

  private Channel channel(String name) {
    return Lookup.in(channels, name);
  }

  StarterBuilder change(String name, UnaryOperator<Channel> change) {
    channels.put(name, change.apply(channel(name)));
    return this;
  }

  StarterBuilder fader(double levelDb, String... names) {
    Arrays.stream(names).forEach(name -> change(name, c -> c.withFaderDb(levelDb)));
    return this;
  }

  StarterBuilder pan(double pan, String... names) {
    Arrays.stream(names).forEach(name -> change(name, c -> c.withPan(pan)));
    return this;
  }

  StarterBuilder comment(String name, String comment) {
    return change(name, c -> c.withComment(comment));
  }

  StarterBuilder control(String name, String... members) {
    controls.add(
        new Control(
            "control-" + id(name),
            name,
            0,
            Arrays.stream(members)
                .map(member -> channels.containsKey(member) ? id(member) : "control-" + id(member))
                .toList()));
    return this;
  }

  /** A control that is ridden to make room for a voice. */
  StarterBuilder dip(String name, String... members) {
    control(name, members);
    controls.add(controls.remove(controls.size() - 1).withDip(true));
    return this;
  }

  /** Has outputs answer to a specification that ships. */
  StarterBuilder answersTo(String specification, String... names) {
    Specification wanted =
        Specifications.shipped().stream()
            .filter(one -> one.id().equals(specification))
            .findFirst()
            .orElseThrow();
    if (!specifications.contains(wanted)) {
      specifications.add(wanted);
    }
    List<String> ids = Arrays.stream(names).map(name -> "out-" + id(name)).toList();
    outputs.replaceAll(o -> ids.contains(o.id()) ? o.withSpecification(specification) : o);
    return this;
  }

  StarterBuilder map(String destination, String... categories) {
    for (String category : categories) {
      map = map.sending(category, id(destination));
    }
    return this;
  }

  StarterBuilder marker(String name, double seconds) {
    markers.add(new Marker(id(name), name, Math.round(seconds * base.sampleRate())));
    return this;
  }

  StarterBuilder output(String name, OutputKind kind, String from, String... without) {
    Layout layout = channel(from).layout();
    return output(name, kind, from, Tap.POST_FADER, layout, SampleFormat.PCM_24, without);
  }

  /** A file of what the mix is compared with, of which there may be none. */
  StarterBuilder comparison(String name, String from) {
    output(name, OutputKind.PRINT, from);
    int last = outputs.size() - 1;
    outputs.set(last, outputs.get(last).withMayBeSilent(true));
    return this;
  }

  StarterBuilder output(
      String name,
      OutputKind kind,
      String from,
      Tap tap,
      Layout layout,
      SampleFormat format,
      String... without) {
    outputs.add(
        new Output(
                "out-" + id(name),
                name,
                kind,
                id(from),
                tap,
                layout,
                format,
                "{project} - {output}")
            .withWithout(List.of(without)));
    return this;
  }

  /** Stems of these buses, each named like its bus, that add up to a mix. */
  StarterBuilder stems(String mixOutput, String... buses) {
    return stemsIn(channel(buses[0]).layout(), mixOutput, buses);
  }

  /** The same, all in one layout. */
  StarterBuilder stemsIn(Layout layout, String mixOutput, String... buses) {
    List<String> ids = new ArrayList<>();
    for (String bus : buses) {
      output(bus + " stem", OutputKind.STEM, bus, Tap.POST_FADER, layout, SampleFormat.PCM_24);
      ids.add("out-" + id(bus + " stem"));
    }
    stemSets.add(new StemSet("stems-" + id(mixOutput), "Stems", "out-" + id(mixOutput), ids));
    return this;
  }
}
