package drevik.outline;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Outlines as they are written, of any shape, the same for the same seed. */
final class RandomOutline {
  private static final List<String> SEATS =
      List.of("Kick", "Snare", "Vox", "Gtr", "Strings", "Qqx", "Narrator", "R & B", "Take #4");
  private static final List<String> LAYOUTS = List.of(":stereo", ":lcr", ":5.1");

  private final Random random;
  private final StringBuilder text = new StringBuilder();
  private final List<String> returns = new ArrayList<>();
  private int count;

  /** A seat that others may listen to. */
  private String first = "";

  private RandomOutline(long seed) {
    this.random = new Random(seed);
  }

  static String of(long seed) {
    return new RandomOutline(seed).whole();
  }

  private String whole() {
    for (int i = 0; i < random.nextInt(3); i++) {
      returns.add("Plate " + i);
    }
    text.append("Master =Song\n  Mix\n");
    int groups = 1 + random.nextInt(4);
    for (int i = 0; i < groups; i++) {
      bus(2, random.nextInt(3));
    }
    for (String name : returns) {
      text.append("    ")
          .append(name)
          .append(maybe(" &Wet", 3))
          .append(" =")
          .append(name)
          .append('\n');
    }
    if (random.nextBoolean()) {
      text.append("Rough mix\n");
    }
    if (text.indexOf(" &Wet") > 0 && random.nextBoolean()) {
      text.append("&Wet &All\n");
    }
    return text.toString();
  }

  private String maybe(String mark, int of) {
    return random.nextInt(of) == 0 ? mark : "";
  }

  /** What a bus takes over from the one that it stands under needs no mark. */
  private void bus(int depth, int deeper) {
    String name = "Qwz " + ++count + " Bus";
    text.append("  ".repeat(depth))
        .append(name)
        .append(depth == 2 ? maybe(" :mono", 4) : "")
        .append(depth == 2 ? maybe(" #strings", 4) : "")
        .append(maybe(" &Low", 5))
        .append(maybe(" =Stem of " + count, 2))
        .append('\n');
    for (int i = 0; i < 1 + random.nextInt(3); i++) {
      seat(depth + 1);
    }
    for (int i = 0; i < deeper; i++) {
      bus(depth + 1, deeper - 1);
    }
  }

  private void seat(int depth) {
    String name = SEATS.get(random.nextInt(SEATS.size())) + " " + ++count;
    boolean isFirst = first.isEmpty();
    first = isFirst ? name : first;
    text.append("  ".repeat(depth))
        .append(name)
        .append(maybe(" " + LAYOUTS.get(random.nextInt(LAYOUTS.size())), 3))
        .append(maybe(" :stowed", 6))
        .append(maybe(" #percussion/shaker", 6));
    if (!returns.isEmpty()) {
      String to = returns.get(random.nextInt(returns.size()));
      text.append(maybe(" >" + to, 3));
      text.append(
          maybe(" >>" + String.join(" + ", returns) + " @-" + random.nextInt(30) + ".5", 4));
    }
    text.append(isFirst ? "" : maybe(" ^^" + first, 8)).append(maybe(" &Low", 5)).append('\n');
  }
}
