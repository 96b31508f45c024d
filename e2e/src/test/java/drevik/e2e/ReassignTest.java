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
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/**
 * One decision, and all channels follow: by keyboard alone, what was shown before is what changes,
 * what is pinned stays, and one undo takes it back.
 */
class ReassignTest {
  @RegisterExtension static final Started STARTED = new Started(true);

  private Page page;
  private Keyboard keys;

  @BeforeEach
  void openTheSong() {
    page = STARTED.browser().page(ColorScheme.LIGHT);
    keys = page.keyboard();
    open("Weathervane", "HiHat");
  }

  private void open(String session, String channel) {
    page.navigate(STARTED.application().url("/shelf"));
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(session).setExact(true))
        .click();
    row(page, channel).waitFor();
  }

  /** Channel → all that is said of it, as the server has it. */
  @SuppressWarnings("unchecked") // a document's channels have ids
  private Map<String, Object> channels() {
    Object document =
        page.evaluate(
            """
            async () => {
              const id = location.pathname.split("/")[2];
              const mix = await (await fetch(`/api/mixes/${id}`)).json();
              return mix.document.channels;
            }
            """);
    return ((List<Map<String, Object>>) document)
        .stream().collect(Collectors.toMap(one -> (String) one.get("id"), one -> one));
  }

  @SuppressWarnings("unchecked") // a channel is an object
  private static String output(Map<String, Object> channels, String id) {
    return (String) ((Map<String, Object>) channels.get(id)).get("output");
  }

  private static long different(Map<String, Object> before, Map<String, Object> after) {
    return after.entrySet().stream()
        .filter(one -> !one.getValue().equals(before.get(one.getKey())))
        .count();
  }

  /** How many channels the effect that is shown says that it changes. */
  private int foretold() {
    Locator says =
        page.getByRole(AriaRole.STATUS)
            .filter(new Locator.FilterOptions().setHasText(Pattern.compile("channels? change")));
    says.waitFor();
    Matcher number = Pattern.compile("(\\d+) channels?").matcher(says.innerText());
    assertThat(number.find()).isTrue();
    return Integer.parseInt(number.group(1));
  }

  /** Writes into a cell of the map by keyboard. */
  private void write(String category, int column, String text) {
    Locator cell =
        page.getByRole(AriaRole.GRID, new Page.GetByRoleOptions().setName("Category map"))
            .locator(
                "tr",
                new Locator.LocatorOptions()
                    .setHas(page.getByText(category, new Page.GetByTextOptions().setExact(true))))
            .first()
            .getByRole(AriaRole.GRIDCELL)
            .nth(column + 1);
    cell.click();
    keys.press("Enter");
    keys.press("Control+a");
    keys.type(text);
    keys.press("Enter");
  }

  private Locator field(String label) {
    return page.getByRole(AriaRole.DIALOG).getByLabel(Pattern.compile("^" + label));
  }

  private void carryOut() {
    assertThat(button(page, "Carry out")).isEnabled();
    keys.press("Control+Enter");
    page.getByText("Write into the map").waitFor();
  }

  private void undo(String what) {
    keys.press("Escape");
    keys.press("Control+z");
    page.getByText("Taken back: " + what).waitFor();
  }

  @Test
  void aDecisionIsMadeOnceAndAllFollowButWhatIsPinned() {
    Map<String, Object> first = channels();
    row(page, "HiHat").click();
    assertThat(page.getByText("1 channel picked")).isVisible();
    keys.press("o");
    page.getByPlaceholder("Destination").waitFor();
    keys.type("Texture");
    keys.press("Enter");
    page.getByText("pinned by: send “HiHat” to “Texture”").waitFor();
    Map<String, Object> pinned = channels();

    keys.press("8");
    write("drums", 0, "Percu");
    int moving = foretold();
    assertThat(page.getByText("HiHat, sent to: keeps Texture; the map says Percussion"))
        .isVisible();
    carryOut();
    Map<String, Object> moved = channels();
    assertThat(different(pinned, moved)).isEqualTo(moving);
    assertThat(output(moved, "hat")).isEqualTo("texture");
    assertThat(output(moved, "room")).isEqualTo("percussion");
    undo("write “sent to” of drums");
    assertThat(channels()).isEqualTo(pinned);
    undo("send “HiHat” to “Texture”");
    assertThat(channels()).isEqualTo(first);
    assertThat(STARTED.browser().errors).isEmpty();
  }

  @Test
  void sendsGoByCategoryAndShellsAloneToTheHardParallel() {
    Map<String, Object> before = channels();
    keys.press("8");
    write("drums", 2, "Small room -20");
    write("kick", 2, "Drum squeeze -6 pre-fader");
    write("snare", 2, "Drum squeeze -6 pre-fader");
    int changing = foretold();
    carryOut();
    Map<String, Object> after = channels();
    assertThat(different(before, after)).isEqualTo(changing);
    assertThat(after.get("kick-in").toString())
        .contains("destinations=[squeeze]")
        .contains("small-room")
        .contains("pre-fader");
    undo("write “sends” of 3 categories");
    assertThat(channels()).isEqualTo(before);
  }

  @Test
  void percussionIsSplitOutWithStemReturnAndMapEntry() {
    Map<String, Object> before = channels();
    row(page, "shkr").click();
    keys.down("Shift");
    keys.press("ArrowDown");
    keys.up("Shift");
    assertThat(page.getByText("2 channels picked")).isVisible();
    keys.press("Shift+B");
    field("Name").fill("Small hits");
    page.getByLabel("with a reverberation of its own").check();
    int changing = foretold();
    assertThat(button(page, "Carry out")).isEnabled();
    keys.press("Control+Enter");
    row(page, "Small hits").first().waitFor();
    Map<String, Object> after = channels();
    assertThat(different(before, after)).isEqualTo(changing + 2L);
    assertThat(page.getByText("Small hits stem").first()).isVisible();
    assertThat(output(after, "small-hits")).isEqualTo("mix");
    keys.press("5");
    assertThat(page.getByText("No findings.").first()).isVisible();
    undo("move 2 channels into the new bus “Small hits”");
    assertThat(channels()).isEqualTo(before);
  }

  @Test
  void aPersonIsReassignedFromAFormAndALineLeftOut() {
    Map<String, Object> before = channels();
    keys.press("r");
    field("Which").selectOption("words");
    field("Words").fill("LdVox");
    field("Sent to").selectOption("Texture");
    assertThat(foretold()).isEqualTo(3);
    while (button(page, "▸ Sent to").count() > 0) {
      button(page, "▸ Sent to").first().click();
    }
    page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("LdVox comp")).uncheck();
    keys.press("Control+Enter");
    page.getByText("Reassign all that are called “LdVox”, by the category map.").waitFor();
    Map<String, Object> after = channels();
    // Two go, and what was left out is pinned where it was.
    assertThat(different(before, after)).isEqualTo(3);
    assertThat(output(after, "lead")).isEqualTo(output(before, "lead"));
    assertThat(after.get("lead").toString()).contains("pins=[{id=output");
    undo("reassign all that are called “LdVox”");
    assertThat(channels()).isEqualTo(before);
  }

  private static long sentTo(Map<String, Object> channels, String bus) {
    return channels.keySet().stream().filter(id -> bus.equals(output(channels, id))).count();
  }

  /** Carries out what the form says, and looks whether it does what it foretold. */
  private Map<String, Object> carriedOut(Map<String, Object> before, String does) {
    int changing = foretold();
    keys.press("Control+Enter");
    page.getByText(does).waitFor();
    Map<String, Object> after = channels();
    assertThat(different(before, after)).isEqualTo(changing);
    return after;
  }

  @Test
  void voicesOfTheShowGoToTheirStemsAndChatterToEffects() {
    open("Ninety Moons", "ITV Varga lav");
    Map<String, Object> first = channels();
    assertThat(page.getByText("3 wrong").first()).isVisible();

    keys.press("8");
    write("interview", 0, "Voice");
    int moving = foretold();
    assertThat(moving).as("two who are interviewed, two microphones each").isEqualTo(4);
    carryOut();
    Map<String, Object> seated = channels();
    assertThat(different(first, seated)).isEqualTo(4);
    assertThat(sentTo(seated, "voice")).isEqualTo(sentTo(first, "voice") + 4);
    undo("write “sent to” of interview");
    assertThat(channels()).isEqualTo(first);

    keys.press("3");
    row(page, "ITV Varga lav").waitFor();
    keys.press("r");
    field("Category").selectOption("interview/field");
    field("Stem").selectOption("Interviews stem");
    Map<String, Object> located =
        carriedOut(first, "Reassign all of interview/field, by the category map.");
    assertThat(sentTo(located, "interviews")).isEqualTo(sentTo(first, "interviews") + 3);
    keys.press("Escape");
    keys.press("r");
    field("Category").selectOption("dialogue/crowd");
    field("New category").selectOption("ambience");
    Map<String, Object> quiet = carriedOut(located, "Reassign all of dialogue/crowd to ambience");
    assertThat(sentTo(quiet, "ambience")).isEqualTo(sentTo(first, "ambience") + 1);
    String pinned =
        quiet.keySet().stream()
            .filter(id -> quiet.get(id).toString().contains("school class"))
            .findFirst()
            .orElseThrow();
    assertThat(output(quiet, pinned)).as("pinned").isEqualTo("interviews");
    assertThat(page.getByText(Pattern.compile("\\d wrong"))).hasCount(0);
    undo("reassign all of dialogue/crowd");
    undo("reassign all of interview/field");
    assertThat(channels()).isEqualTo(first);
  }

  private void keepAs(String name) {
    keys.press("k");
    field("Name").fill(name);
    keys.press("Control+Enter");
    page.getByText("“" + name + "” is on the shelf.").waitFor();
  }

  private Map<String, Object> under(String map, Map<String, Object> before) {
    keys.press("m");
    field("From the shelf").selectOption(map + " (kept)");
    return carriedOut(before, "Put the category map “" + map + "” under the Mix.");
  }

  @Test
  void theWholeMapIsSwappedForAKeptOneAndBack() {
    Map<String, Object> first = channels();
    keys.press("8");
    page.getByRole(AriaRole.GRID).waitFor();
    keepAs("Mine");
    write("drums", 0, "Percu");
    write("vocals", 0, "Texture");
    write("keys", 6, "-3");
    carryOut();
    keys.press("Escape");
    Map<String, Object> theirs = channels();
    keepAs("Theirs");
    undo("write ");
    assertThat(channels()).isEqualTo(first);

    assertThat(under("Theirs", first)).isEqualTo(theirs);
    keys.press("c");
    page.getByLabel("Another map").selectOption("Mine (kept)");
    assertThat(page.getByText(Pattern.compile("^[3-9] differences"))).isVisible();
    keys.press("Escape");
    assertThat(under("Mine", theirs)).isEqualTo(first);
    assertThat(STARTED.browser().errors).isEmpty();
  }
}
