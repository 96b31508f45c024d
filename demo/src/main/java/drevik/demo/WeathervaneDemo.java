package drevik.demo;

import drevik.audio.WavWriter;
import drevik.codec.Documents;
import drevik.edit.SeatDelivery;
import drevik.intake.FolderDelivery;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.starters.Starters;
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
    return Starters.bandOfEight();
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
    Mix template = template();
    Path delivery = folder.resolve(DELIVERY_FOLDER);
    writeDelivery(delivery);
    Mix empty = template.withKind(MixKind.SESSION).withName(SESSION_NAME);
    SeatDelivery seating =
        FolderDelivery.read(delivery, DELIVERY_NAME, empty).seating(folder.resolve("audio"));
    Files.writeString(folder.resolve("template.json"), Documents.writeMix(template));
    Files.writeString(folder.resolve("session.json"), Documents.writeMix(seating.applyTo(empty)));
  }
}
