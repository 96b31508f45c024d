package drevik.cli;

import com.beust.jcommander.JCommander;
import com.beust.jcommander.Parameter;
import com.beust.jcommander.ParameterException;
import drevik.audio.AudioException;
import drevik.codec.Documents;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;

/**
 * The command line over the core. JSON goes to standard output, errors to standard error; exit
 * status 0 fine, 1 findings or failure, 2 wrong usage.
 */
public final class Main {
  private static final int FINE = 0;
  private static final int FAILED = 1;
  private static final int WRONG_USE = 2;

  private static final class Help {
    /** Asked for anywhere, as people write it behind a command too. */
    private static final List<String> WORDS = List.of("--help", "-h");

    @Parameter(
        names = {"--help", "-h"},
        help = true,
        description = "Says this.")
    private boolean asked;
  }

  private Main() {}

  public static void main(String[] args) {
    if (args.length > 0 && args[0].equals("print")) {
      getReadyToRead();
    }
    System.exit(run(args));
  }

  /** The reader of documents takes as long to get ready as the parser of arguments: do both now. */
  private static void getReadyToRead() {
    Thread ready = new Thread(Main::readOnce, "ready-to-read");
    ready.setDaemon(true);
    ready.start();
  }

  /** Reads the smallest sound document. */
  static Mix readOnce() {
    return Documents.readForeign(
        """
        {"version": %d, "kind": "session", "name": "Ready", "job": "mix", "sampleRate": 48000,
         "tempo": 120, "panLaw": "-3 dB", "startFrame": 0, "channels": []}
        """
            .replace("%d", Integer.toString(Mix.CURRENT_VERSION)));
  }

  /** Runs one command and gives its exit status. */
  static int run(String... args) {
    Map<String, Callable<Integer>> commands = new LinkedHashMap<>();
    commands.put("sort", new SortCommand());
    commands.put("inspect", new InspectCommand());
    commands.put("check", new CheckCommand());
    commands.put("cover", new CoverCommand());
    commands.put("outline", new OutlineCommand());
    commands.put("map", new MapCommand());
    commands.put("reassign", new ReassignCommand());
    commands.put("seat", new SeatCommand());
    commands.put("print", new PrintCommand());
    commands.put("demo", new DemoCommand());
    Help help = new Help();
    JCommander.Builder builder = JCommander.newBuilder().programName("drevik").addObject(help);
    commands.forEach(builder::addCommand);
    JCommander parser = builder.build();
    try {
      boolean asksForHelp = List.of(args).stream().anyMatch(Help.WORDS::contains);
      parser.parse(asksForHelp ? new String[] {"--help"} : args);
      if (help.asked) {
        drevik.cli.Output.print(usage(parser));
        return FINE;
      }
      Callable<Integer> command = commands.get(parser.getParsedCommand());
      if (command == null) {
        throw new ParameterException("a command is needed");
      }
      return command.call();
    } catch (ParameterException e) {
      System.err.println("drevik: " + e.getMessage() + "\n" + usage(parser));
      return WRONG_USE;
    } catch (Refused | AudioException e) {
      System.err.println("drevik: " + e.getMessage());
      return FAILED;
    } catch (Exception e) {
      System.err.println("drevik: " + e);
      return FAILED;
    }
  }

  private static String usage(JCommander parser) {
    StringBuilder text = new StringBuilder();
    parser.getUsageFormatter().usage(text);
    return text.toString();
  }
}
