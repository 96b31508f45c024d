package drevik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static drevik.e2e.Pages.row;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Keyboard;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/**
 * What is typed is not lost: by keyboard alone, with a server that is gone, refuses, or is slow.
 */
class InTheHandTest {
  private static final String API = "**/api/**";

  @RegisterExtension static final Started STARTED = new Started(false);

  private Page page;
  private Keyboard keys;

  /** How requests are answered, while the way through this test is taken. */
  private Consumer<Route> answers = Route::resume;

  @BeforeEach
  void newTemplate() {
    page = STARTED.browser().page(ColorScheme.LIGHT);
    keys = page.keyboard();
    page.navigate(STARTED.application().url("/shelf"));
    Pages.newTemplate(page);
  }

  private void add(String names, String kind) {
    keys.press("a");
    dialogField("Names").waitFor();
    keys.insertText(names);
    keys.press("Tab");
    keys.type(kind);
    keys.press("Control+Enter");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
  }

  private Locator dialogField(String label) {
    return page.getByRole(AriaRole.DIALOG).getByLabel(label).first();
  }

  private Locator current() {
    String cell = page.getByRole(AriaRole.GRID).getAttribute("aria-activedescendant");
    return page.locator("[id='" + cell + "']");
  }

  @Test
  void fiftyCellsOfTheLedgerAreWrittenWithoutAMouse() {
    add("Track [1-50]", "seat");
    keys.press("4");
    page.getByRole(AriaRole.GRIDCELL).first().waitFor();
    // The filter hands the keyboard on to the table.
    keys.press("/");
    keys.press("Enter");
    assertThat(page.getByRole(AriaRole.GRID)).isFocused();
    int fader =
        page.getByRole(AriaRole.COLUMNHEADER).allInnerTexts().stream()
            .map(text -> text.replaceAll("\\s+", " ").strip())
            .toList()
            .indexOf("Fader dB");
    for (int i = 0; i < fader; i++) {
      keys.press("ArrowRight");
    }
    for (int i = 0; i < 50; i++) {
      keys.type("-" + i % 20);
      keys.press("Enter");
    }
    assertThat(page.getByRole(AriaRole.GRID)).isFocused();
    assertThat(current()).hasText("−9");
    assertThat(page.getByText("revision 52")).isVisible();
    for (int i = 0; i < 40; i++) {
      keys.press("ArrowUp");
    }
    assertThat(current()).hasText("−9");
    // Sorted by figures, not by how they are written.
    page.getByRole(AriaRole.COLUMNHEADER)
        .filter(new Locator.FilterOptions().setHasText("Fader"))
        .getByRole(AriaRole.BUTTON)
        .click();
    assertThat(page.locator("[data-at='0 " + fader + "']")).hasText("−19");
    assertThat(page.locator("[data-at='4 " + fader + "']")).hasText("−17");
    assertThat(page).hasURL(Pattern.compile("sort=faderDb"));
    page.reload();
    assertThat(page.locator("[data-at='0 " + fader + "']")).hasText("−19");
  }

  /** A form, how it is opened, and a field of it. */
  private record Form(String key, String title, Locator field, String typed) {}

  @Test
  void noFormLosesWhatWasTyped() {
    add("Kick\nSnare", "seat");
    add("Plate", "return");
    row(page, "Kick").click();
    // Once, and long before the first request that matters: a page that is busy lets what it asks
    // next go past a way that was only just laid.
    page.route(API, route -> answers.accept(route));
    List<Form> ofTheFlow =
        List.of(
            new Form("a", "Add channels", dialogField("Names"), "Tom [1-3]"),
            new Form(
                "n",
                "Rename",
                page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.TEXTBOX).first(),
                "Kick in"),
            new Form("v", "Control", dialogField("Name"), "Shells"),
            new Form("t", "Rate, tempo, start, end", dialogField("Tempo, bpm"), "92.5"),
            new Form("j", "Name and describe", dialogField("Name"), "Weather"));
    for (Form form : ofTheFlow) {
      keepsWhatWasTyped(form);
    }
    keys.press("6");
    page.getByText("Add an output").waitFor();
    keepsWhatWasTyped(new Form("a", "Add an output", dialogField("Name"), "Mix"));
  }

  private void keepsWhatWasTyped(Form form) {
    keys.press(form.key());
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(form.title())).waitFor();
    form.field().fill(form.typed());
    Locator alert = page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.ALERT);

    answers = Route::abort;
    keys.press("Control+Enter");
    assertThat(alert).containsText("Drevik cannot be reached");
    assertThat(form.field()).hasValue(form.typed());
    assertThat(page.getByText("Not connected")).isVisible();
    answers = Route::resume;
    assertThat(page.getByText("Not connected")).isHidden();

    answers =
        toChanges(
            route ->
                route.fulfill(
                    new Route.FulfillOptions()
                        .setStatus(422)
                        .setContentType("application/problem+json")
                        .setBody("{\"detail\":\"Refused, to try it.\"}")));
    keys.press("Control+Enter");
    assertThat(alert).hasText("Refused, to try it.");
    assertThat(form.field()).hasValue(form.typed());

    List<Route> waiting = new ArrayList<>();
    answers = toChanges(waiting::add);
    keys.press("Control+Enter");
    assertThat(page.getByRole(AriaRole.DIALOG).getByText("Saving…")).isVisible();
    assertThat(form.field()).hasValue(form.typed());
    // Once, however often it is asked.
    keys.press("Control+Enter");
    page.waitForTimeout(200);
    assertThat(waiting).hasSize(1);
    waiting.forEach(Route::resume);
    answers = Route::resume;
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
  }

  /** Answers what changes something; what only asks goes to the server. */
  private static Consumer<Route> toChanges(Consumer<Route> answer) {
    return route -> {
      if (route.request().method().equals("GET")) {
        route.resume();
      } else {
        answer.accept(route);
      }
    };
  }

  @Test
  void numbersAreUnderstoodWholeAndArrowsAddUp() {
    add("Kick", "seat");
    row(page, "Kick").click();
    Locator fader = page.getByLabel("Fader in dB");
    fader.fill("3 or so");
    keys.press("Enter");
    assertThat(
            page.getByRole(AriaRole.ALERT)
                .filter(new Locator.FilterOptions().setHasText("3 or so")))
        .isVisible();
    assertThat(fader).hasValue("3 or so");
    fader.fill("-2,5 dB");
    keys.press("Enter");
    assertThat(fader).hasValue("−2.5");
    Locator pan = page.getByLabel("Pan, from left to right");
    pan.fill("28 left");
    keys.press("Enter");
    assertThat(pan).hasValue("28 left");
    assertThat(page.getByText("revision 4")).isVisible();
    fader.focus();
    for (int i = 0; i < 20; i++) {
      keys.press("ArrowDown");
    }
    assertThat(fader).hasValue("−12.5");
    assertThat(page.getByText("revision 5")).isVisible();
    page.reload();
    assertThat(page.getByLabel("Fader in dB")).hasValue("−12.5");
    assertThat(page.getByText("revision 5")).isVisible();
    assertThat(page).hasTitle("Flow · New template · Drevik");
  }

  @Test
  void backClosesAWindowAndThenLeavesThePicks() {
    add("Kick\nSnare", "seat");
    row(page, "Kick").click();
    assertThat(page.getByText("1 channel picked")).isVisible();
    keys.press("n");
    assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
    page.goBack();
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    assertThat(page.getByText("1 channel picked")).isVisible();
    page.goBack();
    assertThat(page.getByText("Nothing picked")).isVisible();
    // The place has the keyboard after a change of place.
    keys.press("4");
    page.getByRole(AriaRole.GRID).waitFor();
    keys.press("3");
    row(page, "Kick").waitFor();
    assertThat((String) page.evaluate("document.activeElement.tagName")).isNotEqualTo("BODY");
  }

  @Test
  void allOfALargeMixIsPickedAndStaysPicked() {
    add("Track [1-400]", "seat");
    row(page, "Track 1").waitFor();
    keys.press("Control+a");
    assertThat(page.getByText("400 channels picked")).isVisible();
    assertThat(page.url().length()).isLessThan(300);
    page.reload();
    assertThat(page.getByText("400 channels picked")).isVisible();
  }
}
