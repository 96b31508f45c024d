package drevik.demo;

import drevik.audio.Resampler;
import drevik.audio.Sha256;
import drevik.audio.WavReader;
import drevik.audio.WavWriter;
import drevik.category.NameSorter;
import drevik.codec.Documents;
import drevik.intake.DeliveredFile;
import drevik.intake.Inspection;
import drevik.intake.Inspector;
import drevik.intake.SeatingPlan;
import drevik.intake.SeatingPlanner;
import drevik.mix.AudioRef;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** The music scenario: “Weathervane” by The Lantern Quarry. */
public final class WeathervaneDemo {
  public static final String SESSION_NAME = "Weathervane";
  public static final String DELIVERY_NAME = "The Lantern Quarry – Weathervane";
  public static final String DELIVERY_FOLDER = "Weathervane delivery";

  private WeathervaneDemo() {}

  public static Mix template() {
    return WeathervaneTemplate.build();
  }

  /** Synthesises the delivered files into {@code folder}; the same bits each time. */
  public static List<Path> writeDelivery(Path folder) throws IOException {
    Files.createDirectories(folder);
    List<Path> files = new ArrayList<>();
    for (Weathervane.Track track : Weathervane.tracks()) {
      Path file = folder.resolve(track.fileName());
      float[][] audio = track.audio();
      var layout = drevik.audio.Layout.ofChannels(audio.length);
      try (WavWriter writer = WavWriter.create(file, track.format(), track.sampleRate(), layout)) {
        writer.write(audio, 0, audio[0].length);
      }
      files.add(file);
    }
    return files;
  }

  /**
   * Writes the delivery, {@code template.json}, and {@code session.json} with the delivery seated;
   * what had to be conformed lies in {@code audio}.
   */
  public static void writeTo(Path folder) throws IOException {
    Path audio = folder.resolve("audio");
    Files.createDirectories(audio);
    Mix template = template();
    List<DeliveredFile> delivered = new ArrayList<>();
    for (Path file : writeDelivery(folder.resolve(DELIVERY_FOLDER))) {
      delivered.add(take(file, audio, template.sampleRate()));
    }
    Mix empty = template.withKind(MixKind.SESSION).withName(SESSION_NAME);
    SeatingPlan plan = SeatingPlanner.plan(empty, delivered);
    Files.writeString(folder.resolve("template.json"), Documents.writeMix(template));
    Files.writeString(
        folder.resolve("session.json"),
        Documents.writeMix(plan.toEdit(DELIVERY_NAME).applyTo(empty)));
  }

  private static DeliveredFile take(Path file, Path audio, int sampleRate) throws IOException {
    String name = file.getFileName().toString();
    Inspection found = Inspector.inspect(file);
    Path played = audio.resolve(name);
    if (found.header().sampleRate() == sampleRate) {
      Files.copy(file, played, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    } else {
      Resampler.convert(file, played, sampleRate);
    }
    try (WavReader reader = WavReader.open(played)) {
      return DeliveredFile.of(
          Sha256.of(file).substring(0, 12),
          name,
          new AudioRef(Sha256.of(played), name),
          reader.header().layout(),
          reader.header().frames(),
          found.silent(),
          NameSorter.sort(name).category());
    }
  }
}
