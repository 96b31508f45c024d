package drevik.check;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.RandomMix;
import drevik.codec.Documents;
import drevik.edit.Edit;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.StemSet;
import drevik.route.Coverage;
import drevik.route.SignalGraph;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** What holds of every finding, whatever the Mix. */
class LineCheckPropertyTest {
  private static Mix mix(long seed) {
    Mix mix = RandomMix.of(seed);
    StemSet set = new StemSet("set", "Stems", "out 0", List.of("out 1"));
    return seed % 2 == 0 ? mix.withStemSets(List.of(set)) : mix;
  }

  @Property(tries = 200)
  void findingsPointAtWhatIsThereAndSayItInASentence(@ForAll long seed) {
    Mix mix = mix(seed);
    Set<String> known = new HashSet<>(mix.channelsById().keySet());
    mix.outputs().forEach(output -> known.add(output.id()));
    for (Finding finding : LineCheck.of(mix)) {
      assertThat(known).containsAll(finding.where());
      assertThat(finding.says()).endsWith(".").doesNotContain("null");
      assertThat(finding.rule().why()).endsWith(".");
    }
    assertThat(LineCheck.of(mix)).isEqualTo(LineCheck.of(mix));
  }

  @Property(tries = 200)
  void everyMendCanBeAppliedAndKeptAndTakesItsFindingAway(@ForAll long seed) {
    Mix mix = mix(seed);
    for (Finding finding : LineCheck.of(mix)) {
      for (Finding.Mend mend : finding.mends()) {
        Mix mended;
        try {
          mended = mend.edit().applyTo(mix);
        } catch (Refused e) {
          // A mend may be refused for a reason of its own, such as a loop; then it says so.
          assertThat(e.getMessage()).isNotBlank();
          continue;
        }
        assertThat(SignalGraph.of(mended).fault()).isEmpty();
        assertThat(Documents.readForeign(Documents.writeMix(mended))).isEqualTo(mended);
        String json = Documents.mapper().writerFor(Edit.class).writeValueAsString(mend.edit());
        assertThat(Documents.mapper().readValue(json, Edit.class)).isEqualTo(mend.edit());
        assertThat(LineCheck.of(mended))
            .as("%s by %s", finding.says(), mend.label())
            .noneMatch(left -> left.says().equals(finding.says()));
      }
    }
  }

  @Property(tries = 200)
  void asManyPathsAreSpelledOutAsAreCounted(@ForAll long seed) {
    Mix mix = mix(seed);
    Coverage coverage = Coverage.of(mix);
    for (Channel channel : mix.channels()) {
      for (Output output : mix.outputs()) {
        Coverage.Cell cell = coverage.cell(channel.id(), output.id());
        List<List<String>> paths = coverage.paths(channel.id(), output.id(), 1000);
        assertThat((long) paths.size()).isEqualTo(cell == null ? 0 : cell.count());
        assertThat(paths)
            .allMatch(
                path ->
                    path.get(0).equals(channel.id())
                        && path.get(path.size() - 1).equals(output.channel()));
      }
    }
  }

  @Property(tries = 100)
  void whatIsHeardNowIsWiredToo(@ForAll long seed) {
    Mix mix = mix(seed);
    Coverage now = Coverage.of(mix);
    Coverage wired = Coverage.of(mix, Coverage.View.WIRED);
    for (Coverage.Cell cell : now.cells()) {
      assertThat(wired.reaches(cell.channel(), cell.output())).isTrue();
      assertThat(wired.cell(cell.channel(), cell.output()).count())
          .isGreaterThanOrEqualTo(cell.count());
    }
  }
}
