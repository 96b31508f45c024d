package drevik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static drevik.e2e.Pages.button;
import static drevik.e2e.Pages.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Keyboard;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;

/** A template that is typed as text, by keyboard alone; then filled, printed and set otherwise. */
class OutlineTest {
  private static final String TEMPLATE =
      """
      Master =Print @print
        Mix =Full
          Band Bus =Band
            Drum Bus &Rhythm
              Kick [In,Out] >>Drum Squeeze
              Snare [Top,Btm] >>Drum Squeeze
              Hat
              Tom [1-4]
              OH [L,R]
              Room [L,R]
            Drum Squeeze :bus
            Bass Bus ^Drum Bus &Rhythm
              Bass [DI,Amp]
            Gtr Bus
              Ac Gtr [1-4]
              El Gtr [1-6]
            Keys Bus
              Piano [L,R]
              Organ :stereo
              Synth Pad [1-3] :stereo
          Vox Bus =Vox
            Lead Vox [1-2] >Plate + Hall @-12
            BV [1-7] >Plate @-15
            Choir [S,A,T,B]
          FX Bus =FX
            Plate
            Hall
            Riser [1-2]
      Compare :bus =Compare @print
        Rough mix
      """;

  private static final int RATE = 48_000;
  private static final int SECONDS = 3;

  /** Seconds. */
  private static final double CLICK = 1;

  @RegisterExtension static final Started STARTED = new Started(false);

  @TempDir Path folder;

  private Page page;
  private Keyboard keys;

  @BeforeEach
  void newTemplate() {
    page = STARTED.browser().page(ColorScheme.LIGHT);
    keys = page.keyboard();
    page.navigate(STARTED.application().url("/shelf"));
    Pages.newTemplate(page);
    keys.press("7");
    text().waitFor();
    for (int i = 0; i < 40 && !isInText(); i++) {
      keys.press("Tab");
    }
    assertThat(text()).isFocused();
  }

  private Locator text() {
    return page.getByRole(AriaRole.TEXTBOX);
  }

  private boolean isInText() {
    return (boolean) text().evaluate("element => element === document.activeElement");
  }

  /** As a person types it: indented by Tab, taken back by Shift and Tab. */
  private void type(String outline) {
    int depth = 0;
    for (String line : outline.lines().toList()) {
      int wanted = (line.length() - line.stripLeading().length()) / 2;
      for (; depth < wanted; depth++) {
        keys.press("Tab");
      }
      for (; depth > wanted; depth--) {
        keys.press("Shift+Tab");
      }
      keys.type(line.strip());
      keys.press("Enter");
    }
  }

  private void make(int revision) {
    assertThat(button(page, "Make it")).isEnabled();
    keys.press("Control+Enter");
    assertThat(page.getByText("revision " + revision).first()).isVisible();
  }

  /** Puts the caret behind a text that stands once. */
  private void goTo(String wanted) {
    keys.press("Control+Home");
    for (int i = 0; i < 80; i++) {
      if (page.locator(".cm-activeLine").first().innerText().contains(wanted)) {
        keys.press("End");
        return;
      }
      keys.press("ArrowDown");
    }
    throw new AssertionError("no line “" + wanted + "”");
  }

  @Test
  void sixtyChannelsAreTypedChangedCheckedFilledAndPrinted() throws IOException {
    type(TEMPLATE);
    assertThat(page.getByText("Would add 60 channels")).isVisible();
    assertThat(row(page, "Drum Squeeze")).isVisible();
    make(2);
    keys.press("Escape");
    keys.press("Tab");
    keys.press("5");
    // Two returns have no processor yet, and open sends.
    assertThat(page.getByText("its chain is empty")).hasCount(2);

    keys.press("7");
    assertThat(text()).containsText("Kick Out");
    text().focus();
    goTo("Choir B");
    keys.press("Backspace");
    keys.type("Bass >Hall @-9");
    goTo("Riser 2");
    keys.press("Alt+ArrowUp");
    goTo("Synth Pad 3");
    keys.press("Shift+Tab");
    keys.press("Enter");
    keys.type("Clav");
    assertThat(page.getByText("Would add the channel “Clav”")).isVisible();
    page.getByText("What is different").click();
    assertThat(page.getByText("Choir Bass, name: Choir B → Choir Bass")).isVisible();
    assertThat(page.getByText("Synth Pad 3, sent to: Keys Bus → Band Bus")).isVisible();
    text().focus();
    make(3);
    assertThat(text()).containsText("Choir Bass >Hall @-9");
    keys.press("Escape");
    keys.press("Tab");
    keys.press("5");
    assertThat(page.getByText("its chain is empty")).hasCount(2);
    printAndSet();
    assertThat(STARTED.browser().errors).isEmpty();
  }

  private void printAndSet() throws IOException {
    keys.press("j");
    page.getByRole(AriaRole.DIALOG).getByLabel("Name").first().fill("Typed template");
    keys.press("Control+Enter");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    keys.press("1");
    page.getByRole(AriaRole.LISTITEM)
        .filter(new Locator.FilterOptions().setHasText("Typed template"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Start a session"))
        .first()
        .click();
    page.getByLabel("Name of the song or programme").fill("Typed");
    keys.press("Enter");
    assertThat(page.getByText("Drop the delivered files")).isVisible();
    Path delivery = folder.resolve("delivery");
    tone(delivery.resolve("Lead Vox 1.wav"), 1_000);
    tone(delivery.resolve("Bass DI.wav"), 100);
    click(delivery.resolve("Snare Top.wav"));
    page.getByLabel("Folder to receive").setInputFiles(delivery);
    button(page, "Seat 3 files").waitFor();
    keys.press("s");
    // Seated, one is taken to the Flow.
    assertThat(row(page, "Bass DI")).isVisible();
    keys.press("2");
    page.getByText("Set start and end").waitFor();
    keys.press("t");
    assertThat(page.getByText("Set start and end")).isHidden();
    Path plain = Prints.print(page, 6, folder.resolve("plain"));
    List<Path> stems =
        Stream.of("Band", "Vox", "FX").map(name -> plain.resolve(name + ".wav")).toList();
    assertThat(Audio.residualDbfs(plain.resolve("Full.wav"), stems)).isLessThan(-120);
    assertThat(Audio.rmsDbfs(plain.resolve("Vox.wav"), 1, 2)).isBetween(-25.0, -10.0);

    process("Vox Bus", "equaliser", "Bell 1", "1k", "Bell 1 gain", "6");
    process("Master", "true-peak limiter", "Ceiling", "-20");
    // A beat at 120 bpm.
    process("Drum Bus", "tempo delay", "Length", "1");
    Path set = Prints.printAgain(page, folder.resolve("set"));
    assertThat(Audio.rmsDbfs(set.resolve("Vox.wav"), 1, 2))
        .isCloseTo(Audio.rmsDbfs(plain.resolve("Vox.wav"), 1, 2) + 6, within(0.05));
    assertThat(Audio.peakDbfs(set.resolve("Print.wav"))).isBetween(-21.0, -19.9);
    assertThat(Audio.peakDbfs(plain.resolve("Print.wav"))).isGreaterThan(-15);
    assertThat(Audio.steepestIn(plain.resolve("Band.wav"), CLICK + 0.4, CLICK + 0.6).rise())
        .isLessThan(0.01);
    Audio.Steepest echo = Audio.steepestIn(set.resolve("Band.wav"), CLICK + 0.4, CLICK + 0.6);
    assertThat(echo.rise()).isGreaterThan(0.02);
    assertThat(echo.seconds()).isCloseTo(CLICK + 0.5, within(0.002));
  }

  /** Puts a processor on a channel and types its settings. */
  private void process(String channel, String processor, String... settings) {
    keys.press("3");
    row(page, channel).waitFor();
    keys.press("Escape");
    keys.press("/");
    page.getByPlaceholder("Name, kind or layout").waitFor();
    keys.insertText(channel);
    keys.press("Enter");
    assertThat(page.getByText("1 channel picked")).isVisible();
    keys.press("i");
    button(page, "Add " + processor).focus();
    keys.press("Enter");
    keys.press("Control+Enter");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    Locator sheet = page.getByRole(AriaRole.COMPLEMENTARY);
    sheet
        .getByRole(
            AriaRole.BUTTON,
            new Locator.GetByRoleOptions()
                .setName(Pattern.compile(processor, Pattern.CASE_INSENSITIVE)))
        .first()
        .press("Enter");
    for (int i = 0; i < settings.length; i += 2) {
      Locator field =
          page.getByRole(
              AriaRole.TEXTBOX,
              new Page.GetByRoleOptions().setName(Pattern.compile(": " + settings[i] + " in ")));
      Locator revision = page.getByText(Pattern.compile("revision \\d+")).first();
      String before = revision.innerText();
      field.first().focus();
      keys.press("Control+a");
      keys.insertText(settings[i + 1]);
      keys.press("Enter");
      assertThat(revision).not().hasText(before);
    }
    keys.press("Escape");
  }

  /** −12 dBFS. */
  private static void tone(Path file, double hertz) throws IOException {
    float[][] audio = new float[1][RATE * SECONDS];
    for (int i = 0; i < audio[0].length; i++) {
      audio[0][i] = (float) (0.25 * Math.sin(2 * Math.PI * hertz * i / RATE));
    }
    write(file, audio);
  }

  /** A short burst in silence. */
  private static void click(Path file) throws IOException {
    float[][] audio = new float[1][RATE * SECONDS];
    Arrays.fill(audio[0], (int) (CLICK * RATE), (int) (CLICK * RATE) + 24, 0.3f);
    write(file, audio);
  }

  private static void write(Path file, float[][] audio) throws IOException {
    Files.createDirectories(file.getParent());
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, RATE, Layout.MONO)) {
      writer.write(audio, 0, audio[0].length);
    }
  }

  @Test
  void whatIsWrongStandsAtItsLineAndADraftOutlivesAReload() {
    type("Mix\n  Kick >Plate\n");
    assertThat(page.getByText("One place cannot be read")).isVisible();
    assertThat(button(page, "Make it")).isDisabled();
    assertThat(button(page, "Line 2")).containsText("There is no line “Plate”");
    page.reload();
    assertThat(text()).containsText("Kick >Plate");
    button(page, "Line 2").focus();
    keys.press("Enter");
    assertThat(text()).isFocused();
    keys.press("Control+End");
    keys.type("Plate");
    assertThat(page.getByText("Would add 3 channels")).isVisible();
    make(2);
    keys.press("Control+Home");
    keys.press("End");
    keys.type(" :");
    assertThat(page.getByRole(AriaRole.LISTBOX).filter(hasText("7.1.4"))).isVisible();
    keys.type("qu");
    // What has just been offered is not taken by a key that was on its way.
    page.waitForTimeout(200);
    keys.press("Enter");
    assertThat(text()).containsText("Mix :quad");
    make(3);
    assertThat(STARTED.browser().errors).isEmpty();
  }

  private static Locator.FilterOptions hasText(String text) {
    return new Locator.FilterOptions().setHasText(text);
  }

  @Test
  void aListOfStageInputsIsPasted() {
    type("Stage Bus\n");
    keys.press("Tab");
    page.evaluate(
        "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
            + " document.activeElement.dispatchEvent(new ClipboardEvent('paste',"
            + " { clipboardData: data, bubbles: true, cancelable: true })); }",
        "1\tKick\tB91\n2\tSnare\tC57\n3\tLead vox\tM58\n");
    assertThat(page.getByText("left out: column 1 (1, …), column 3 (B91, …)")).isVisible();
    assertThat(page.getByText("Would add 4 channels")).isVisible();
    make(2);
    assertThat(row(page, "Snare")).isVisible();
    assertThat(STARTED.browser().errors).isEmpty();
  }
}
