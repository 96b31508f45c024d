package drevik.check;

import drevik.audio.SampleFormat;
import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.SendChannelsTo;
import drevik.edit.StowChannels;
import drevik.edit.Together;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.field.MixField;
import drevik.route.Tie;
import java.util.List;

/** What is heard in no file. */
final class GoesNowhere implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.active().forEach(channel -> goesNowhere(survey, channel));
  }

  private static void goesNowhere(Survey survey, Channel channel) {
    Channel to = survey.channels.get(channel.output());
    boolean reaches = survey.wired.reachesAnything(channel.id());
    boolean isKey = survey.from(channel.id()).stream().anyMatch(t -> t.kind() == Tie.Kind.KEY);
    boolean said = to != null && (to.stowed() || isSilentAgain(survey, to));
    // What is only compared with need not be printed.
    boolean isReference = channel.kind() == ChannelKind.REFERENCE;
    if (reaches || isKey || said || isReference || !survey.isFed(channel.id())) {
      return;
    }
    String mapped = survey.mapped(channel);
    Channel trunk = survey.trunk();
    boolean toTrunk =
        trunk != null
            && mapped == null
            && !trunk.id().equals(channel.id())
            && !trunk.id().equals(channel.output());
    survey.report(
        Rule.GOES_NOWHERE,
        Severity.WRONG,
        List.of(channel.id()),
        "“"
            + channel.name()
            + "” reaches no output"
            + (to == null
                ? ": it is sent nowhere."
                : ", though it is sent to “" + to.name() + "”."),
        mapped == null || mapped.equals(channel.output())
            ? null
            : new SendChannelsTo(List.of(channel.id()), mapped),
        toTrunk && trunk != null ? new SendChannelsTo(List.of(channel.id()), trunk.id()) : null,
        to == null && !channel.kind().holdsClips() ? aFileOfIt(survey, channel) : null,
        new StowChannels(List.of(channel.id()), true));
  }

  private static Edit aFileOfIt(Survey survey, Channel channel) {
    SampleFormat format =
        survey.mix.outputs().stream().map(Output::format).findFirst().orElse(SampleFormat.PCM_24);
    Output file = survey.newFileOf(channel, channel.name(), OutputKind.MIX, format);
    return new Together(
        List.of(ChangeMix.adding(survey.mix, MixField.OUTPUTS, file)),
        "make a file of “" + channel.name() + "”");
  }

  /** Only the last of a silent row is named: mending it mends those before it. */
  private static boolean isSilentAgain(Survey survey, Channel to) {
    return !survey.wired.reachesAnything(to.id());
  }
}
