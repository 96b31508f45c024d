package drevik.server.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import drevik.server.web.BoundedBodies.Length;
import drevik.server.web.BoundedBodies.Pace;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;

/** How long a body may be, and how slow. */
class BoundedBodiesTest {
  private final AtomicLong seconds = new AtomicLong();

  private Pace pace() {
    return new Pace(() -> seconds.get() * 1_000_000_000L, 30);
  }

  @Test
  void aBodyThatDripsIsEndedAfterSomePatience() {
    Pace pace = pace();
    assertThatCode(
            () -> {
              for (int i = 0; i < 30; i++) {
                seconds.incrementAndGet();
                pace.read(1);
              }
            })
        .doesNotThrowAnyException();
    seconds.incrementAndGet();
    BadBody ended = catchThrowableOfType(BadBody.class, () -> pace.read(1));
    assertThat(ended.status()).isEqualTo(HttpStatus.REQUEST_TIMEOUT);
    assertThat(ended).hasMessageContaining("less than 2,000 bytes a second");
  }

  @Test
  void aBodyThatComesAtAPlainPaceMayTakeHours() {
    Pace pace = pace();
    assertThatCode(
            () -> {
              for (int i = 0; i < 7200; i++) {
                seconds.incrementAndGet();
                pace.read(20_000);
              }
            })
        .doesNotThrowAnyException();
  }

  @Test
  void aDocumentMayBeJustAsLongAsItMay() {
    Length length = new Length(1_000);
    assertThatCode(() -> length.read(1_000)).doesNotThrowAnyException();
    assertThatCode(() -> length.read(-1)).as("the end").doesNotThrowAnyException();
    BadBody ended = catchThrowableOfType(BadBody.class, () -> length.read(1));
    assertThat(ended.status()).isEqualTo(HttpStatus.CONTENT_TOO_LARGE);
  }
}
