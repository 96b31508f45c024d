package drevik.mix;

import drevik.audio.Layout;
import drevik.audio.Position;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One channel.
 *
 * @param id stable across revisions, and from template to session
 * @param category a path of the category tree
 * @param colour a colour family; null: the category's own
 * @param trimDb dB before the chain
 * @param faderDb dB; −144 and below is silence
 * @param pan −1 (left) to 1 (right)
 * @param wholeImage true: pan moves the whole image of a wider layout; false: it is a balance
 * @param frontBack 0 (front) to 1 (surround); a balance for layouts with surrounds
 * @param height 0 (level with the ear) to 1 (above); a balance for layouts with heights
 * @param lfeDb dB at which it also goes to the LFE of its output, behind the fader; null: not at
 *     all
 * @param output the channel that this one feeds, or null
 * @param group a bus with whose seats this channel is shown; null: with its output's own
 * @param person a singer, an interviewee; null where nobody in particular
 * @param deliveredBy whom its files came from; null where nobody said
 * @param clips empty for a free seat
 * @param pins what the category map leaves alone
 * @param taken what was taken over from elsewhere: under a pin, over the map
 * @param fallbacks what fields return to where the category map stands over them
 */
@RecordBuilder
public record Channel(
    String id,
    ChannelKind kind,
    String name,
    Layout layout,
    String category,
    @Nullable String colour,
    double trimDb,
    boolean invertPolarity,
    List<Insert> chain,
    double faderDb,
    double pan,
    boolean wholeImage,
    double frontBack,
    double height,
    @Nullable Double lfeDb,
    boolean mute,
    boolean stowed,
    @Nullable String output,
    List<Send> sends,
    @Nullable String group,
    @Nullable String person,
    @Nullable String deliveredBy,
    List<Clip> clips,
    String comment,
    List<Pin> pins,
    List<Taken> taken,
    List<Fallback> fallbacks)
    implements ChannelBuilder.With {

  public Channel {
    chain = Lists.copy(chain);
    sends = Lists.copy(sends);
    clips = Lists.copy(clips);
    comment = comment == null ? "" : comment;
    pins = Lists.copy(pins);
    taken = Lists.copy(taken);
    fallbacks = Lists.copy(fallbacks);
  }

  /** A channel at 0 dB with nothing on it. */
  public static Channel of(
      String id, ChannelKind kind, String name, Layout layout, String category) {
    return new Channel(
        id, kind, name, layout, category, null, 0, false, List.of(), 0, 0, false, 0, 0, null, false,
        false, null, List.of(), null, null, null, List.of(), "", List.of(), List.of(), List.of());
  }

  /** Where it stands in what it feeds. */
  public Position position() {
    return new Position(pan, wholeImage, frontBack, height, Send.lfe(lfeDb));
  }

  /** True if the category map leaves this of it alone. */
  public boolean isPinned(Slot slot) {
    return pins.stream().anyMatch(pin -> pin.id().equals(slot.id()));
  }

  /** What was taken over into a slot, if anything was. */
  public Optional<Taken> taken(Slot slot) {
    return taken.stream().filter(one -> one.id().equals(slot.id())).findFirst();
  }

  /** A seat or reference with no audio on it. */
  public boolean awaitsAudio() {
    return kind.holdsClips() && clips.isEmpty();
  }

  /**
   * True if others can be sent here: nothing goes into what holds audio, or into what is stowed.
   */
  public boolean takesSound() {
    return !kind.holdsClips() && !stowed;
  }

  /** The first send that reaches {@code destination}, if there is one. */
  public Optional<Send> sendTo(String destination) {
    return sends.stream().filter(send -> send.destinations().contains(destination)).findFirst();
  }
}
