package drevik.ledger;

import drevik.audio.Decibels;
import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Send;
import drevik.mix.Tap;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Sends of a channel as a cell holds them: as {@link MapText} writes them, {@code Plate −12
 * pre-fader, Hall −9 off}; what is read is what was written.
 */
final class SendText {
  private static final String OFF = " off";

  private SendText() {}

  static String of(Send send, Names names) {
    String level = send.levelDb() <= Decibels.SILENCE ? "−∞" : FieldText.plain(send.levelDb(), 2);
    return FieldText.to(send, names)
        + " "
        + level
        + (send.tap() == Tap.POST_FADER ? "" : " " + send.tap())
        + (send.on() ? "" : OFF);
  }

  /**
   * The sends that a channel has when a cell says that. One that it has to the same places keeps
   * its id, its position and all else that a cell does not say; one that is not named goes.
   *
   * @throws drevik.mix.Refused if the text means nothing
   */
  static List<Send> typed(Mix mix, Channel channel, String text) {
    List<Send> left = new ArrayList<>(channel.sends());
    List<Send> sends = new ArrayList<>();
    FreshIds fresh = new FreshIds(mix);
    for (String part : MapText.parts(text)) {
      boolean off = part.toLowerCase(Locale.ROOT).endsWith(OFF);
      MapSend said =
          MapText.send(mix, off ? part.substring(0, part.length() - OFF.length()).strip() : part);
      if (said.none()) {
        continue;
      }
      Send there = to(left, said.destinations());
      left.remove(there);
      Send send =
          there != null
              ? there
              : Send.of(
                  fresh.of(channel.id(), said.destinations().get(0)),
                  said.destinations(),
                  said.tap(),
                  said.levelDb());
      sends.add(
          // What a cell rounds is not changed by being written back.
          (isShownAs(send, said) ? send : send.withLevelDb(said.levelDb()))
              .withTap(said.tap())
              .withOn(!off));
    }
    return sends;
  }

  private static boolean isShownAs(Send send, MapSend said) {
    return Math.abs(send.levelDb() - said.levelDb()) < 0.005;
  }

  private static @Nullable Send to(List<Send> sends, List<String> destinations) {
    return sends.stream()
        .filter(send -> send.destinations().equals(destinations))
        .findFirst()
        .orElse(null);
  }
}
