package drevik.check;

import drevik.category.CategoryTree;
import drevik.check.Finding.Severity;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Output;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
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
          .filter(one -> heard.stream().anyMatch(other -> one != other && overlap(one, other)))
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
                + "”; let one begin where the other ends, or give each its own chain and file.");
      }
    }
  }

  private static boolean overlap(Channel one, Channel other) {
    return one.clips().stream()
        .anyMatch(
            a ->
                other.clips().stream()
                    .anyMatch(b -> a.startFrame() < b.endFrame() && b.startFrame() < a.endFrame()));
  }
}
