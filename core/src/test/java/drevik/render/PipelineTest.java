package drevik.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PipelineTest {
  private static final int BLOCK = 10;
  private static final long FRAMES = 1_995;

  /** Writes the number of the block, after looking whether all that it reads is at that block. */
  private static final class Counting {
    private final List<Counting> sources = new ArrayList<>();
    private final Stage stage = new Stage(this::process);
    private final AtomicInteger atOnce = new AtomicInteger();
    private final Set<String> faults;
    private volatile long wrote = -1;

    Counting(Set<String> faults) {
      this.faults = faults;
    }

    void reads(Counting source) {
      sources.add(source);
      stage.after(source.stage);
    }

    private void process(long at, int frames) {
      long block = at / BLOCK;
      if (atOnce.incrementAndGet() > 1) {
        faults.add("two threads at one stage");
      }
      if (block != wrote + 1 || frames != Math.min(BLOCK, FRAMES - at)) {
        faults.add("block " + block + " after " + wrote + ", " + frames + " frames");
      }
      for (Counting source : sources) {
        if (source.wrote != block) {
          faults.add("block " + block + " reads block " + source.wrote);
        }
      }
      wrote = block;
      atOnce.decrementAndGet();
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 8})
  void everyStageReadsTheBlockThatItIsAt(int threads) {
    Random random = new Random(threads);
    Set<String> faults = ConcurrentHashMap.newKeySet();
    List<Counting> all = new ArrayList<>();
    for (int i = 0; i < 60; i++) {
      Counting next = new Counting(faults);
      for (int k = 0; i > 10 && k < 3; k++) {
        next.reads(all.get(random.nextInt(i)));
      }
      all.add(next);
    }
    List<Double> told = new ArrayList<>();
    pipeline(all).run(Workers.fixed(threads), told::add);
    assertThat(faults).isEmpty();
    assertThat(all).allMatch(one -> one.wrote == (FRAMES - 1) / BLOCK);
    assertThat(told).isSorted().endsWith(1.0);
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 4})
  void whatFailsOnAnyThreadEndsTheRunAndIsThrown(int threads) {
    Counting first = new Counting(ConcurrentHashMap.newKeySet());
    AtomicInteger calls = new AtomicInteger();
    Stage failing =
        new Stage(
            (at, frames) -> {
              if (calls.incrementAndGet() == 50) {
                throw new IllegalStateException("no more disk");
              }
            });
    failing.after(first.stage);
    Pipeline pipeline = new Pipeline(List.of(first.stage, failing), BLOCK, FRAMES);
    assertThatThrownBy(() -> pipeline.run(Workers.fixed(threads), Progress.NONE))
        .hasMessage("no more disk");
    assertThat(calls).hasValue(50);
    assertThat(printThreads()).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 4})
  void aRunThatIsCancelledLeavesNoThreadBehind(int threads) {
    Counting only = new Counting(ConcurrentHashMap.newKeySet());
    Pipeline pipeline = pipeline(List.of(only));
    assertThatThrownBy(() -> pipeline.run(Workers.fixed(threads), share -> share < 0.5))
        .isInstanceOf(PrintCancelled.class);
    assertThat(only.wrote).isBetween(90L, (FRAMES - 1) / BLOCK);
    assertThat(printThreads()).isEmpty();
  }

  /** Blocks that take a while each, and by which threads they were computed. */
  private static Stage slow(Map<Long, String> by) {
    return new Stage(
        (at, frames) -> {
          LockSupport.parkNanos(200_000);
          by.put(at / BLOCK, Thread.currentThread().getName());
        });
  }

  @Test
  void aPrintTakesTheCoresThatOthersLeaveAndGivesThemUp() {
    Map<Long, String> one = new ConcurrentHashMap<>();
    Map<Long, String> other = new ConcurrentHashMap<>();
    AtomicInteger share = new AtomicInteger(1);
    Pipeline pipeline = new Pipeline(List.of(slow(one), slow(other)), BLOCK, FRAMES);
    pipeline.run(
        new Workers(4, share::get),
        done -> {
          share.set(done > 0.3 && done < 0.6 ? 4 : 1);
          return true;
        });
    String lead = Thread.currentThread().getName();
    long last = (FRAMES - 1) / BLOCK;
    assertThat(one).hasSize((int) last + 1);
    Set<String> all = new HashSet<>(one.values());
    all.addAll(other.values());
    assertThat(all).as("others joined").hasSizeGreaterThan(1).contains(lead);
    assertThat(other.get(0L))
        .as("at first there was one: it takes the last stage first")
        .isEqualTo(lead);
    assertThat(one.get(last)).as("at last there was one again").isEqualTo(lead);
  }

  private static Pipeline pipeline(List<Counting> stages) {
    return new Pipeline(stages.stream().map(one -> one.stage).toList(), BLOCK, FRAMES);
  }

  private static Set<String> printThreads() {
    return Thread.getAllStackTraces().keySet().stream()
        .map(Thread::getName)
        .filter(name -> name.startsWith("print-"))
        .collect(Collectors.toSet());
  }

  /** One thread computes what hangs together to its end before it begins something else. */
  @Test
  void progressIsToldAndMayEndTheRunWhileFilesThatHaveNothingInCommonAreComputed() {
    Set<String> faults = ConcurrentHashMap.newKeySet();
    List<Counting> all = new ArrayList<>();
    for (int i = 0; i < 2; i++) {
      Counting channel = new Counting(faults);
      Counting file = new Counting(faults);
      file.reads(channel);
      all.addAll(List.of(channel, file));
    }
    List<Double> told = new ArrayList<>();
    pipeline(all).run(Workers.fixed(1), told::add);
    assertThat(told.get(0)).isLessThan(0.01);
    assertThat(told).isSorted().hasSize(2 * 200).endsWith(1.0);
    List<Counting> others = new ArrayList<>();
    for (int i = 0; i < 2; i++) {
      others.add(new Counting(faults));
    }
    assertThatThrownBy(() -> pipeline(others).run(Workers.fixed(1), done -> false))
        .isInstanceOf(PrintCancelled.class);
    assertThat(others).allMatch(one -> one.wrote < 1);
  }
}
