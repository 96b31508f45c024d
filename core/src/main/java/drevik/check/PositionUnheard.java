package drevik.check;

import drevik.audio.Layout;
import drevik.audio.Position;
import drevik.check.Finding.Severity;
import drevik.edit.Edit;
import drevik.edit.SetChannels;
import drevik.edit.SetSend;
import drevik.mix.Channel;
import drevik.mix.Output;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.SendField;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** What was placed in a surround, in heights or in an LFE, where there is none. */
final class PositionUnheard implements LineCheckRule {
  /** A place, and what becomes of a channel or a send that is not to be there. */
  private record Place(
      String says,
      Predicate<Channel> mayAsk,
      Predicate<Position> isAskedFor,
      Predicate<Layout> isThere,
      Changes<Channel> leaves,
      Changes<Send> leavesWithSend) {}

  private static final List<Place> PLACES =
      List.of(
          new Place(
              "surround",
              // What has one of its own loses its front by it, wherever it goes.
              channel -> !channel.layout().hasSurround(),
              position -> position.frontBack() > 0,
              Layout::hasSurround,
              Changes.of(ChannelField.ALL, ChannelField.FRONT_BACK, 0.0),
              Changes.of(SendField.ALL, SendField.FRONT_BACK, 0.0)),
          new Place(
              "heights",
              channel -> !channel.layout().hasHeight(),
              position -> position.height() > 0,
              Layout::hasHeight,
              Changes.of(ChannelField.ALL, ChannelField.HEIGHT, 0.0),
              Changes.of(SendField.ALL, SendField.HEIGHT, 0.0)),
          new Place(
              "LFE",
              channel -> true,
              position -> position.lfe() > 0,
              Layout::hasLfe,
              Changes.of(ChannelField.ALL, ChannelField.LFE, null),
              Changes.of(SendField.ALL, SendField.LFE, null)));

  @Override
  public void check(Survey survey) {
    survey
        .active()
        .forEach(
            channel -> {
              PLACES.stream()
                  .filter(place -> place.mayAsk().test(channel))
                  .forEach(place -> look(survey, channel, place));
            });
  }

  private static void look(Survey survey, Channel channel, Place place) {
    if (place.isAskedFor().test(channel.position()) && nobodyHas(fed(survey, channel), place)) {
      report(
          survey,
          List.of(channel.id()),
          "“" + channel.name() + "” is to be heard in the " + place.says() + " of what it goes to",
          place,
          new SetChannels(List.of(channel.id()), place.leaves()));
    }
    for (Send send : channel.sends()) {
      if (!place.isAskedFor().test(send.position())) {
        continue;
      }
      List<Channel> to = into(survey, send.destinations().stream()).toList();
      if (nobodyHas(to.stream().map(Channel::layout).toList(), place)) {
        report(
            survey,
            survey.chiefFirst(List.of(channel.id()), to.get(0).id()),
            "“"
                + channel.name()
                + "” is sent to the "
                + place.says()
                + " of “"
                + to.get(0).name()
                + "”",
            place,
            new SetSend(List.of(channel.id()), send.destinations(), place.leavesWithSend()));
      }
    }
  }

  private static List<Layout> fed(Survey survey, Channel channel) {
    List<Layout> fed = new ArrayList<>();
    into(survey, Stream.ofNullable(channel.output())).map(Channel::layout).forEach(fed::add);
    survey.mix.outputs().stream()
        .filter(one -> one.channel().equals(channel.id()) && one.tap() == Tap.POST_FADER)
        .map(Output::layout)
        .forEach(fed::add);
    return fed;
  }

  private static Stream<Channel> into(Survey survey, Stream<String> ids) {
    return ids.map(survey.channels::get).filter(Objects::nonNull).filter(to -> !to.stowed());
  }

  private static boolean nobodyHas(List<Layout> fed, Place place) {
    return !fed.isEmpty() && fed.stream().noneMatch(place.isThere());
  }

  private static void report(
      Survey survey, List<String> things, String says, Place place, Edit mend) {
    survey.report(
        Rule.POSITION_UNHEARD,
        Severity.DOUBTFUL,
        things,
        says + ", which has no " + place.says() + ".",
        mend);
  }
}
