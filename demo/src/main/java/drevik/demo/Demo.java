package drevik.demo;

import drevik.codec.Documents;
import drevik.edit.Edit;
import drevik.edit.PinSlots;
import drevik.edit.SayOfMap;
import drevik.edit.SeatDelivery;
import drevik.edit.SetChannels;
import drevik.intake.FolderDelivery;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Slot;
import drevik.mix.field.ChannelField;
import drevik.reassign.Meant;
import drevik.starters.Starters;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * A scenario that ships: a delivery, synthesised, and the session that it is seated in.
 *
 * @param session what it is called
 * @param client whom it is for
 * @param artist whose it is
 * @param delivery what the delivery is called
 * @param folder what the delivery's folder is called
 * @param template from which the session is started
 * @param prepared what is changed in the session before the delivery is seated
 * @param finishing what is changed behind it, by what is seated
 */
public record Demo(
    String session,
    String client,
    String artist,
    String delivery,
    String folder,
    Mix template,
    List<Edit> prepared,
    Function<Mix, List<Edit>> finishing,
    Supplier<List<Track>> tracks) {

  /** Music: one song by an eight-piece. */
  public static final Demo WEATHERVANE =
      new Demo(
          "Weathervane",
          "The Lantern Quarry",
          "The Lantern Quarry",
          "The Lantern Quarry – Weathervane",
          "Weathervane delivery",
          Starters.bandOfEight(),
          List.of(),
          seated -> List.of(),
          Weathervane::tracks);

  /**
   * Picture: a show for a planetarium. What was recorded on location is routed as the cutting room
   * left it, with the natural sound, and chatter with the interviews: ready to be reassigned.
   */
  public static final Demo NINETY_MOONS =
      new Demo(
          "Ninety Moons",
          "Hollow Hill Observatory",
          "Ninety Moons",
          "Ninety Moons – sound for the dome",
          "Ninety Moons delivery",
          Starters.named("Documentary and exhibition"),
          List.of(
              new SayOfMap(
                  List.of(
                      new SayOfMap.MapWords("interview/field", "destination", "Natural sound")))),
          Demo::peopleOfNinetyMoons,
          NinetyMoons::tracks);

  /** In the order in which they are made. */
  public static List<Demo> all() {
    return List.of(WEATHERVANE, NINETY_MOONS);
  }

  /** Synthesises the delivered files into {@code folder}; the same bits each time. */
  public List<Path> writeDelivery(Path folder) throws IOException {
    Files.createDirectories(folder);
    List<Path> files = new ArrayList<>();
    for (Track track : tracks.get()) {
      files.add(track.writeTo(folder));
    }
    return files;
  }

  /**
   * Writes the delivery, {@code template.json}, and {@code session.json} with the delivery seated;
   * what had to be conformed lies in {@code audio}.
   */
  public void writeTo(Path in) throws IOException {
    Path files = in.resolve(folder);
    writeDelivery(files);
    Mix empty = empty();
    SeatDelivery seating = FolderDelivery.read(files, delivery, empty).seating(in.resolve("audio"));
    Files.writeString(in.resolve("template.json"), Documents.writeMix(template));
    Mix seated = seating.applyTo(empty);
    for (Edit edit : finishing.apply(seated)) {
      seated = edit.applyTo(seated);
    }
    Files.writeString(in.resolve("session.json"), Documents.writeMix(seated));
  }

  /** Who speaks; and one of two crowds stays where it is, whatever the map says. */
  private static List<Edit> peopleOfNinetyMoons(Mix seated) {
    return List.of(
        person(seated, "Varga", "Ines Varga"),
        person(seated, "Lund", "Tomasz Lund"),
        person(seated, "Renn", "Odile Renn"),
        person(seated, "VO", "Narrator"),
        new PinSlots(named(seated, "class"), List.of(Slot.OUTPUT.id())));
  }

  private static Edit person(Mix seated, String word, String person) {
    return SetChannels.of(named(seated, word), ChannelField.PERSON, person);
  }

  private static List<String> named(Mix seated, String word) {
    return new Meant(List.of(), null, null, word).in(seated);
  }

  /** The session before anything is seated. */
  Mix empty() {
    Mix mix = template.withKind(MixKind.SESSION).withName(session);
    for (Edit edit : prepared) {
      mix = edit.applyTo(mix);
    }
    return mix;
  }
}
