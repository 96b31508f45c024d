package drevik.edit;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Creates channels in bulk. Each line of {@code names} makes one, or as many as a range in square
 * brackets has: {@code Guitar [1-4]} makes four, {@code Dialogue [01-10]} ten with two digits.
 *
 * @param category a path of the tree
 * @param output where they are sent, or null
 * @param after the channel that they stand behind, or null for the end
 */
public record CreateChannels(
    ChannelKind kind,
    Layout layout,
    List<String> names,
    String category,
    @Nullable String output,
    @Nullable String after)
    implements Edit {
  private static final Pattern RANGE = Pattern.compile("(.*)\\[(\\d{1,4})-(\\d{1,4})](.*)");
  private static final int MOST = 1000;

  @Override
  public Mix applyTo(Mix mix) {
    FreshNames fresh = new FreshNames(mix);
    List<Channel> channels = new ArrayList<>();
    for (String name : expand(names)) {
      channels.add(Channel.of(fresh.id(name), kind, name, layout, category).withOutput(output));
    }
    return new AddChannels(channels, after).applyTo(mix);
  }

  /**
   * The names that lines of names stand for.
   *
   * @throws Refused if a range runs backwards or there are too many
   */
  public static List<String> expand(List<String> lines) {
    List<String> names = new ArrayList<>();
    for (String line : lines) {
      if (line.isBlank()) {
        continue;
      }
      Matcher range = RANGE.matcher(line);
      if (!range.matches()) {
        names.add(line.strip());
        continue;
      }
      int first = Integer.parseInt(range.group(2));
      int last = Integer.parseInt(range.group(3));
      if (last < first || last - first >= MOST) {
        throw new Refused(
            "“"
                + line.strip()
                + "” counts from "
                + first
                + " to "
                + last
                + "; give a range of 1 to "
                + MOST
                + " numbers that runs forwards.");
      }
      int digits = range.group(2).length();
      for (int number = first; number <= last; number++) {
        String shown = String.format("%0" + digits + "d", number);
        names.add((range.group(1) + shown + range.group(4)).strip());
      }
    }
    if (names.isEmpty()) {
      throw new Refused("There is no name; write one on each line, or a range such as Bus [1-9].");
    }
    if (names.size() > MOST) {
      throw new Refused(
          names.size() + " channels at once are too many; create up to " + MOST + ".");
    }
    return names;
  }

  @Override
  public String says(Mix before) {
    List<String> all = expand(names);
    return all.size() == 1 ? "create “" + all.get(0) + "”" : "create " + all.size() + " channels";
  }
}
