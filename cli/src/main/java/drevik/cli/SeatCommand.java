package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.category.Sorting;
import drevik.codec.Documents;
import drevik.intake.Delivery;
import drevik.intake.FolderDelivery;
import drevik.intake.conform.ConformStep;
import drevik.intake.seat.SeatingPlan;
import drevik.mix.Channel;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;

/**
 * {@code drevik seat}: a delivery onto the seats of a template. The plan goes to standard output, a
 * line for each file and one for each seat that stays empty; the session, with its audio beside it
 * in {@code audio}, to where {@code --out} says.
 */
@Parameters(commandDescription = "Seats a delivered folder in a template, as a session.")
final class SeatCommand implements Callable<Integer> {
  @Parameter(names = "--template", required = true, converter = PathConverter.class)
  private Path template;

  @Parameter(
      names = "--delivery",
      required = true,
      converter = PathConverter.class,
      description = "The folder with the delivered files.")
  private Path delivery;

  @Parameter(
      names = "--out",
      required = true,
      converter = PathConverter.class,
      description = "The session to write.")
  private Path out;

  record Line(
      String file,
      String category,
      double confidence,
      String act,
      @Nullable String seat,
      @Nullable String destination,
      String because,
      List<String> steps) {}

  record Broken(String file, String error) {}

  record Stowed(String act, String seat) {}

  @Override
  public Integer call() throws IOException {
    Mix empty = MixFile.read(template).withKind(MixKind.SESSION);
    String name = String.valueOf(delivery.toAbsolutePath().normalize().getFileName());
    FolderDelivery read = FolderDelivery.read(delivery, name, empty);
    Mix session =
        read.seating(out.toAbsolutePath().resolveSibling("audio")).applyTo(empty.withName(name));
    MixFile.write(out, Documents.writeMix(session));
    Delivery taken = read.delivery();
    // What could not be used stands first: it is what somebody has to do something about.
    List<Delivery.Item> files = new ArrayList<>(taken.items());
    files.sort(Comparator.comparing(file -> file.fault() == null));
    for (Delivery.Item file : files) {
      Object line =
          file.fault() != null ? new Broken(file.name(), file.fault()) : line(taken, file, session);
      Output.print(Output.line(line));
    }
    taken
        .plan()
        .stow()
        .forEach(seat -> Output.print(Output.line(new Stowed("stowed", seat.name()))));
    return taken.items().stream().allMatch(file -> file.fault() == null) ? 0 : 1;
  }

  private static Line line(Delivery taken, Delivery.Item file, Mix session) {
    SeatingPlan.Place place = Lookup.in(taken.places(), file.id());
    Sorting sorting = taken.sorting(file.id());
    String destination =
        place.destination() == null
            ? null
            : session.channel(place.destination()).map(Channel::name).orElse(null);
    return new Line(
        file.name(),
        sorting.category(),
        sorting.confidence(),
        place.act().toString(),
        place.seatName(),
        destination,
        place.because(),
        taken.steps(file.id()).stream().map(ConformStep::says).toList());
  }
}
