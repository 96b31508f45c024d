package drevik.render;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.MixWords;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavReader;
import drevik.audio.WavWriter;
import drevik.edit.Edit;
import drevik.edit.JoinBuses;
import drevik.edit.MoveOut;
import drevik.edit.PutMap;
import drevik.edit.SetCategoryRule;
import drevik.edit.SplitBus;
import drevik.mix.Clip;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.MapEntryField;
import drevik.reassign.Following;
import drevik.shelf.NamedMap;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A way that leads to the same place sounds the same. */
class RerouteTest {
  private static final int FRAMES = 24_000;
  private static final List<String> SEATS = List.of("kick", "snare", "shaker", "congas");

  @TempDir Path folder;

  @BeforeEach
  void noise() throws IOException {
    for (String seat : SEATS) {
      Random random = new Random(seat.hashCode());
      float[][] audio = new float[1][FRAMES];
      for (int i = 0; i < FRAMES; i++) {
        audio[0][i] = (float) (0.2 * random.nextGaussian());
      }
      try (WavWriter writer =
          WavWriter.create(
              folder.resolve(seat + ".wav"), SampleFormat.FLOAT_32, 48_000, Layout.MONO)) {
        writer.write(audio, 0, FRAMES);
      }
    }
  }

  private static Mix song() {
    MixWords words = MixWords.mix().bus("mix", null).bus("drums", "mix").bus("spare", "mix");
    for (String seat : SEATS) {
      Clip clip = MixWords.clip(seat + ".wav", FRAMES);
      words.seat(
          seat,
          "drums",
          c ->
              c.withCategory(
                      seat.equals("shaker") || seat.equals("congas")
                          ? "percussion"
                          : "drums/" + seat)
                  .withPan(seat.length() / 10.0 - 0.5)
                  .withClips(List.of(clip.withId("clip " + seat))));
    }
    Mix mix = words.map("drums", "drums").map("percussion", "drums").output("mix").build();
    List<Output> outputs =
        mix.outputs().stream().map(o -> o.withFormat(SampleFormat.FLOAT_32)).toList();
    return Following.settled(mix.withOutputs(outputs).withEndFrame((long) FRAMES));
  }

  private float[][] print(Mix mix, String name) throws IOException {
    Path into = folder.resolve(name);
    PrintReport report =
        Printer.print(
            mix, ref -> folder.resolve(ref.name()), PrintOptions.all(), into, Progress.NONE);
    float[][] heard = new float[mix.outputs().get(0).layout().channels()][FRAMES];
    try (WavReader reader = WavReader.open(into.resolve(report.files().get(0).file()))) {
      reader.read(0, heard, 0, FRAMES);
    }
    return heard;
  }

  @Test
  void newBusesSplitBusesJoinedBusesAndAnotherMapLeaveTheMixAsItIs() throws IOException {
    Mix mix = song();
    float[][] before = print(mix, "before");
    Edit otherMap =
        new PutMap(
            NamedMap.of(
                new SetCategoryRule(
                        List.of("percussion"),
                        Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "spare"))
                    .applyTo(mix),
                "Other"),
            false);
    for (Edit edit :
        List.of(
            new MoveOut(List.of("shaker", "congas"), "Percussion", true, true, true, null),
            new SplitBus("drums", SplitBus.By.CATEGORY, true, false),
            new JoinBuses("drums", "spare"),
            otherMap)) {
      Mix moved = edit.applyTo(mix);
      assertThat(moved).isNotEqualTo(mix);
      float[][] after = print(moved, edit.getClass().getSimpleName());
      double most = 0;
      for (int speaker = 0; speaker < before.length; speaker++) {
        for (int i = 0; i < FRAMES; i++) {
          most = Math.max(most, Math.abs(before[speaker][i] - after[speaker][i]));
        }
      }
      assertThat(20 * Math.log10(most + 1e-12)).as(edit.says(mix)).isLessThan(-120);
    }
  }

  @Test
  void aSplitBusKeepsItsChainSendsControlsAndEveryFile() throws IOException {
    Mix mix =
        song()
            .mapChannels(
                c ->
                    c.id().equals("drums")
                        ? c.withFaderDb(-4)
                            .withTrimDb(2)
                            .withPan(0.3)
                            .withChain(
                                List.of(MixWords.insert("compressor", Map.of("threshold", -30.0))))
                            .withSends(List.of(MixWords.send("spare", Tap.PRE_FADER, -6)))
                        : c);
    mix = mix.withControls(List.of(new Control("c", "Drums", -3, List.of("drums"))));
    Output first = mix.outputs().get(0);
    List<Output> outputs = new ArrayList<>(mix.outputs());
    for (Tap tap : Tap.values()) {
      String id = "drums " + tap;
      outputs.add(
          first.withId(id).withChannel("drums").withTap(tap).withName(id).withNamePattern(id));
    }
    outputs.add(
        first
            .withId("spare")
            .withChannel("spare")
            .withName("spare")
            .withNamePattern("spare")
            .withLayout(Layout.MONO));
    mix = mix.withOutputs(outputs);
    Mix split = new SplitBus("drums", SplitBus.By.CATEGORY, true, true).applyTo(mix);
    assertThat(split.channels().size()).isGreaterThan(mix.channels().size());
    Map<String, float[][]> before = printAll(mix, "whole");
    Map<String, float[][]> after = printAll(split, "parts");
    assertThat(after.keySet()).containsAll(before.keySet());
    for (Map.Entry<String, float[][]> file : before.entrySet()) {
      float[][] now = Objects.requireNonNull(after.get(file.getKey()));
      double most = 0;
      double loudest = 0;
      for (int speaker = 0; speaker < now.length; speaker++) {
        for (int i = 0; i < FRAMES; i++) {
          most = Math.max(most, Math.abs(file.getValue()[speaker][i] - now[speaker][i]));
          loudest = Math.max(loudest, Math.abs(now[speaker][i]));
        }
      }
      assertThat(loudest).as("something to hear in " + file.getKey()).isGreaterThan(0.01);
      assertThat(20 * Math.log10(most + 1e-12)).as(file.getKey()).isLessThan(-120);
    }
  }

  private Map<String, float[][]> printAll(Mix mix, String name) throws IOException {
    Path into = folder.resolve(name);
    PrintReport report =
        Printer.print(
            mix, ref -> folder.resolve(ref.name()), PrintOptions.all(), into, Progress.NONE);
    Map<String, float[][]> heard = new HashMap<>();
    for (PrintReport.Printed file : report.files()) {
      Output output =
          mix.outputs().stream()
              .filter(o -> o.id().equals(file.output()))
              .findFirst()
              .orElseThrow();
      float[][] audio = new float[output.layout().channels()][FRAMES];
      try (WavReader reader = WavReader.open(into.resolve(file.file()))) {
        reader.read(0, audio, 0, FRAMES);
      }
      heard.put(output.id(), audio);
    }
    return heard;
  }
}
