package drevik.check;

import drevik.category.CategoryTree;
import drevik.check.Finding.Severity;
import drevik.dsp.Parameter;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.FreeSeats;
import drevik.edit.KeepClips;
import drevik.edit.RenameChannels;
import drevik.edit.SetCategoryRule;
import drevik.edit.SetChannels;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.MixKind;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.FiguresChange;
import drevik.mix.field.InsertField;
import drevik.mix.field.MapEntryField;
import drevik.mix.field.MixField;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** What a channel is in itself. */
final class ChannelRules {
  private static final String WET = "wet";
  private static final double FULLY = 100;

  private ChannelRules() {}

  static void check(Surveyed survey) {
    sameName(survey);
    survey
        .active()
        .forEach(
            channel -> {
              returnNotWet(survey, channel);
              keyWithoutSource(survey, channel);
              noDestination(survey, channel);
              muted(survey, channel);
              clipOutside(survey, channel);
            });
    survey.mix.channels().forEach(channel -> templateHoldsAudio(survey, channel));
  }

  private static void sameName(Surveyed survey) {
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

  private static String firstFree(Surveyed survey, String name) {
    for (int number = 2; ; number++) {
      String candidate = name.strip() + " " + number;
      if (survey.mix.channels().stream().noneMatch(c -> c.name().equalsIgnoreCase(candidate))) {
        return candidate;
      }
    }
  }

  private static void returnNotWet(Surveyed survey, Channel channel) {
    if (channel.kind() != ChannelKind.RETURN) {
      return;
    }
    for (Insert insert : channel.chain()) {
      Optional<Parameter> wet = wetOf(insert);
      if (!insert.on() || wet.isEmpty()) {
        continue;
      }
      double value = insert.settings().getOrDefault(WET, wet.get().standard());
      if (value < FULLY) {
        survey.report(
            Rule.RETURN_NOT_WET,
            Severity.WRONG,
            List.of(channel.id()),
            String.format(
                Locale.ROOT,
                "The %s of return “%s” is %.0f %% wet.",
                insert.processor(),
                channel.name(),
                value),
            ChangeMix.insert(
                channel.id(),
                insert.id(),
                Changes.none(InsertField.ALL)
                    .and(InsertField.SETTINGS, new FiguresChange(Map.of(WET, FULLY)))));
      }
    }
  }

  private static Optional<Parameter> wetOf(Insert insert) {
    return Processors.byId(insert.processor()).map(ProcessorType::parameters).stream()
        .flatMap(List::stream)
        .filter(parameter -> parameter.id().equals(WET))
        .findFirst();
  }

  private static void keyWithoutSource(Surveyed survey, Channel channel) {
    for (Insert insert : channel.chain()) {
      if (insert.key() != null && !survey.isFed(insert.key().source())) {
        Channel source = survey.channels.get(insert.key().source());
        Edit wake =
            source.stowed() ? new drevik.edit.StowChannels(List.of(source.id()), false) : null;
        survey.report(
            Rule.KEY_WITHOUT_SOURCE,
            Severity.WRONG,
            List.of(channel.id(), source.id()),
            "The "
                + insert.processor()
                + " on “"
                + channel.name()
                + "” listens to “"
                + source.name()
                + (source.stowed() ? "”, which is stowed." : "”, where nothing arrives."),
            wake,
            ChangeMix.insert(channel.id(), insert.id(), InsertField.KEY, null));
      }
    }
  }

  /** Processors of a channel that listen to a source listen to themselves. */
  static Edit withoutKeys(Channel channel, String source) {
    Map<String, Changes<Insert>> keyed = new LinkedHashMap<>();
    channel.chain().stream()
        .filter(insert -> insert.key() != null && insert.key().source().equals(source))
        .forEach(
            insert -> keyed.put(insert.id(), Changes.of(InsertField.ALL, InsertField.KEY, null)));
    return ChangeMix.inserts(channel.id(), keyed);
  }

  private static void noDestination(Surveyed survey, Channel channel) {
    if (channel.kind() == ChannelKind.SEAT
        && survey.map.isUsed()
        && !channel.category().equals(CategoryTree.UNKNOWN)
        && survey.map.destinationOf(channel.category()).isEmpty()) {
      Edit rule =
          channel.output() == null
              ? null
              : new SetCategoryRule(
                  channel.category(),
                  Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, channel.output()));
      survey.report(
          Rule.NO_DESTINATION,
          Severity.NOTE,
          List.of(channel.id()),
          "The category map does not say where “"
              + channel.name()
              + "” ("
              + channel.category()
              + ") goes.",
          rule);
    }
  }

  private static void muted(Surveyed survey, Channel channel) {
    if (channel.mute()) {
      survey.report(
          Rule.MUTED,
          Severity.NOTE,
          List.of(channel.id()),
          "“" + channel.name() + "” is muted.",
          SetChannels.of(List.of(channel.id()), ChannelField.MUTE, false));
    }
  }

  private static void clipOutside(Surveyed survey, Channel channel) {
    Long end = survey.mix.endFrame();
    for (Clip clip : channel.clips()) {
      boolean before = clip.endFrame() <= survey.mix.startFrame();
      boolean behind = end != null && clip.endFrame() > end;
      if (before || behind) {
        double seconds =
            (before
                    ? survey.mix.startFrame() - clip.startFrame()
                    : clip.endFrame() - Math.max(end, clip.startFrame()))
                / (double) survey.mix.sampleRate();
        survey.report(
            Rule.CLIP_OUTSIDE,
            Severity.DOUBTFUL,
            List.of(channel.id()),
            String.format(
                Locale.ROOT,
                "%.1f s of “%s” on “%s” stand %s.",
                seconds,
                clip.audio().name(),
                channel.name(),
                before ? "before the start" : "behind the end"),
            behind ? ChangeMix.of(MixField.END, clip.endFrame()) : null);
        return;
      }
    }
  }

  private static void templateHoldsAudio(Surveyed survey, Channel channel) {
    if (survey.mix.kind() == MixKind.TEMPLATE
        && channel.clips().stream().anyMatch(clip -> !clip.keep())) {
      survey.report(
          Rule.TEMPLATE_HOLDS_AUDIO,
          Severity.WRONG,
          List.of(channel.id()),
          "“"
              + channel.name()
              + "” holds “"
              + channel.clips().get(0).audio().name()
              + "”, and a template holds no audio.",
          new FreeSeats(List.of(channel.id())),
          new KeepClips(List.of(channel.id()), true));
    }
  }
}
