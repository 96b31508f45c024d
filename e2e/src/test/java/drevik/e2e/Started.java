package drevik.e2e;

import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.io.IOException;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** The application and a browser for all tests of a class. */
final class Started implements BeforeAllCallback, AfterAllCallback {
  /** A busy machine is slow, and not wrong. */
  private static final double MILLISECONDS = 20_000;

  private final boolean demo;
  private @Nullable StartedApplication application;
  private @Nullable Browser browser;

  /**
   * @param demo whether it has the demo
   */
  Started(boolean demo) {
    this.demo = demo;
  }

  @Override
  public void beforeAll(ExtensionContext context) throws IOException, InterruptedException {
    application = new StartedApplication(demo);
    PlaywrightAssertions.setDefaultAssertionTimeout(MILLISECONDS);
    browser = new Browser();
  }

  @Override
  public void afterAll(ExtensionContext context) {
    browser().close();
    application().close();
  }

  StartedApplication application() {
    return Objects.requireNonNull(application);
  }

  Browser browser() {
    return Objects.requireNonNull(browser);
  }
}
