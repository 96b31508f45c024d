package drevik.cli;

import drevik.audio.AudioException;
import drevik.codec.Documents;
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
    if (args.length > 0 && args[0].equals("print")) {
      getReadyToRead();
    }
    System.exit(run(args));
  }

  /** The reader of documents takes as long to get ready as the parser of arguments: do both now. */
  private static void getReadyToRead() {
    String document = "{\"version\":1,\"channels\":[]}";
    Thread ready = new Thread(() -> Documents.readMix(document), "ready-to-read");
    ready.setDaemon(true);
    ready.start();
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
