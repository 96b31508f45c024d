package drevik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static drevik.e2e.Pages.button;
import static drevik.e2e.Pages.row;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Keyboard;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import drevik.dsp.Parameter;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;

/** A template from nothing, by keyboard alone; then broken rule by rule, and mended. */
class TemplateTest {
  private static final int LAYOUT = 2;
  private static final int SENT_TO = 4;
  private static final int MUTED = 11;
  private static final int STOWED = 12;

  @RegisterExtension static final Started STARTED = new Started(false);

  @TempDir Path folder;

  private Page page;
  private Keyboard keys;

  private void open(String path) {
    page = STARTED.browser().page(ColorScheme.LIGHT);
    keys = page.keyboard();
    page.navigate(STARTED.application().url(path));
  }

  private void newTemplate() {
    open("/shelf");
    Pages.newTemplate(page);
  }

  private void add(String names, String kind, String layout, String category, String sentTo) {
    keys.press("Escape");
    keys.press("a");
    page.getByLabel("Names").waitFor();
    keys.insertText(names);
    choose(kind);
    choose(layout);
    choose(category);
    choose(sentTo.isEmpty() ? "nowhere" : sentTo);
    keys.press("Control+Enter");
    String first = names.lines().findFirst().orElseThrow().replaceAll(" ?\\[.*", "");
    page.getByRole(AriaRole.OPTION)
        .filter(new Locator.FilterOptions().setHasText(first))
        .first()
        .waitFor();
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
  }

  /**
   * Goes to the next field, a list, and types what is wanted of it. A list forgets what was typed
   * after a second without a letter, which a busy machine takes for one of ours: then it is typed
   * anew.
   */
  private void choose(String wanted) {
    keys.press("Tab");
    Locator list = page.locator("select:focus");
    for (int attempt = 0; attempt < 3; attempt++) {
      keys.type(wanted);
      if (chosenIn(list).toLowerCase(Locale.ROOT).startsWith(wanted.toLowerCase(Locale.ROOT))) {
        return;
      }
      page.waitForTimeout(1500);
    }
    throw new AssertionError("wanted " + wanted + ", and “" + chosenIn(list) + "” is chosen");
  }

  private static String chosenIn(Locator list) {
    return (String) list.evaluate("list => list.selectedOptions[0]?.text ?? ''");
  }

  private void pick(String name) {
    keys.press("/");
    page.getByPlaceholder("Name, kind or layout").waitFor();
    keys.insertText(name);
    keys.press("Enter");
    assertThat(page.getByText("1 channel picked")).isVisible();
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
  }

  /** Presses a key that opens a form. */
  private void ask(String key, String title) {
    keys.press(key);
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(title)).waitFor();
  }

  private void submit(String undo) {
    keys.press("Control+Enter");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    assertThat(page.getByLabel("Undo: " + undo).first()).isVisible();
  }

  /** Tabs to a field by its label. */
  private void tabTo(Locator wanted) {
    for (int i = 0; i < 80; i++) {
      if ((boolean) wanted.evaluate("element => element === document.activeElement")) {
        return;
      }
      keys.press("Tab");
    }
    throw new AssertionError("The keyboard does not reach " + wanted);
  }

  private Locator field(String label) {
    return page.getByRole(AriaRole.DIALOG).getByLabel(label).first();
  }

  private void chain(String channel, String processor) {
    pick(channel);
    ask("i", "Chain of");
    tabTo(button(page, "Add " + processor));
    keys.press("Enter");
    submit("set the chain");
  }

  private void send(String channel, List<String> to, String level) {
    pick(channel);
    ask("s", "Send of");
    for (String destination : to) {
      tabTo(field(destination));
      keys.press(" ");
    }
    tabTo(field("Level, dB"));
    keys.insertText(level);
    submit("set the send");
  }

  private void output(String name, String kind, String from) {
    keys.press("a");
    page.getByText("Must not hold").waitFor();
    keys.insertText(name);
    choose(kind);
    choose(from);
    keys.press("Control+Enter");
    button(page, name).first().waitFor();
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
  }

  /** Writes one cell of the Ledger. */
  private void write(String channel, int column, String text) {
    write(channel, channel, column, text);
  }

  private void write(String filter, String channel, int column, String text) {
    keys.press("4");
    page.getByRole(AriaRole.GRIDCELL).first().waitFor();
    keys.press("/");
    keys.press("Control+a");
    keys.insertText(filter);
    assertThat(page.locator("[data-at='0 0']")).hasText(java.util.regex.Pattern.compile(channel));
    tabTo(page.getByRole(AriaRole.GRID));
    for (int i = 0; i < column; i++) {
      keys.press("ArrowRight");
    }
    if (text.isEmpty()) {
      keys.press("Delete");
    } else {
      keys.press("Enter");
      keys.press("Control+a");
      keys.insertText(text);
      keys.press("Enter");
    }
    keys.press("Escape");
  }

  /** Goes to the line check, sees the finding, mends it, and undoes mend and fault. */
  private void mended(String finding, int faults) {
    keys.press("5");
    Locator says = page.getByText(finding).first();
    assertThat(says).isVisible();
    for (int i = 0;
        i < 30 && !says.locator("xpath=ancestor::li").innerText().contains("Alt 1");
        i++) {
      if (i == 0) {
        tabTo(page.locator("main li a[tabindex='0'], main [aria-expanded][tabindex='0']"));
      }
      keys.press("ArrowDown");
    }
    keys.press("Alt+1");
    assertThat(page.getByText(finding)).hasCount(0);
    for (int i = 0; i < faults + 1; i++) {
      String before = page.getByText("revision").first().innerText();
      keys.press("Control+z");
      assertThat(page.getByText("revision").first()).not().hasText(before);
    }
    assertThat(page.getByText("No findings.")).isVisible();
  }

  private void build() {
    newTemplate();
    add("Master", "master", "stereo", "unknown", "");
    add("Mix", "bus", "stereo", "unknown", "Master");
    add("Band\nVoices\nReturns", "bus", "stereo", "unknown", "Mix");
    add("Drums\nGuitars\nSqueeze", "bus", "stereo", "unknown", "Band");
    add("Kick\nSnare", "seat", "mono", "drums", "Drums");
    add("Guitar [1-2]", "seat", "mono", "guitar", "Guitars");
    add("Lead voice", "seat", "mono", "vocals", "Voices");
    add("Plate\nHall", "return", "stereo", "unknown", "Returns");
    add("Compare", "bus", "stereo", "unknown", "");
    add("Rough", "reference", "stereo", "reference", "Compare");
    assertThat(row(page, "Guitar 2")).isVisible();
    chain("Plate", "reverberation");
    chain("Hall", "reverberation");
    chain("Squeeze", "compressor");
    send("Lead voice", List.of("Plate", "Hall"), "-12");
    send("Kick", List.of("Squeeze"), "0");
    pick("Voices");
    ask("i", "Chain of");
    tabTo(button(page, "Add compressor"));
    keys.press("Enter");
    tabTo(field("Key of compressor"));
    keys.type("Snare");
    submit("set the chain");
    pick("Drums");
    ask("v", "Control");
    tabTo(field("Name"));
    keys.insertText("All shells");
    submit("add the control");
    keys.press("6");
    page.getByText("This Mix prints nothing yet").waitFor();
    output("Master print", "print", "Master");
    output("Clean mix", "mix", "Mix");
    output("Band stem", "stem", "Band");
    output("Voices stem", "stem", "Voices");
    output("Returns stem", "stem", "Returns");
    output("Comparison", "print", "Compare");
    ask("s", "Stem set");
    keys.press("Control+Enter");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    keys.press("5");
    assertThat(page.getByText("No findings.")).isVisible();
  }

  @Test
  void isBuiltByKeyboardAloneAndEveryFaultIsFoundAndMended() {
    build();
    write("Guitar 1", SENT_TO, "");
    mended("“Guitar 1” reaches no output", 1);
    write("Snare", 0, "Kick");
    mended("are both called “Kick”", 1);
    write("Lead voice", SENT_TO, "Mix");
    mended("“Lead voice” is in “Clean mix” and in no stem", 1);
    write("Drums", MUTED, "yes");
    mended("“Drums” is muted", 1);
    write("Drums", STOWED, "yes");
    mended("2 channels (Kick, Snare) are sent to “Drums”, which is stowed", 1);
    write("Snare", STOWED, "yes");
    mended("listens to “Snare”, which is stowed", 1);
    write("Guitars", LAYOUT, "5.1");
    mended("“Guitars” is 5.1 and is folded", 1);
    write("Hall return", "Hall", STOWED, "yes");
    mended("has an open send to “Hall”", 1);
    write("Rough", SENT_TO, "Mix");
    mended("The reference “Rough” is in output", 1);
    keys.press("3");
    row(page, "Kick").waitFor();
    send("Kick", List.of("Mix"), "0");
    mended("“Kick” reaches output “Clean mix” twice", 1);
    keys.press("3");
    row(page, "Kick").waitFor();
    chain("Rough", "true-peak limiter");
    mended("The reference “Rough” passes the chain", 1);
    assertThat(STARTED.browser().errors).isEmpty();
  }

  @Test
  void aBlockFromASpreadsheetIsWrittenWholeOrRefusedWithItsCell() {
    newTemplate();
    add("Bus [1-3]", "bus", "stereo", "unknown", "");
    keys.press("4");
    tabTo(page.getByRole(AriaRole.GRID));
    paste("Drums\tbus\tmono\nBass\tbus\tstereo\n");
    assertThat(page.locator("[data-at='1 0']")).hasText(java.util.regex.Pattern.compile("Bass"));
    assertThat(page.locator("[data-at='0 2']")).hasText("mono");
    paste("Keys\nSynths\nStrings\nToo many\n");
    assertThat(page.getByText("The block has 4 rows")).isVisible();
    paste("Keys\tbus\tround\n");
    assertThat(page.getByText("Row 1 (“Keys”), column “Layout”: there is no layout “round”"))
        .isVisible();
    assertThat(page.locator("[data-at='0 0']")).hasText(java.util.regex.Pattern.compile("Drums"));
  }

  private void paste(String text) {
    page.evaluate(
        "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
            + " document.activeElement.dispatchEvent(new ClipboardEvent('paste',"
            + " { clipboardData: data, bubbles: true, cancelable: true })); }",
        text);
  }

  @Test
  void everySettingOfEveryProcessorIsChangedByKeyboard() {
    newTemplate();
    add("Loud", "bus", "stereo", "unknown", "");
    pick("Loud");
    ask("i", "Chain of");
    for (ProcessorType type : Processors.all()) {
      tabTo(button(page, "Add " + type.label().toLowerCase(java.util.Locale.ROOT)));
      keys.press("Enter");
    }
    submit("set the chain");
    for (ProcessorType type : Processors.all()) {
      Locator processor =
          page.getByRole(AriaRole.COMPLEMENTARY)
              .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(type.label()));
      processor.focus();
      keys.press("Enter");
      page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("What " + type.label()))
          .waitFor();
      for (Parameter parameter : type.parameters()) {
        Locator field = page.getByLabel(type.label() + ": " + parameter.label()).first();
        // “Bell 1” is the start of “Bell 1 gain”, too; it stands before that.
        String before = field.inputValue();
        tabTo(field);
        boolean atMost = parameter.standard() == parameter.most();
        keys.press(parameter.onlyChoices() || atMost ? "ArrowDown" : "ArrowUp");
        assertThat(field).not().hasValue(before);
      }
      processor.focus();
      keys.press("Enter");
    }
    keys.press("Escape");
    long set = Processors.all().stream().mapToLong(type -> type.parameters().size()).sum();
    assertThat(page.getByText("revision " + (set + 3)).first()).isVisible();
    assertThat(STARTED.browser().errors).isEmpty();
  }

  @Test
  void namesAloneMakeARoutedMix() {
    newTemplate();
    keys.press("a");
    page.getByLabel("Names").waitFor();
    keys.insertText("Kick In\nOH [L,R]\nLead vox\nPlate verb\nDrum Bus\nVocal Bus\nMix\nPrint");
    assertThat(page.getByText("seat · mono · drums/overhead → Drum Bus")).hasCount(2);
    assertThat(page.getByText("return · stereo · unknown → Mix")).isVisible();
    submit("create 9 channels");
    keys.press("4");
    assertThat(page.locator("[data-at='1 " + SENT_TO + "']")).hasText("Drum Bus");
    assertThat(page.locator("[data-at='7 " + SENT_TO + "']")).hasText("Print");
    tabTo(page.getByRole(AriaRole.GRID));
    paste("Bass DI\n");
    assertThat(page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName("Bass DI")))
        .containsText("bass");
    assertThat(STARTED.browser().errors).isEmpty();
  }

  @Test
  void aSecondTabSeesAnEditAtOnce() {
    newTemplate();
    Page second = page.context().newPage();
    second.navigate(page.url());
    second.getByText("This Mix has no channels yet").waitFor();
    add("Choir", "bus", "stereo", "vocals", "");
    assertThat(row(second, "Choir")).isVisible();
  }

  @Test
  void aGroupIsFoldedShownAloneAndSeenWithoutItsSeats() {
    newTemplate();
    add("Drums\nVoices", "bus", "stereo", "unknown", "");
    add("Kick\nSnare", "seat", "mono", "drums", "Drums");
    add("Alto", "seat", "mono", "vocals", "Voices");
    pick("Drums");
    keys.press("f");
    assertThat(row(page, "Kick")).isHidden();
    assertThat(page.getByRole(AriaRole.OPTION).filter(hasText("Drums: 2 seats"))).isVisible();
    keys.press("Shift+F");
    assertThat(row(page, "Kick")).isVisible();
    keys.press("e");
    assertThat(page.getByText("Only what leads to “Drums” is shown")).isVisible();
    assertThat(row(page, "Alto")).isHidden();
    keys.press("e");
    assertThat(row(page, "Alto")).isVisible();
    keys.press("u");
    assertThat(page.getByText("Only buses are shown")).isVisible();
    assertThat(row(page, "Alto")).isHidden();
    assertThat(row(page, "Voices")).isVisible();
    assertThat(STARTED.browser().errors).isEmpty();
  }

  @Test
  void aRevisionIsNamedComparedAndGoneBackToByKeyboard() {
    newTemplate();
    add("Choir", "bus", "stereo", "vocals", "");
    add("Brass", "bus", "stereo", "brass", "");
    keys.press("h");
    Locator history = page.getByRole(AriaRole.DIALOG);
    Locator differences =
        history.getByRole(AriaRole.LIST, new Locator.GetByRoleOptions().setName("Differences"));
    assertThat(differences).containsText("added: the bus Brass");
    keys.press("ArrowDown");
    assertThat(differences).containsText("added: the bus Choir");
    tabTo(field("Name of revision 2"));
    keys.insertText("Voices only");
    keys.press("Enter");
    assertThat(history.getByRole(AriaRole.OPTION).filter(hasText("Voices only"))).isVisible();
    tabTo(history.getByLabel("Compare"));
    keys.type("What is different");
    assertThat(differences).containsText("added: the bus Brass");
    tabTo(button(page, "Go to revision 2"));
    keys.press("Enter");
    assertThat(history).isHidden();
    assertThat(row(page, "Brass")).isHidden();
    assertThat(row(page, "Choir")).isVisible();
    assertThat(STARTED.browser().errors).isEmpty();
  }

  private static Locator.FilterOptions hasText(String text) {
    return new Locator.FilterOptions().setHasText(text);
  }

  @Test
  void aBadFileIsRefusedInWordsAndAGoodOneComesBack() throws IOException {
    newTemplate();
    add("Choir", "bus", "stereo", "vocals", "");
    String document =
        page.evaluate(
                "async () => (await fetch(location.pathname.replace('/mixes', '/api/mixes')"
                    + ".replace('/flow', '/document'))).text()")
            .toString();
    keys.press("1");
    Locator file = page.getByLabel("Mix file to read");
    for (String bad :
        List.of(
            "no json",
            "{}",
            "[".repeat(50_000),
            document.replaceFirst("\"version\" : \\d+", "\"version\" : 99"))) {
      file.setInputFiles(Files.writeString(folder.resolve("bad.json"), bad));
      assertThat(
              page.getByText(
                      java.util.regex.Pattern.compile(
                          "no Mix|any Mix|newer Drevik|no readable Mix"))
                  .last())
          .isVisible();
      button(page, "Put away").last().click();
    }
    String hostile = document.replace("New template", "<img src=x onerror=alert(1)>");
    file.setInputFiles(Files.writeString(folder.resolve("good.json"), hostile));
    assertThat(page.getByText("<img src=x onerror=alert(1)>")).isVisible();
  }
}
