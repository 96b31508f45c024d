package drevik.bench;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;

/**
 * How long pages take in Chromium with a Mix of 1,000 channels: the Ledger drawn, filtered, walked;
 * the effect of a word in the Map that moves all seats, and that carried out; and the first load of
 * the Flow over a line of 10 Mb/s and 40 ms, with nothing kept.
 */
final class PageBench {
  private static final int CHANNELS = Size.of(1000, 100);
  private static final int RUNS = Size.runs(11);
  private static final int STEPS = Size.runs(20);
  private static final int SETTLING_MILLISECONDS = 1500;
  private static final int RATE = 48_000;
  private static final int HEARD_SECONDS = Size.of(350, 100);
  private static final double BYTES_PER_SECOND = 10e6 / 8;
  private static final int LATENCY_MILLISECONDS = 40;

  /** Milliseconds from doing something until what it shows stands in a frame. */
  private static final String TIMED =
      """
      window.timed = (act, shown) => new Promise((done) => {
        const from = performance.now();
        const look = () =>
          shown()
            ? requestAnimationFrame(() => setTimeout(() => done(performance.now() - from), 0))
            : setTimeout(look, 1);
        act();
        look();
      });
      """;

  /**
   * Milliseconds from the start of the load to the frame in which the first row stands; noted by
   * the page itself, as asking it takes time of its own.
   */
  private static final String DRAWN =
      """
      window.drawn = new Promise((done) => {
        new MutationObserver((_, observer) => {
          if (document.querySelector('[role=gridcell], [data-row]')) {
            observer.disconnect();
            requestAnimationFrame(() => setTimeout(() => done(performance.now()), 0));
          }
        }).observe(document, { childList: true, subtree: true });
      });
      """;

  private static final String FILTERED =
      """
      () => {
        const field = document.querySelector('main input');
        const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
        const before = document.querySelector('[aria-live]').textContent;
        return timed(
          () => {
            set.call(field, field.value ? '' : '7');
            field.dispatchEvent(new Event('input', { bubbles: true }));
          },
          () => document.querySelector('[aria-live]').textContent !== before);
      }
      """;

  private static final String WALKED =
      """
      () => {
        const grid = document.querySelector('[role=grid]');
        const at = () => grid.getAttribute('aria-activedescendant');
        const before = at();
        return timed(
          () => grid.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true })),
          () => at() !== before);
      }
      """;

  /** From the key that ends a word in the Map to what it would do. */
  private static final String FORETOLD =
      """
      () => timed(
        () => document.querySelector('[role=grid] input').dispatchEvent(
          new KeyboardEvent('keydown', { key: 'Enter', bubbles: true })),
        () => /channels change/.test(
          document.querySelector('[aria-label="What it would do"]').textContent));
      """;

  private static final String CARRIED_OUT =
      """
      () => timed(
        () => [...document.querySelectorAll('button')]
          .find((one) => one.textContent === 'Carry out').click(),
        () => /Write into the map/.test(
          document.querySelector('[aria-label="What it would do"]').textContent));
      """;

  /** Milliseconds from the key or the jump until the player says so. */
  private static final String HEARD =
      """
      const { play } = HTMLMediaElement.prototype;
      let asked = 0;
      const told = new Map();
      for (const event of ['keydown', 'input']) {
        addEventListener(event, () => (asked = performance.now()), true);
      }
      HTMLMediaElement.prototype.play = function () {
        for (const event of ['playing', 'seeked']) {
          this.addEventListener(event, () => told.get(event)?.(performance.now() - asked));
        }
        return play.call(this);
      };
      window.sounds = (event) => new Promise((done) => told.set(event, done));
      """;

  private PageBench() {}

  /** What is done on the same machine: an application that is reached by it alone. */
  static void here(URI application) throws IOException, InterruptedException {
    StartedServer server = new StartedServer(application);
    String id = server.create(LargeMix.of(CHANNELS));
    String heard = delivered(server);
    inChromium(
        browser -> {
          ledger(server, id, browser);
          map(server, id, browser);
          listening(server, heard, browser);
        });
  }

  /**
   * What comes over a line: an application that serves others too, and so packs what it answers.
   */
  static void overALine(URI application) throws IOException, InterruptedException {
    StartedServer server = new StartedServer(application);
    String id = server.create(LargeMix.of(64));
    inChromium(browser -> firstLoad(server, id, browser));
  }

  private static void inChromium(Consumer<Browser> measured) {
    try (Playwright playwright = Playwright.create();
        Browser browser = StartedServer.chromium(playwright)) {
      measured.accept(browser);
    }
  }

  private static void ledger(StartedServer server, String id, Browser browser) {
    double[] drawn = new double[RUNS];
    double[] filtered = new double[STEPS];
    double[] walked = new double[STEPS];
    int nodes = 0;
    for (int i = 0; i < RUNS; i++) {
      try (Page page = page(browser)) {
        page.navigate(server.url("/mixes/" + id + "/ledger"));
        drawn[i] = number(page.evaluate("drawn"));
        // What this page still reads is not the next one's.
        page.waitForTimeout(SETTLING_MILLISECONDS);
        for (int k = 0; i == RUNS - 1 && k < STEPS; k++) {
          filtered[k] = number(page.evaluate(FILTERED));
          walked[k] = number(page.evaluate(WALKED));
        }
        nodes = (int) number(page.evaluate("document.querySelectorAll('*').length"));
      }
    }
    System.out.printf(
        Locale.ROOT,
        "ledger: %d channels: first drawn in %.0f ms, filtered in %.0f ms, an arrow in %.0f ms (medians), %d nodes%n",
        CHANNELS,
        StartedServer.median(drawn),
        StartedServer.median(filtered),
        StartedServer.median(walked),
        nodes);
  }

  /** A word in the Map that sends every seat elsewhere. */
  private static void map(StartedServer server, String id, Browser browser) {
    double[] foretold = new double[RUNS];
    double[] carriedOut = new double[RUNS];
    try (Page page = page(browser)) {
      page.navigate(server.url("/mixes/" + id + "/map"));
      page.locator("#map-0-0").waitFor();
      for (int i = 0; i < RUNS; i++) {
        page.waitForTimeout(SETTLING_MILLISECONDS);
        page.locator("#map-0-0").click();
        page.keyboard().press("Enter");
        page.keyboard().press("Control+a");
        page.keyboard().type("Group " + (1 + i % 2));
        foretold[i] = number(page.evaluate(FORETOLD));
        page.waitForTimeout(SETTLING_MILLISECONDS);
        carriedOut[i] = number(page.evaluate(CARRIED_OUT));
      }
    }
    double first = foretold[0];
    System.out.printf(
        Locale.ROOT,
        "map: %d channels: the effect of a word stands after %.0f ms (the first %.0f ms), carried out after %.0f ms (medians)%n",
        CHANNELS,
        StartedServer.median(foretold),
        first,
        StartedServer.median(carriedOut));
  }

  /** The id of a session to which a file of 100 MB was delivered. */
  private static String delivered(StartedServer server) throws IOException, InterruptedException {
    Path file = Files.createTempFile("drevik-bench", ".wav");
    try {
      try (WavWriter writer =
          WavWriter.create(file, SampleFormat.PCM_24, RATE, drevik.audio.Layout.STEREO)) {
        Random random = new Random(1);
        float[][] second = new float[2][RATE];
        for (int i = 0; i < HEARD_SECONDS; i++) {
          for (float[] channel : second) {
            for (int k = 0; k < RATE; k++) {
              channel[k] = (float) (0.1 * random.nextGaussian());
            }
          }
          writer.write(second, 0, RATE);
        }
      }
      String template = server.create(LargeMix.of(64));
      String session =
          server.made(
              "/api/mixes/sessions", "{\"template\":\"" + template + "\",\"name\":\"Heard\"}");
      String delivery = server.made("/api/mixes/" + session + "/deliveries", "{\"name\":\"One\"}");
      server.upload(delivery, "Noise.wav", file);
      return session;
    } finally {
      Files.delete(file);
    }
  }

  /** From the key to the first sound, and from a jump to the sound there. */
  private static void listening(StartedServer server, String session, Browser browser) {
    double[] first = new double[RUNS];
    double[] sought = new double[RUNS];
    for (int i = 0; i < RUNS; i++) {
      try (Page page = page(browser)) {
        page.addInitScript(HEARD);
        page.navigate(server.url("/mixes/" + session + "/intake"));
        page.locator("[data-waveform]").first().waitFor();
        page.waitForTimeout(SETTLING_MILLISECONDS);
        page.evaluate("void (window.heard = sounds('playing'))");
        page.keyboard().press("q");
        first[i] = number(page.evaluate("heard"));
        page.waitForTimeout(SETTLING_MILLISECONDS);
        page.evaluate("void (window.heard = sounds('seeked'))");
        page.getByLabel("Where it plays").fill(Integer.toString(50 + 20 * i));
        sought[i] = number(page.evaluate("heard"));
      }
    }
    System.out.printf(
        Locale.ROOT,
        "listening: a file of %d MB: first sound after %.0f ms, a jump in it after %.0f ms (medians)%n",
        HEARD_SECONDS * RATE * 6 / 1_000_000,
        StartedServer.median(first),
        StartedServer.median(sought));
  }

  private static void firstLoad(StartedServer server, String id, Browser browser) {
    double[] drawn = new double[RUNS];
    AtomicLong bytes = new AtomicLong();
    for (int i = 0; i < RUNS; i++) {
      try (Page page = page(browser)) {
        CDPSession session = page.context().newCDPSession(page);
        session.send("Network.enable");
        JsonObject line = new JsonObject();
        line.addProperty("offline", false);
        line.addProperty("latency", LATENCY_MILLISECONDS);
        line.addProperty("downloadThroughput", BYTES_PER_SECOND);
        line.addProperty("uploadThroughput", BYTES_PER_SECOND);
        session.send("Network.emulateNetworkConditions", line);
        bytes.set(0);
        session.on(
            "Network.loadingFinished",
            event -> bytes.addAndGet(event.get("encodedDataLength").getAsLong()));
        page.navigate(server.url("/mixes/" + id + "/flow"));
        drawn[i] = number(page.evaluate("drawn"));
        // What this page still reads is not the next one's.
        page.waitForTimeout(SETTLING_MILLISECONDS);
      }
    }
    System.out.printf(
        Locale.ROOT,
        "first load at 10 Mb/s and %d ms: the Flow of 64 seats stands after %.0f ms (median), %.0f kB over the wire%n",
        LATENCY_MILLISECONDS,
        StartedServer.median(drawn),
        bytes.get() / 1e3);
  }

  private static Page page(Browser browser) {
    Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
    page.addInitScript(TIMED);
    page.addInitScript(DRAWN);
    return page;
  }

  private static double number(Object value) {
    return ((Number) value).doubleValue();
  }
}
