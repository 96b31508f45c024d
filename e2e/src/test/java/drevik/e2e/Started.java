package drevik.e2e;

import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.io.IOException;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ExtensionContext.Store;

/**
 * The application, and a browser for all tests of a class. There are two applications in a run, one
 * with the demo and one without: a start takes longer than most tests. Who changes the demo's
 * sessions takes it back.
 */
final class Started implements BeforeAllCallback, AfterEachCallback, AfterAllCallback {
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
    Store ofTheRun = context.getRoot().getStore(Namespace.create(Started.class));
    application = ofTheRun.get(demo, StartedApplication.class);
    if (application == null) {
      application = new StartedApplication(demo);
      // Closed by JUnit behind the last test.
      ofTheRun.put(demo, application);
    }
    PlaywrightAssertions.setDefaultAssertionTimeout(MILLISECONDS);
  }

  /** A page that nobody looks at any more still listens, asks and draws. */
  @Override
  public void afterEach(ExtensionContext context) {
    if (browser != null) {
      browser.closePages();
    }
  }

  @Override
  public void afterAll(ExtensionContext context) {
    if (browser != null) {
      browser.close();
    }
  }

  StartedApplication application() {
    return Objects.requireNonNull(application);
  }

  Browser browser() {
    if (browser == null) {
      browser = new Browser();
    }
    return browser;
  }
}
