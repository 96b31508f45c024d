package drevik.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.io.IOException;
import java.net.URI;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * How long an edit takes as a Mix grows: over HTTP and the database, from request to whole answer;
 * and in Chromium, from the key to the frame that shows it. And how long the Flow takes from an
 * empty page to its first frame.
 */
final class EditBench {
  private static final int[] SIZES = Size.sizes(100, 300, 1000, 3000);
  private static final int WARM_UP = Size.runs(40);
  private static final int EDITS = Size.runs(100);
  private static final int DRAWS = Size.runs(5);
  private static final int REDRAWS = Size.runs(15);

  /**
   * Notes when the first row stands in a frame; and when the picked row's name changes its look.
   */
  private static final String WATCH =
      """
      window.afterFrame = (then) => requestAnimationFrame(() => setTimeout(then, 0));
      window.drawn = new Promise((done) => {
        const look = () =>
          document.querySelector('[data-row="seat-0"]')
            ? afterFrame(() => done(performance.now()))
            : setTimeout(look, 2);
        look();
      });
      """;

  private static final String MUTE =
      """
      () => new Promise((done) => {
        const row = document.querySelector('[data-row="seat-0"]');
        const muted = () => row.querySelector('.line-through') !== null;
        const before = muted();
        const from = performance.now();
        const look = () =>
          muted() === before
            ? setTimeout(look, 1)
            : window.afterFrame(() => {
                const edits = performance.getEntriesByType('resource')
                  .filter((one) => one.name.endsWith('/edits'));
                const answered = edits[edits.length - 1].responseEnd;
                done([performance.now() - from, performance.now() - answered]);
              });
        row.dispatchEvent(new KeyboardEvent('keydown', { key: 'm', bubbles: true }));
        look();
      })
      """;

  private final StartedServer server;

  private EditBench(StartedServer server) {
    this.server = server;
  }

  static void run(URI application) throws IOException, InterruptedException {
    EditBench bench = new EditBench(new StartedServer(application));
    for (int size : SIZES) {
      bench.overHttp(size, bench.server.create(LargeMix.of(size)));
    }
    try (Playwright playwright = Playwright.create();
        Browser browser = StartedServer.chromium(playwright)) {
      for (int size : SIZES) {
        bench.inChromium(size, bench.server.create(LargeMix.of(size)), browser);
      }
    }
  }

  private void overHttp(int size, String id) throws IOException, InterruptedException {
    double[] times = new double[EDITS];
    long bytes = 0;
    for (int i = -WARM_UP; i < EDITS; i++) {
      String edit =
          "{\"edit\":\"set-channels\",\"channels\":[\"seat-%d\"],\"set\":{\"faderDb\":%d}}"
              .formatted((i + WARM_UP) % 50, -1 - (i + WARM_UP) % 40);
      String request =
          "{\"id\":\"bench-%1$d\",\"basedOn\":%1$d,\"edit\":%2$s}".formatted(i + WARM_UP + 1, edit);
      long began = System.nanoTime();
      String answer = server.post("/api/mixes/" + id + "/edits", request);
      if (i >= 0) {
        times[i] = (System.nanoTime() - began) / 1e6;
        bytes = answer.length();
      }
    }
    Arrays.sort(times);
    System.out.printf(
        Locale.ROOT,
        "edit: %d channels: answered over HTTP in %.0f ms (median), %.0f ms (95th percentile of %d), %.0f kB%n",
        size,
        times[EDITS / 2],
        times[EDITS * 95 / 100],
        EDITS,
        bytes / 1e3);
  }

  private void inChromium(int size, String id, Browser browser) {
    double[] drawn = new double[DRAWS];
    double[] redrawn = new double[REDRAWS];
    double[] afterAnswer = new double[REDRAWS];
    for (int i = 0; i < DRAWS; i++) {
      try (Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800))) {
        page.addInitScript(WATCH);
        page.navigate(server.url("/mixes/" + id + "/flow?picked=seat-0"));
        // The page forbids what waiting for an expression would evaluate in it.
        drawn[i] = ((Number) page.evaluate("() => window.drawn")).doubleValue();
        if (i == DRAWS - 1) {
          for (int k = -5; k < REDRAWS; k++) {
            List<?> times = (List<?>) page.evaluate(MUTE);
            if (k >= 0) {
              redrawn[k] = ((Number) times.get(0)).doubleValue();
              afterAnswer[k] = ((Number) times.get(1)).doubleValue();
            }
          }
        }
      }
    }
    System.out.printf(
        Locale.ROOT,
        "flow: %d channels: first drawn in %.0f ms, an edit redrawn in %.0f ms, of which %.0f ms after the answer (medians)%n",
        size,
        StartedServer.median(drawn),
        StartedServer.median(redrawn),
        StartedServer.median(afterAnswer));
  }
}
