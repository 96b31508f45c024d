package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.codec.Documents;
import drevik.intake.ConformStep;
import drevik.intake.DeliveredFile;
import drevik.intake.FolderDelivery;
import drevik.intake.SeatingPlan;
import drevik.intake.SeatingPlanner;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.function.Function;
import java.util.stream.Collectors;
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
    Path folder = out.toAbsolutePath().getParent();
    List<FolderDelivery.Taken> taken =
        FolderDelivery.take(delivery, folder.resolve("audio"), empty);
    List<DeliveredFile> usable =
        taken.stream().map(FolderDelivery.Taken::file).filter(file -> file != null).toList();
    SeatingPlan plan = SeatingPlanner.plan(empty, usable);
    Map<String, SeatingPlan.Place> places =
        plan.places().stream()
            .collect(Collectors.toMap(SeatingPlan.Place::file, Function.identity()));
    String name = String.valueOf(delivery.toAbsolutePath().normalize().getFileName());
    Mix session = plan.toEdit(name).applyTo(empty.withName(name));
    Path beside = out.resolveSibling(out.getFileName() + ".part");
    Files.writeString(beside, Documents.writeMix(session));
    Files.move(beside, out, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    for (FolderDelivery.Taken file : taken) {
      Object line =
          file.fault() != null
              ? new Broken(file.name(), file.fault())
              : line(file, places.get(file.id()), session);
      Output.print(Output.line(line));
    }
    plan.stow().forEach(seat -> Output.print(Output.line(new Stowed("stowed", seat.name()))));
    return taken.stream().allMatch(file -> file.fault() == null) ? 0 : 1;
  }

  private static Line line(FolderDelivery.Taken file, SeatingPlan.Place place, Mix session) {
    String destination =
        place.destination() == null
            ? null
            : session.channel(place.destination()).map(Channel::name).orElse(null);
    return new Line(
        file.name(),
        file.sorting().category(),
        file.sorting().confidence(),
        place.act().toString(),
        place.seatName(),
        destination,
        place.because(),
        file.steps().stream().map(ConformStep::says).toList());
  }
}
