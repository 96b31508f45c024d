package drevik.server.mix;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.util.Collections;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionSynchronizationManager;

class RecentRevisionsTest {
  private final RecentRevisions recent = new RecentRevisions();
  private final AtomicInteger read = new AtomicInteger();

  @BeforeEach
  void readOnly() {
    TransactionSynchronizationManager.setCurrentTransactionReadOnly(true);
  }

  @AfterEach
  void clear() {
    TransactionSynchronizationManager.setCurrentTransactionReadOnly(false);
  }

  private void ask(int number, int channels) {
    recent.get(
        "mix",
        number,
        () -> {
          read.incrementAndGet();
          Channel one = Channel.of("a", ChannelKind.BUS, "A", Layout.STEREO, "unknown");
          return Mix.empty(MixKind.SESSION, "Test")
              .withChannels(Collections.nCopies(channels, one));
        });
  }

  @Test
  void theNewestOfManyLargeOnesAreKept() {
    for (int number = 1; number <= 100; number++) {
      ask(number, 3_000);
      ask(number, 3_000);
    }
    assertThat(read).hasValue(100);
    ask(99, 3_000);
    assertThat(read).hasValue(100);
    ask(1, 3_000);
    assertThat(read).as("the eldest had to go").hasValue(101);
  }

  @Test
  void oneThatIsLargerThanAllIsKeptForAsLongAsItIsTheNewest() {
    ask(1, 100_000);
    ask(1, 100_000);
    assertThat(read).hasValue(1);
  }

  @Test
  void whatIsReadWithinAChangeIsNotKept() {
    TransactionSynchronizationManager.setCurrentTransactionReadOnly(false);
    ask(1, 1);
    ask(1, 1);
    assertThat(read).hasValue(2);
  }
}
