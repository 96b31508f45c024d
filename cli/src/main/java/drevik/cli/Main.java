package drevik.cli;

import drevik.audio.AudioException;
import drevik.mix.Refused;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/**
 * The command line over the core. JSON goes to standard output, errors to standard error; exit
 * status 0 fine, 1 findings or failure, 2 wrong usage.
 */
@Command(
    name = "drevik",
    description = "Sorts, inspects and prints without a server.",
    mixinStandardHelpOptions = true,
    subcommands = {SortCommand.class, InspectCommand.class, PrintCommand.class, DemoCommand.class})
public final class Main {
  private Main() {}

  public static void main(String[] args) {
    System.exit(run(args));
  }

  static int run(String... args) {
    return new CommandLine(new Main())
        .setExecutionExceptionHandler(
            (e, command, parsed) -> {
              if (e instanceof Refused || e instanceof AudioException) {
                command.getErr().println("drevik: " + e.getMessage());
                return 1;
              }
              throw e;
            })
        .execute(args);
  }
}
