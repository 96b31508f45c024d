package drevik.naming;

import drevik.mix.Limits;
import drevik.mix.Mix;
import java.text.Normalizer;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Names and ids that a Mix does not have yet. The same Mix gives the same ones each time. */
public final class FreshNames {
  private static final Pattern NUMBERED = Pattern.compile("(.*?)\\s*(\\d+)");

  private final Set<String> ids = new HashSet<>();
  private final Set<String> names = new HashSet<>();

  public FreshNames(Mix mix) {
    mix.channels()
        .forEach(
            channel -> {
              ids.add(channel.id());
              names.add(fold(channel.name()));
            });
    mix.controls().forEach(control -> ids.add(control.id()));
    mix.outputs().forEach(output -> ids.add(output.id()));
  }

  /** “Guitar 3” after “Guitar 2”, “Plate 2” after “Plate”: the first number that is free. */
  public String next(String name) {
    Matcher matcher = NUMBERED.matcher(name);
    boolean numbered = matcher.matches() && matcher.group(2).length() < 9;
    String stem = numbered ? matcher.group(1) : name;
    int number = numbered ? Integer.parseInt(matcher.group(2)) + 1 : 2;
    String candidate = Limits.numbered(stem, " ", number).strip();
    while (!names.add(fold(candidate))) {
      number++;
      candidate = Limits.numbered(stem, " ", number).strip();
    }
    return candidate;
  }

  /** An id made from a name. */
  public String id(String name) {
    String plain = Normalizer.normalize(name, Normalizer.Form.NFD).toLowerCase(Locale.ROOT);
    String slug = plain.replaceAll("\\p{M}", "").replaceAll("[^a-z0-9]+", "-");
    slug = slug.replaceAll("^-|-$", "");
    if (slug.isEmpty()) {
      slug = "channel";
    }
    return Limits.firstFree(slug, "-", ids);
  }

  /** True for “Dialogue 9” behind “Dialogue 8”: names of one series. */
  static boolean isNext(String one, String other) {
    return stem(one).equals(stem(other));
  }

  private static String stem(String name) {
    Matcher matcher = NUMBERED.matcher(name);
    return fold(matcher.matches() ? matcher.group(1) : name);
  }

  private static String fold(String name) {
    return name.toLowerCase(Locale.ROOT);
  }
}
