package drevik.check;

import drevik.category.CategoryTree;
import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.Together;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Output;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.ClipField;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Finished mixes that sound at the same time in one file, as songs on one mastering chain do. */
final class MixesTogether implements LineCheckRule {
  /** A seat that plays such a mix. */
  static boolean isFinishedMix(Channel channel) {
    return channel.kind() == ChannelKind.SEAT
        && CategoryTree.isWithin(channel.category(), "print")
        && !CategoryTree.isWithin(channel.category(), "print/stem")
        && !CategoryTree.isWithin(channel.category(), "print/return");
  }

  @Override
  public void check(Survey survey) {
    List<Channel> mixes = survey.active().filter(MixesTogether::isFinishedMix).toList();
    Set<List<String>> said = new HashSet<>();
    for (Output output : survey.mix.outputs()) {
      List<Channel> heard =
          mixes.stream().filter(one -> survey.now.reaches(one.id(), output.id())).toList();
      List<String> together = new ArrayList<>();
      heard.stream()
          .filter(
              one ->
                  heard.stream()
                      .anyMatch(other -> !one.id().equals(other.id()) && overlap(one, other)))
          .forEach(one -> together.add(one.id()));
      // The same mixes in five files are one mistake.
      if (!together.isEmpty() && said.add(together)) {
        survey.report(
            Rule.MIXES_TOGETHER,
            Severity.DOUBTFUL,
            survey.chiefFirst(together, output.id()),
            survey.names(together)
                + " are finished mixes, and sound at the same time in “"
                + output.name()
                + "”; let one begin where the other ends, or give each its own chain and file.",
            inTurn(survey, together));
      }
    }
  }

  /** Each begins where the one before it ends, as they stand in the Mix. */
  private static Edit inTurn(Survey survey, List<String> ids) {
    List<Edit> moves = new ArrayList<>();
    long end = 0;
    for (String id : ids) {
      List<Clip> clips = survey.channel(id).clips();
      long start = clips.stream().mapToLong(Clip::startFrame).min().orElseThrow();
      long later = Math.max(0, end - start);
      end = later + clips.stream().mapToLong(Clip::endFrame).max().orElseThrow();
      if (later > 0) {
        Map<String, Changes<Clip>> moved = new LinkedHashMap<>();
        clips.forEach(
            clip ->
                moved.put(
                    clip.id(),
                    Changes.of(ClipField.ALL, ClipField.START, clip.startFrame() + later)));
        moves.add(
            ChangeMix.channel(id, Changes.ofMembers(ChannelField.ALL, ChannelField.CLIPS, moved)));
      }
    }
    return new Together(moves, "play " + survey.names(ids) + " one after the other");
  }

  private static boolean overlap(Channel one, Channel other) {
    return one.clips().stream()
        .anyMatch(
            a ->
                other.clips().stream()
                    .anyMatch(b -> a.startFrame() < b.endFrame() && b.startFrame() < a.endFrame()));
  }
}
