package drevik.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Debian's Chromium, 1280 by 800, in which nothing fades. Errors in a page's console are collected.
 */
final class Browser implements AutoCloseable {
  private final Playwright playwright;
  private final com.microsoft.playwright.Browser browser;
  final List<String> errors = new ArrayList<>();

  Browser() {
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(
                        List.of(
                            "--no-sandbox", "--disable-gpu", "--disable-background-networking")));
  }

  Page page(ColorScheme scheme) {
    BrowserContext context =
        browser.newContext(
            new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(1280, 800)
                .setAcceptDownloads(true)
                .setReducedMotion(ReducedMotion.REDUCE)
                .setColorScheme(scheme));
    Page page = context.newPage();
    page.setDefaultTimeout(30_000);
    page.onPageError(errors::add);
    page.onConsoleMessage(
        message -> {
          if (message.type().equals("error") && !message.text().contains("422")) {
            errors.add(message.text());
          }
        });
    return page;
  }

  void closePages() {
    List.copyOf(browser.contexts()).forEach(BrowserContext::close);
  }

  @Override
  public void close() {
    playwright.close();
  }
}
