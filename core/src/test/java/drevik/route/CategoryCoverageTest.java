package drevik.route;

import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import drevik.RandomMix;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.Tap;
import drevik.route.CategoryCoverage.Share;
import drevik.route.Coverage.Cell;
import drevik.route.Coverage.Way;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class CategoryCoverageTest {
  private static Mix band() {
    return mix()
        .seat("voice", "mix", c -> c.withCategory("vocals/lead"))
        .seat("kick", "drums", c -> c.withCategory("drums/kick").withFaderDb(-3))
        .seat("hat", "drums", c -> c.withCategory("drums/hat").withFaderDb(-9))
        .seat("spare", null, c -> c.withCategory("drums/room"))
        .seat("away", "drums", c -> c.withCategory("keys").withStowed(true))
        .bus("drums", "mix")
        .bus("mix", null)
        .output("mix")
        .output("drums")
        .build();
  }

  private static List<CategoryCoverage> of(Mix mix) {
    return CategoryCoverage.of(mix, Coverage.of(mix).cells());
  }

  @Test
  void familiesStandInTheTreesOrderWithTheirSeatsInTheDocuments() {
    assertThat(of(band()))
        .extracting(CategoryCoverage::category, CategoryCoverage::channels)
        .containsExactly(
            tuple("drums", List.of("kick", "hat", "spare")), tuple("vocals", List.of("voice")));
  }

  @Test
  void aShareSaysHowManyArriveAndBetweenWhichGains() {
    List<CategoryCoverage> all = of(band());
    assertThat(all.get(1).shares()).extracting(Share::output).containsExactly("out mix");
    Share drums = all.get(0).shares().get(1);
    assertThat(drums.output()).isEqualTo("out drums");
    assertThat(drums.reached()).isEqualTo(2);
    assertThat(drums.dry()).isEqualTo(2);
    assertThat(drums.parallel()).isZero();
    assertThat(drums.leastDb()).isCloseTo(-9, within(1e-3));
    assertThat(drums.mostDb()).isCloseTo(-3, within(1e-3));
    assertThat(drums.twice()).isZero();
    assertThat(drums.dipped()).isFalse();
  }

  @Test
  void twiceAndDippedAreToldOfACategoryIfOneOfItsSeatsIs() {
    Mix faulty =
        band()
            .mapChannels(
                c ->
                    c.id().equals("hat") ? c.withSends(List.of(send("mix", Tap.POST_FADER, 0))) : c)
            .withControls(List.of(new Control("d", "Dip", -9, List.of("drums"), true)));
    Share share = of(faulty).get(0).shares().get(0);
    assertThat(share.twice()).isEqualTo(1);
    assertThat(share.dipped()).isTrue();
    assertThat(of(faulty).get(1).shares().get(0).dipped()).isFalse();
  }

  @Test
  void whatArrivesByAParallelAloneIsToldFromWhatComesByAReturn() {
    Mix parallel =
        mix()
            .seat("kick", null, c -> c.withSends(List.of(send("squeeze", Tap.PRE_FADER, 0))))
            .bus("squeeze", "mix")
            .bus("mix", null)
            .output("mix")
            .build();
    Share share = of(parallel).get(0).shares().get(0);
    assertThat(share.reached()).isEqualTo(1);
    assertThat(share.dry()).isZero();
    assertThat(share.parallel()).isEqualTo(1);
  }

  @Property(tries = 60)
  void everyCellIsCountedOnce(@ForAll long seed) {
    Mix mix = RandomMix.of(seed);
    List<Cell> cells = Coverage.of(mix).cells();
    Set<String> playing = new HashSet<>();
    List<CategoryCoverage> all = CategoryCoverage.of(mix, cells);
    all.forEach(one -> playing.addAll(one.channels()));
    List<Cell> counted = cells.stream().filter(c -> playing.contains(c.channel())).toList();
    assertThat(all.stream().flatMap(one -> one.shares().stream()).mapToInt(Share::reached).sum())
        .isEqualTo(counted.size());
    assertThat(all.stream().flatMap(one -> one.shares().stream()).mapToInt(Share::dry).sum())
        .isEqualTo((int) counted.stream().filter(c -> c.paths(Way.DRY) > 0).count());
  }
}
