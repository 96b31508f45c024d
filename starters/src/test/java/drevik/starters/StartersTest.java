package drevik.starters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavReader;
import drevik.audio.WavWriter;
import drevik.category.CategoryTree;
import drevik.check.LineCheck;
import drevik.check.Rule;
import drevik.codec.Documents;
import drevik.deliver.NamePattern;
import drevik.dsp.Parameter;
import drevik.dsp.Processors;
import drevik.edit.PutChain;
import drevik.meter.LoudnessMeter;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.outline.Outline;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import drevik.render.PrintOptions;
import drevik.render.PrintReport;
import drevik.render.Printer;
import drevik.render.Progress;
import drevik.route.Coverage;
import drevik.route.Coverage.Way;
import drevik.shelf.KeptChain;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class StartersTest {
  private static final int FRAMES = 4;

  @TempDir Path folder;

  static List<Mix> starters() {
    return Starters.all();
  }

  @ParameterizedTest(name = "{index}")
  @MethodSource("starters")
  void aStarterHasNoFindingsAndCanBeKeptAsAFile(Mix starter) {
    assertThat(LineCheck.of(starter)).isEmpty();
    assertThat(Documents.readForeign(Documents.writeMix(starter))).isEqualTo(starter);
    assertThat(starter.description()).hasSizeGreaterThan(100);
    assertThat(starter.categoryMap().entries()).isNotEmpty();
    assertThat(starter.channels()).allMatch(channel -> channel.clips().isEmpty());
  }

  /** Whoever delivers the tracks seldom delivers what the mix is to be compared with. */
  @ParameterizedTest(name = "{index}")
  @MethodSource("starters")
  void withAllTracksAndNothingToCompareNoFileIsSilentThatMayNotBe(Mix starter) {
    Clip clip = new Clip("clip", new AudioRef("", "a.wav"), 0, 0, FRAMES, 0);
    Mix session =
        starter
            .withKind(MixKind.SESSION)
            .mapChannels(
                c -> c.kind() == ChannelKind.SEAT ? c.withClips(List.of(clip.withId(c.id()))) : c);
    // Its sends are ready and not open yet.
    String returns = "out-returns-stem";
    assertThat(LineCheck.of(session))
        .filteredOn(finding -> finding.rule() == Rule.OUTPUT_SILENT)
        .filteredOn(finding -> !finding.where().contains(returns))
        .isEmpty();
  }

  /** Every seat in turn plays an impulse through the engine, with all chains taken out. */
  @ParameterizedTest(name = "{index}")
  @MethodSource("starters")
  void coverageOfAStarterIsWhatTheEngineMeasures(Mix starter) throws IOException {
    Mix bare = starter.mapChannels(c -> c.withChain(List.of())).withEndFrame((long) FRAMES);
    Coverage coverage = Coverage.of(bare);
    for (Channel seat : bare.channels()) {
      if (!seat.stowed() && seat.kind() == ChannelKind.SEAT) {
        compare(bare, seat, coverage);
      }
    }
  }

  private void compare(Mix mix, Channel seat, Coverage coverage) throws IOException {
    float[][] impulse = new float[seat.layout().channels()][FRAMES];
    impulse[0][0] = 1;
    Path file = folder.resolve("impulse.wav");
    try (WavWriter writer =
        WavWriter.create(file, SampleFormat.FLOAT_32, mix.sampleRate(), seat.layout())) {
      writer.write(impulse, 0, FRAMES);
    }
    Clip clip = new Clip("clip", new AudioRef("", "impulse.wav"), 0, 0, FRAMES, 0);
    Mix playing =
        mix.mapChannels(c -> c.id().equals(seat.id()) ? c.withClips(List.of(clip)) : c)
            .withOutputs(
                mix.outputs().stream().map(o -> o.withFormat(SampleFormat.FLOAT_32)).toList());
    PrintOptions options = new PrintOptions(java.util.Set.of(), 64, 1);
    Path prints = folder.resolve("prints");
    Printer.print(playing, ref -> file, options, prints, Progress.NONE);
    for (Output output : playing.outputs()) {
      String name = NamePattern.resolve(playing, output, options.occasion()) + ".wav";
      double[][] expected = coverage.gains(seat.id(), output.id(), EnumSet.allOf(Way.class));
      try (WavReader reader = WavReader.open(prints.resolve(name))) {
        float[][] heard = new float[output.layout().channels()][FRAMES];
        reader.read(0, heard, 0, FRAMES);
        for (int speaker = 0; speaker < heard.length; speaker++) {
          assertThat((double) heard[speaker][0])
              .as("%s in %s", seat.name(), output.name())
              .isCloseTo(expected[speaker][0], within(1e-5));
        }
      }
    }
  }

  private static final int SECONDS = 3;

  /** What no guide speaks of has been mixed already. */
  private static final double MASTERED_LUFS = -18;

  /**
   * Every seat plays bursts at its level guide, one after another as in a piece, through all
   * chains.
   */
  @ParameterizedTest(name = "{index}")
  @MethodSource("starters")
  void aStarterPrintsToAMixThatCanBeListenedTo(Mix starter) throws IOException {
    int frames = SECONDS * starter.sampleRate();
    Map<String, Path> files = new HashMap<>();
    MapAnswers map = MapAnswers.of(starter);
    List<Channel> channels = new ArrayList<>();
    for (Channel channel : starter.channels()) {
      if (channel.kind() != ChannelKind.SEAT || channel.stowed()) {
        channels.add(channel);
        continue;
      }
      Path file = folder.resolve("burst " + channels.size() + ".wav");
      double loudness = burst(file, starter.sampleRate(), channel.layout(), channels.size());
      files.put(channel.id(), file);
      double gain = map.guideOf(Asked.of(channel)).orElse(MASTERED_LUFS) - loudness;
      AudioRef audio = new AudioRef("", channel.id());
      channels.add(
          channel.withClips(List.of(new Clip("clip " + channel.id(), audio, 0, 0, frames, gain))));
    }
    Mix session =
        starter
            .withKind(MixKind.SESSION)
            .withChannels(channels)
            .withStartFrame(0)
            .withEndFrame((long) frames);
    PrintReport report =
        Printer.print(
            session,
            ref -> Lookup.in(files, ref.name()),
            new PrintOptions(java.util.Set.of(), 512, 2),
            folder.resolve("prints"),
            Progress.NONE);
    assertThat(report.nullTests()).allMatch(PrintReport.NullTest::passes);
    assertThat(report.files()).allSatisfy(file -> assertThat(file.clippedSamples()).isZero());
    boolean hasMix = starter.outputs().stream().anyMatch(o -> o.kind() == OutputKind.MIX);
    Coverage coverage = Coverage.of(session);
    List<String> mixes =
        starter.outputs().stream()
            .filter(output -> output.kind() == (hasMix ? OutputKind.MIX : OutputKind.PRINT))
            .filter(o -> files.keySet().stream().anyMatch(seat -> coverage.reaches(seat, o.id())))
            .map(Output::id)
            .toList();
    assertThat(report.files().stream().filter(file -> mixes.contains(file.output())))
        .isNotEmpty()
        .allSatisfy(
            file -> {
              assertThat(file.integratedLufs()).as(file.name()).isBetween(-33.0, -8.0);
              assertThat(file.truePeakDbtp()).as(file.name()).isLessThan(0.0);
            });
  }

  /**
   * Noise in bursts that fall away, every second seat in between the others; its loudness, LUFS.
   */
  private static double burst(Path file, int rate, Layout layout, int seed) throws IOException {
    int frames = SECONDS * rate;
    Random random = new Random(seed);
    float[][] sound = new float[layout.channels()][frames];
    int every = rate / 2;
    int begins = seed % 4 * every / 4;
    double low = 0;
    for (int i = begins; i < frames; i++) {
      double fall = Math.exp(-6.0 * ((i - begins) % every) / every);
      low += 0.15 * (random.nextGaussian() - low);
      for (float[] speaker : sound) {
        speaker[i] = (float) (0.2 * fall * low);
      }
    }
    try (WavWriter writer = WavWriter.create(file, SampleFormat.FLOAT_32, rate, layout)) {
      writer.write(sound, 0, frames);
    }
    LoudnessMeter meter = new LoudnessMeter(rate, layout);
    meter.add(sound, 0, frames);
    return meter.integratedLufs();
  }

  @Test
  void anAlbumHasAsManySongsAsAreAskedFor() {
    Mix album = Starters.album(11);
    assertThat(album.markers()).hasSize(11);
    assertThat(album.outputs()).hasSize(13);
    assertThat(LineCheck.of(album)).isEmpty();
    assertThatThrownBy(() -> Starters.album(0)).hasMessageContaining("1 to 60");
  }

  @ParameterizedTest(name = "{index}")
  @MethodSource("starters")
  void itsOutlineSaysWhatItIsAndMakesItsRoutingAnew(Mix starter) {
    String text = Outline.write(starter);
    Outline.Reading same = Outline.read(starter, text);
    assertThat(same.faults()).isEmpty();
    assertThat(same.changes().isEmpty()).isTrue();
    Mix anew = Outline.create(starter.name(), text);
    assertThat(Outline.write(anew)).isEqualTo(text);
    assertThat(anew.outputs()).hasSameSizeAs(starter.outputs());
    assertThat(anew.stemSets()).hasSameSizeAs(starter.stemSets());
  }

  static List<KeptChain> chains() {
    return StarterChains.all();
  }

  @ParameterizedTest(name = "{index}")
  @MethodSource("chains")
  void aChainThatShipsSetsWhatThereIsWithinItsRange(KeptChain kept) {
    assertThat(CategoryTree.has(kept.category())).isTrue();
    assertThat(kept.purpose()).hasSizeGreaterThan(20);
    for (Insert insert : kept.chain()) {
      Map<String, Parameter> known =
          Processors.byId(insert.processor()).orElseThrow().parameters().stream()
              .collect(Collectors.toMap(Parameter::id, one -> one));
      insert
          .settings()
          .forEach(
              (id, value) -> {
                assertThat(known).as(kept.name()).containsKey(id);
                assertThat(value)
                    .as(kept.name() + ", " + id)
                    .isBetween(known.get(id).least(), known.get(id).most());
              });
    }
    Mix mix = new PutChain(kept, List.of("kick-in", "master")).applyTo(Starters.bandOfEight());
    assertThat(mix.channel("kick-in").orElseThrow().chain())
        .extracting(Insert::settings)
        .isEqualTo(kept.chain().stream().map(Insert::settings).toList());
  }
}
