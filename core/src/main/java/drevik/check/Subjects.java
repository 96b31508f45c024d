package drevik.check;

import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import java.util.function.Predicate;

/** What a rule looks at: where a Mix has none of it, that nothing was found proves nothing. */
final class Subjects {
  private Subjects() {}

  static boolean has(Rule rule, Mix mix) {
    return switch (rule) {
      case RULE_FAILED -> true;
      case LOOP, POINTS_NOWHERE ->
          any(mix, c -> c.output() != null || !c.sends().isEmpty()) || !mix.outputs().isEmpty();
      case GOES_NOWHERE, SAME_NAME, MUTED -> any(mix, c -> true);
      case REACHED_TWICE -> !mix.outputs().isEmpty() && any(mix, c -> c.kind().holdsClips());
      case NOTHING_ARRIVES ->
          mix.kind() == MixKind.SESSION && any(mix, c -> !c.kind().holdsClips());
      case IN_NO_STEM, IN_TWO_STEMS, STEMS_DIFFER -> !mix.stemSets().isEmpty();
      case HELD_OUT -> output(mix, o -> o.kind() == OutputKind.MINUS || !o.without().isEmpty());
      case MINUS_MISSES ->
          output(mix, o -> o.kind() == OutputKind.MINUS && !o.without().isEmpty())
              && output(mix, o -> o.kind() == OutputKind.MIX);
      case OUTPUT_SILENT ->
          mix.kind() == MixKind.SESSION
              && output(mix, o -> !o.mayBeSilent())
              && any(mix, c -> !c.clips().isEmpty());
      case NAME_DISAGREES ->
          output(mix, o -> o.kind() == OutputKind.STEM || o.kind() == OutputKind.UNDIPPED_STEM);
      case DIP_ON_UNDIPPED ->
          mix.controls().stream().anyMatch(Control::dip)
              && output(mix, o -> o.kind() == OutputKind.UNDIPPED_STEM);
      case DIP_ON_TRACKS -> mix.controls().stream().anyMatch(Control::dip);
      case BUS_GAIN, LAYOUT_MISMATCH ->
          any(mix, c -> c.kind() == ChannelKind.BUS || c.kind() == ChannelKind.MASTER);
      case REFERENCE_HEARD, REFERENCE_PROCESSED -> any(mix, c -> c.kind() == ChannelKind.REFERENCE);
      case RETURN_NOT_WET -> any(mix, c -> c.kind() == ChannelKind.RETURN);
      case SEND_TO_SILENCE -> any(mix, c -> !c.sends().isEmpty());
      case KEY_WITHOUT_SOURCE -> any(mix, c -> c.chain().stream().anyMatch(i -> i.key() != null));
      case POSITION_UNHEARD ->
          any(
              mix,
              c ->
                  !c.position().isInFront()
                      || c.sends().stream().anyMatch(s -> !s.position().isInFront()));
      case LFE_NOT_FILTERED ->
          any(mix, c -> c.lfeDb() != null || c.sends().stream().anyMatch(s -> s.lfeDb() != null));
      case FILE_NAME -> !mix.outputs().isEmpty();
      case NO_DESTINATION, DEPARTS_FROM_MAP -> !mix.categoryMap().saysNothing();
      case DESTINATION_STOWED -> mix.channels().stream().anyMatch(Channel::stowed);
      case TEMPLATE_HOLDS_AUDIO -> mix.kind() == MixKind.TEMPLATE;
      case STAND_IN -> any(mix, c -> c.chain().stream().anyMatch(Insert::on));
      case CLIPS_OVERLAP -> any(mix, c -> c.clips().size() > 1);
      case MIXES_TOGETHER ->
          any(mix, c -> MixesTogether.isFinishedMix(c) && !c.clips().isEmpty())
              && !mix.outputs().isEmpty();
      case SECTION_NOT_KEPT -> !SectionNotKept.sectionsOfBuses(mix).isEmpty();
      case CLIP_OUTSIDE, TAIL_CUT -> any(mix, c -> !c.clips().isEmpty());
    };
  }

  private static boolean any(Mix mix, Predicate<Channel> which) {
    return mix.channels().stream().anyMatch(channel -> !channel.stowed() && which.test(channel));
  }

  private static boolean output(Mix mix, Predicate<Output> which) {
    return mix.outputs().stream().anyMatch(which);
  }
}
