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
import drevik.mix.Mix;
import drevik.mix.NamedMap;
import drevik.mix.Output;
import drevik.mix.field.Changes;
import drevik.mix.field.MapEntryField;
import drevik.reassign.Following;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
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
}
