package drevik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static drevik.e2e.Pages.button;
import static drevik.e2e.Pages.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.KeyboardModifier;
import com.microsoft.playwright.options.MouseButton;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;

/** The whole path in a real browser, on the demo's real files. */
class WholePathTest {
  @RegisterExtension static final Started STARTED = new Started(true);

  @TempDir Path folder;

  private static Page open(String path, ColorScheme scheme) {
    Page page = STARTED.browser().page(scheme);
    page.navigate(STARTED.application().url(path));
    return page;
  }

  private static List<Path> stems(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(p -> p.toString().endsWith(" stem.wav")).sorted().toList();
    }
  }

  private static Locator player(Page page) {
    return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Player"));
  }

  private static Path named(Path folder, String name) throws IOException {
    try (Stream<Path> files = Files.walk(folder)) {
      return files.filter(file -> file.endsWith(name)).findFirst().orElseThrow();
    }
  }

  /** From now on the page measures what it plays. */
  private static void listen(Page page) {
    page.evaluate(
        """
        () => {
          const play = HTMLMediaElement.prototype.play;
          HTMLMediaElement.prototype.play = function () {
            if (!window.heard) {
              window.heard = this;
              const context = new AudioContext({ sampleRate: 48000 });
              window.analyser = new AnalyserNode(context, { fftSize: 32768 });
              const source = context.createMediaElementSource(this);
              source.connect(window.analyser).connect(context.destination);
              void context.resume();
            }
            return play.call(this);
          };
        }
        """);
  }

  /** What comes out of the page is as loud as the file is there. */
  private static void assertHeard(Page page, Path file) throws IOException {
    List<?> heard =
        (List<?>)
            page.evaluate(
                """
                async () => {
                  await new Promise((then) => setTimeout(then, 2000));
                  const samples = new Float32Array(32768);
                  window.analyser.getFloatTimeDomainData(samples);
                  const power = samples.reduce((sum, x) => sum + x * x, 0) / samples.length;
                  return [window.heard.currentTime, 10 * Math.log10(power)];
                }
                """);
    double at = ((Number) heard.get(0)).doubleValue();
    double level = ((Number) heard.get(1)).doubleValue();
    double seconds = 32768 / 48_000.0;
    assertThat(at).isGreaterThan(seconds);
    assertThat(level).isCloseTo(Audio.rmsDbfs(file, at - seconds, at), within(1.5));
  }

  @Test
  void fromATemplateToProvenStems() throws IOException {
    Page page = open("/", ColorScheme.LIGHT);
    startSession(page, "Second take");

    page.getByLabel("Folder to receive").setInputFiles(STARTED.application().demoDelivery());
    page.getByText("36 files received.").waitFor();
    Locator doubtful =
        page.getByRole(AriaRole.OPTION)
            .filter(new Locator.FilterOptions().setHasText("Audio 23_01"));
    assertThat(doubtful).containsText("unknown");
    assertThat(page.getByText("stereo that is mono twice")).isVisible();

    button(page, "Seat 33 files").waitFor();
    page.keyboard().press("p");
    Locator nextTake = page.locator("[data-seat=backing-1]");
    assertThat(nextTake).containsText("stowed, nothing came");
    page.getByRole(AriaRole.OPTION)
        .filter(new Locator.FilterOptions().setHasText("Choir S.wav"))
        .focus();
    page.keyboard().press("g");
    page.getByPlaceholder("Seat or bus").waitFor();
    page.keyboard().type("backing 1");
    page.keyboard().press("Enter");
    assertThat(nextTake).containsText("Choir S");
    page.keyboard().press("b");
    assertThat(nextTake).containsText("stowed, nothing came");
    page.keyboard().press("r");
    assertThat(page.getByText("36 files received, 5 with findings.")).isVisible();
    page.keyboard().press("f");
    listen(page);
    Locator upright =
        page.getByRole(AriaRole.OPTION)
            .filter(new Locator.FilterOptions().setHasText("UprBass DI.wav"));
    upright.focus();
    page.keyboard().press("q");
    assertHeard(page, named(STARTED.application().demoDelivery(), "UprBass DI.wav"));
    page.keyboard().press("ArrowDown");
    assertThat(player(page)).not().containsText("UprBass DI.wav");
    assertThat(player(page)).containsText("Pause");
    page.keyboard().press("s");
    assertThat(row(page, "KIK IN")).isVisible();
    assertThat(page.getByLabel("Undo: seat 33 files")).isVisible();

    page.keyboard().press("2");
    page.getByText("Set start and end").waitFor();
    page.keyboard().press("t");
    assertThat(page.getByText("Set start and end")).isHidden();
    Path first = Prints.print(page, 11, folder.resolve("first"));
    List<Path> stems = stems(first);
    assertThat(stems).hasSize(9);
    assertThat(Audio.residualDbfs(first.resolve("Mix.wav"), stems)).isLessThan(-120);
    assertThat(Audio.peakDbfs(first.resolve("Master.wav"))).isBetween(-3.0, -1.0);
    button(page, "Mix").first().focus();
    page.keyboard().press("q");
    assertThat(player(page)).containsText("Mix.wav");
    page.getByLabel("Where it plays").fill("20");
    assertHeard(page, first.resolve("Mix.wav"));
    button(page, "Put away").click();

    // Where is the kick? Mute it, print again, and see which stems are no longer the same bits.
    page.keyboard().press("3");
    row(page, "KIK IN").click();
    row(page, "KIK OUT")
        .click(
            new Locator.ClickOptions()
                .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.CONTROL)));
    assertThat(page.getByText("2 channels picked")).isVisible();
    page.keyboard().press("m");
    assertThat(page.getByLabel("Undo: mute 2 channels")).isVisible();
    Path second = Prints.printAgain(page, folder.resolve("second"));
    for (Path stem : stems) {
      boolean same = Files.mismatch(stem, second.resolve(stem.getFileName())) == -1;
      assertThat(same).as(stem.toString()).isEqualTo(!stem.endsWith("Drums stem.wav"));
    }
    assertThat(STARTED.browser().errors).isEmpty();
  }

  @Test
  void theFlowIsWorkedByKeyboardAlone() {
    Page page = open("/shelf", ColorScheme.DARK);
    Locator session =
        page.getByRole(
            AriaRole.LINK, new Page.GetByRoleOptions().setName("Weathervane").setExact(true));
    session.focus();
    page.keyboard().press("Enter");
    row(page, "HiHat").waitFor();
    String last = lastStep(page);
    page.keyboard().press("/");
    page.getByPlaceholder("Name, kind or layout").waitFor();
    page.keyboard().type("hat");
    page.keyboard().press("Enter");
    assertThat(page.getByText("1 channel picked")).isVisible();
    row(page, "HiHat").focus();
    page.keyboard().press("Shift+ArrowDown");
    assertThat(page.getByText("2 channels picked")).isVisible();
    page.keyboard().press("o");
    page.getByPlaceholder("Destination").waitFor();
    page.keyboard().type("perc");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Undo: send 2 channels to “Percussion”")).isVisible();
    assertThat(page.getByText("pinned by hand")).isVisible();
    page.reload();
    assertThat(page.getByText("2 channels picked")).isVisible();
    row(page, "HiHat").focus();
    page.keyboard().press("ArrowRight");
    assertThat(row(page, "Percussion")).isFocused();
    page.keyboard().press("Control+z");
    assertThat(page.getByLabel(last)).isVisible();
    page.keyboard().press("Control+k");
    page.getByPlaceholder("What do you want to do?").waitFor();
    page.keyboard().type("redo");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Undo: send 2 channels")).isVisible();
    page.keyboard().press("Control+z");
    page.keyboard().press("Escape");
    assertThat(page.getByText("Nothing picked")).isVisible();
    page.keyboard().press("?");
    assertThat(page.getByText("Keys of this place").last()).isVisible();
  }

  @Test
  void aLoopIsRefusedWhereItIsAskedFor() {
    Page page = open("/shelf", ColorScheme.LIGHT);
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Weathervane").setExact(true))
        .click();
    row(page, "Mix").first().click();
    String last = lastStep(page);
    assertThat(page.getByText("1 channel picked")).isVisible();
    page.keyboard().press("o");
    page.getByPlaceholder("Destination").waitFor();
    page.keyboard().type("drums");
    page.keyboard().press("Enter");
    assertThat(page.getByText("close a loop")).containsText("Mix");
    assertThat(page.getByLabel(last)).isVisible();
  }

  /** What the button would undo: other tests may have changed the session, and changed it back. */
  private static String lastStep(Page page) {
    return button(page, "Undo: ").getAttribute("aria-label");
  }

  @Test
  void axeFindsNothingInAnyPlaceOrDialog() {
    Page page = open("/shelf", ColorScheme.LIGHT);
    Locator session =
        page.getByRole(
            AriaRole.LINK, new Page.GetByRoleOptions().setName("Weathervane").setExact(true));
    session.waitFor();
    page.evaluate(AxeBuilder.getAxeScript());
    check(page, "shelf");
    dialogs(page, "shelf", List.of("l", "s"));
    session.click();
    row(page, "KIK IN").waitFor();
    check(page, "flow");
    dialogs(
        page, "anywhere", List.of("Control+k", "F1", "?", "h", "j", "Shift+V", "a", "t", "b", "/"));
    row(page, "LdVox comp").click();
    button(page, "Equaliser").click();
    page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("What Equaliser does"))
        .waitFor();
    page.keyboard().press("q");
    player(page).waitFor();
    check(page, "open processor and player");
    button(page, "Put away").click();
    row(page, "KIK IN").click();
    row(page, "KIK OUT")
        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
    check(page, "channel sheet");
    dialogs(
        page,
        "flow",
        List.of(
            "o", "k", "c", "n", "s", "i", "l", "v", "y", "g", "r", "Shift+B", "Shift+S",
            "Shift+C"));
    row(page, "KIK IN").click(new Locator.ClickOptions().setButton(MouseButton.RIGHT));
    page.getByRole(AriaRole.MENU).waitFor();
    check(page, "menu of a row", "[role=menu]");
    page.keyboard().press("Escape");
    page.getByRole(AriaRole.MENU)
        .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
    page.keyboard().press("m");
    page.getByRole(AriaRole.STATUS).getByText("Mute").waitFor();
    page.keyboard().press("5");
    page.getByText("worked out anew at every edit").waitFor();
    check(page, "line check with findings");
    // Keys act on a finding once somebody has gone to it.
    page.locator("main [aria-expanded][tabindex='0'], main li a[tabindex='0']").first().focus();
    dialogs(page, "line check", List.of("m"));
    page.keyboard().press("Control+z");
    page.getByText("No findings").waitFor();
    check(page, "line check without");
    page.keyboard().press("2");
    page.getByText("01_KIK IN.wav").first().waitFor();
    check(page, "intake");
    dialogs(page, "intake", List.of("w"));
    page.keyboard().press("p");
    page.locator("[data-seat=out]").waitFor();
    check(page, "seating plan");
    dialogs(page, "seating plan", List.of("n"));
    page.keyboard().press("r");
    page.getByText("Everything that arrived").waitFor();
    check(page, "report");
    page.keyboard().press("6");
    button(page, "Print 11").waitFor();
    page.getByRole(AriaRole.ROWHEADER).first().waitFor();
    check(page, "delivery sheet");
    dialogs(page, "delivery sheet", List.of("a", "s"));
    page.keyboard().press("4");
    page.getByRole(AriaRole.GRIDCELL).first().waitFor();
    check(page, "ledger");
    dialogs(page, "ledger", List.of("g", "c"));
    page.keyboard().press("7");
    page.getByRole(AriaRole.TEXTBOX).waitFor();
    check(page, "outline");
    page.getByRole(AriaRole.TEXTBOX).fill("Mix\n  Kick >Nowhere");
    page.getByText("One place cannot be read").waitFor();
    check(page, "outline that cannot be read");
    button(page, "Start over").click();
    page.keyboard().press("Escape");
    page.keyboard().press("Tab");
    page.keyboard().press("8");
    map(page);
    check(page, "map");
    page.keyboard().press("Escape");
    dialogs(page, "map", List.of("n", "m"));
    assertThat(found).isEmpty();
  }

  /** The category map, with what a change of it would do. */
  private static void map(Page page) {
    page.getByRole(AriaRole.GRID).getByRole(AriaRole.GRIDCELL).nth(1).click();
    page.keyboard().press("Enter");
    page.keyboard().press("Control+a");
    page.keyboard().type("Percussion");
    page.keyboard().press("Enter");
    page.getByText("of the coverage").waitFor();
  }

  /** What axe has found so far, where and how. */
  private final List<String> found = new ArrayList<>();

  private void dialogs(Page page, String where, List<String> keys) {
    for (String key : keys) {
      page.keyboard().press(key);
      page.getByRole(AriaRole.DIALOG).waitFor();
      check(page, key + " in " + where, "[role=dialog]");
      page.keyboard().press("Escape");
      page.getByRole(AriaRole.DIALOG)
          .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
    }
  }

  /**
   * Texts that end at an edge that is not theirs, and neither say so nor are told whole in a hint.
   */
  private static final String CUT =
      """
      () => {
        const cut = [];
        const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        while (texts.nextNode()) {
          const text = texts.currentNode;
          if (!text.textContent.trim() || text.parentElement.closest('.sr-only, option, script')) {
            continue;
          }
          const range = document.createRange();
          range.selectNodeContents(text);
          const box = range.getBoundingClientRect();
          let says = false;
          for (let at = text.parentElement; at && box.width > 0; at = at.parentElement) {
            const style = getComputedStyle(at);
            says ||= style.textOverflow === 'ellipsis' && at.closest('[data-hint]') !== null;
            if (style.overflowX === 'auto' || style.overflowX === 'scroll') {
              break;
            }
            const edge = at.getBoundingClientRect();
            if (style.overflowX !== 'visible' && edge.width > 1
                && (box.right > edge.right + 1.5 || box.left < edge.left - 1.5)) {
              if (!says) {
                cut.push(text.textContent.trim());
              }
              break;
            }
          }
        }
        return cut;
      }
      """;

  @Test
  void noTextIsCutWithoutAnEllipsisAndAHint() {
    Page page = open("/shelf", ColorScheme.LIGHT);
    page.getByText("Weathervane").first().waitFor();
    List<?> ids =
        (List<?>)
            page.evaluate(
                "fetch('/api/mixes').then(a => a.json()).then(all => all.map(m => m.id))");
    assertThat(ids).hasSizeGreaterThan(8);
    for (Object id : ids) {
      page.navigate(STARTED.application().url("/mixes/" + id + "/flow"));
      for (String place : List.of("3", "4", "5", "6", "7")) {
        page.keyboard().press(place);
        page.locator("main h1").waitFor();
        for (int width : new int[] {1280, 1024}) {
          page.setViewportSize(width, 800);
          page.waitForTimeout(150);
          assertThat((List<?>) page.evaluate(CUT))
              .as("%s at %d, place %s", id, width, place)
              .isEmpty();
        }
      }
    }
  }

  /** What depends on a page's size, and what on its colours: each is asked where it may differ. */
  private enum Rules {
    ALL,
    OF_SIZE,
    OF_COLOUR
  }

  /** How a page is looked at. */
  private record Look(int width, String theme, Rules rules) {}

  private static final List<Look> LOOKS =
      List.of(
          new Look(390, "night", Rules.OF_SIZE),
          new Look(1024, "day", Rules.OF_SIZE),
          new Look(1280, "night", Rules.OF_COLOUR),
          new Look(1280, "day", Rules.ALL));

  /** A dialog looks the same on pages of nearly the same width. */
  private static final List<Look> LOOKS_OF_A_DIALOG =
      List.of(new Look(390, "night", Rules.ALL), new Look(1280, "day", Rules.ALL));

  private void check(Page page, String where) {
    check(page, where, "body");
  }

  private void check(Page page, String where, String part) {
    // Pointing at a row dims the others: colours are judged at rest.
    page.mouse().move(1270, 790);
    for (Look look : part.equals("body") ? LOOKS : LOOKS_OF_A_DIALOG) {
      page.setViewportSize(look.width(), 800);
      page.evaluate("theme => (document.documentElement.dataset.theme = theme)", look.theme());
      // What follows the width is laid out behind the frame that tells of it.
      page.waitForTimeout(60);
      for (Object one : (List<?>) page.evaluate(AXE, List.of(part, look.rules().name()))) {
        found.add(where + ", " + look + ": " + one);
      }
    }
  }

  /**
   * Rules of WCAG 2.2 AA and best practice. Rows of the Flow are as low as it takes to see all of
   * them; the Ledger has the same ones higher.
   */
  private static final String AXE =
      """
      async ([part, which]) => {
        const options = which === 'OF_COLOUR'
          ? { runOnly: ['color-contrast'] }
          : {
              rules: {
                'target-size': { enabled: true },
                'color-contrast': { enabled: which === 'ALL' },
              },
            };
        const found = await axe.run(part, { resultTypes: ['violations'], ...options });
        return found.violations.flatMap(({ id, nodes }) =>
          nodes
            .map(node => node.html)
            .filter(html => id !== 'target-size' || !html.includes('data-row='))
            .map(html => id + ' ' + html.slice(0, 300)));
      }
      """;

  /** Makes docs/screenshots: {@code mvn … -Ddrevik.shots=true}. */
  @Test
  @EnabledIfSystemProperty(named = "drevik.shots", matches = "true")
  void pictures() {
    for (ColorScheme scheme : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
      String theme = scheme == ColorScheme.LIGHT ? "day" : "night";
      Page page = open("/shelf", scheme);
      Locator session =
          page.getByRole(
              AriaRole.LINK, new Page.GetByRoleOptions().setName("Weathervane").setExact(true));
      session.waitFor();
      picture(page, "shelf-" + theme);
      session.click();
      row(page, "KIK IN").waitFor();
      picture(page, "flow-" + theme);
      row(page, "LdVox comp").click();
      picture(page, "flow-picked-" + theme);
      page.keyboard().press("o");
      page.getByPlaceholder("Destination").waitFor();
      if (scheme == ColorScheme.LIGHT) {
        picture(page, "send-to-" + theme);
      }
      page.keyboard().press("Escape");
      page.keyboard().press("2");
      page.getByText("01_KIK IN.wav").first().waitFor();
      picture(page, "intake-" + theme);
      page.keyboard().press("r");
      page.getByText("Everything that arrived").waitFor();
      if (scheme == ColorScheme.LIGHT) {
        picture(page, "report-" + theme);
      }
      page.keyboard().press("6");
      button(page, "Print 11").click();
      // Another run may be shown until this one has begun.
      page.waitForURL(java.util.regex.Pattern.compile("print="));
      assertThat(page.getByText("Stems add up to the mix"))
          .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(90_000));
      picture(page, "delivery-sheet-" + theme);
      page.keyboard().press("4");
      page.getByRole(AriaRole.GRIDCELL).first().waitFor();
      picture(page, "ledger-" + theme);
      if (scheme == ColorScheme.LIGHT) {
        page.keyboard().press("Escape");
        page.keyboard().press("5");
        page.getByText("Only a print shows").waitFor();
        picture(page, "line-check-" + theme);
      }
      page.keyboard().press("h");
      page.getByLabel("Name of revision").waitFor();
      if (scheme == ColorScheme.LIGHT) {
        picture(page, "history-" + theme);
        page.keyboard().press("Escape");
        page.keyboard().press("7");
        page.getByRole(AriaRole.TEXTBOX).waitFor();
        page.getByText("LdVox comp").first().click();
        picture(page, "outline-" + theme);
        page.keyboard().press("Escape");
        page.keyboard().press("Tab");
        page.keyboard().press("8");
        map(page);
        picture(page, "map-" + theme);
      }
      page.close();
      seatingPlan(scheme, theme);
    }
  }

  private void seatingPlan(ColorScheme scheme, String theme) {
    Page page = open("/shelf", scheme);
    startSession(page, "Weathervane, " + theme);
    page.getByLabel("Folder to receive").setInputFiles(STARTED.application().demoDelivery());
    page.getByText("36 files received.").waitFor();
    button(page, "Seat 33 files").waitFor();
    button(page, "Put away").click();
    page.keyboard().press("p");
    page.getByRole(AriaRole.OPTION)
        .filter(new Locator.FilterOptions().setHasText("LdVox_comp.wav"))
        .focus();
    if (scheme == ColorScheme.LIGHT) {
      picture(page, "seating-plan-" + theme);
    }
    page.close();
  }

  private static void startSession(Page page, String name) {
    page.getByRole(AriaRole.LISTITEM)
        .filter(new Locator.FilterOptions().setHasText("Band of eight"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Start a session"))
        .click();
    page.getByLabel("Name of the song or programme").fill(name);
    page.keyboard().press("Enter");
    assertThat(page.getByText("Drop the delivered files")).isVisible();
  }

  private static void picture(Page page, String name) {
    page.mouse().move(1000, 700);
    page.waitForTimeout(500);
    Path file = Path.of("../docs/screenshots", name + ".png");
    page.screenshot(new Page.ScreenshotOptions().setPath(file));
    assertThat(file).isNotEmptyFile();
  }
}
