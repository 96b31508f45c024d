package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.SetChannels;
import drevik.mix.Channel;
import drevik.mix.field.ChannelField;
import java.util.List;

/** Mutes that are left on. */
final class Muted implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.active().forEach(channel -> muted(survey, channel));
  }

  private static void muted(Survey survey, Channel channel) {
    if (channel.mute()) {
      survey.report(
          Rule.MUTED,
          Severity.NOTE,
          List.of(channel.id()),
          "“" + channel.name() + "” is muted.",
          SetChannels.of(List.of(channel.id()), ChannelField.MUTE, false));
    }
  }
}
