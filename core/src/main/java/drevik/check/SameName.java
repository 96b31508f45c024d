package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.RenameChannels;
import drevik.mix.Channel;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Two channels of one name. */
final class SameName implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    sameName(survey);
  }

  private static void sameName(Survey survey) {
    Map<String, Channel> seen = new HashMap<>();
    for (Channel channel : survey.mix.channels()) {
      Channel other = seen.putIfAbsent(channel.name().strip().toLowerCase(Locale.ROOT), channel);
      if (other != null) {
        boolean both = !other.kind().holdsClips() && !channel.kind().holdsClips();
        String renamed = firstFree(survey, channel.name());
        survey.report(
            Rule.SAME_NAME,
            both ? Severity.WRONG : Severity.DOUBTFUL,
            List.of(channel.id(), other.id()),
            "A "
                + other.kind()
                + " and a "
                + channel.kind()
                + " are both called “"
                + channel.name()
                + "”.",
            new RenameChannels(Map.of(channel.id(), renamed)));
      }
    }
  }

  private static String firstFree(Survey survey, String name) {
    for (int number = 2; ; number++) {
      String candidate = name.strip() + " " + number;
      if (survey.mix.channels().stream().noneMatch(c -> c.name().equalsIgnoreCase(candidate))) {
        return candidate;
      }
    }
  }
}
