package drevik.e2e;

import static drevik.e2e.Pages.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.KeyboardModifier;
import com.microsoft.playwright.options.WaitForSelectorState;
import drevik.codec.Documents;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/**
 * Every act that a place offers is carried out by its key and by its button, and does the same both
 * ways: something that can be seen, at most one thing asked of the server, the same document.
 */
class EveryActTest {
  @RegisterExtension static final Started STARTED = new Started(true);

  /** What needs more than a state to be in, and where it is carried out instead. */
  private static final Map<String, String> ELSEWHERE =
      Map.of(
          "delivery hear", "WholePathTest, of what it printed",
          "intake seat", "WholePathTest, which seats the delivery");

  /** What is asked of the server without anything being changed there. */
  private static final Pattern QUESTION =
      Pattern.compile(
          ".*/(effect|effect/mix|preview|meant|named|renamed|pasted|completion|differences)");

  private static final int PATIENCE = 30;
  private static final int POLL_MILLISECONDS = 40;
  private static final int QUIET_MILLISECONDS = 120;
  private static final Locator.WaitForOptions ATTACHED =
      new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED);

  private static final Map<String, String> KEY_NAMES = Map.of("Ctrl", "Control");

  /** An act as the command list shows it. */
  private record Offered(String id, String key, boolean can) {}

  /**
   * What came of an act.
   *
   * @param writes what was asked of the server, apart from questions
   * @param shows the title of what opened, the place, or that something else is shown
   * @param document of the Mix, without what tells this one from others
   */
  private record Outcome(List<String> writes, String shows, String document) {
    boolean isNothing() {
      return writes.isEmpty() && shows.isEmpty();
    }
  }

  private final Set<String> offered = new TreeSet<>();
  private final Set<String> done = new TreeSet<>();
  private final List<String> faults = new ArrayList<>();
  private final List<String> writes = new ArrayList<>();
  private final AtomicInteger inFlight = new AtomicInteger();
  private final Set<String> ofTheShell = new HashSet<>();
  private Page page;
  private String mix = "";
  private int base;
  private String delivery = "";
  private String first = "";
  private String pinned = "";
  private String chained = "";
  private boolean opened;
  private String arrived = "";
  private Runnable arrivedBy = () -> {};

  @Test
  void everyActDoesTheSameByItsKeyAndByItsButton() throws Exception {
    page = STARTED.browser().page(ColorScheme.LIGHT);
    page.context().grantPermissions(List.of("clipboard-read", "clipboard-write"));
    page.onRequest(this::note);
    page.onRequestFinished(this::answered);
    page.onRequestFailed(this::answered);
    page.onFileChooser(chooser -> opened = true);
    page.navigate(STARTED.application().url("/shelf"));
    String song = idOf("Weathervane");
    mix = ask("POST", "/api/mixes/" + song + "/duplicate", "").get("id").asString();
    breakSomething();
    // What every place offers stands in the list of each; the outline has little beside it.
    arrive("outline", () -> {});
    ofTheShell.addAll(acts().stream().map(Offered::id).toList());
    // It comes when it is first asked for.
    press("F1");
    page.getByRole(AriaRole.DIALOG).waitFor();
    ofTheShell.removeAll(Set.of("make", "start-over"));
    walk("check", this::heap);
    walk("check", this::finding);
    walk("flow", () -> {});
    walk("flow", () -> pick("HiHat"));
    walk("flow", () -> pick("HiHat", "RackTom"));
    walk("flow", () -> pick("Drums"));
    walk("flow", () -> pick(pinned));
    walk("flow", () -> pick(chained));
    walk("ledger", () -> {});
    walk("map", () -> {});
    walk("map", this::write);
    walk("map", () -> page.getByText("Ada").first().click());
    walk("outline", this::outline);
    walk("delivery", () -> {});

    receive();
    walk("intake", () -> {});
    mix = "";
    walk("shelf", () -> {});

    Set<String> missing = new TreeSet<>(offered);
    missing.removeAll(done);
    missing.removeAll(ELSEWHERE.keySet());
    missing.forEach(name -> faults.add(name + ": no state here can do it"));
    assertThat(faults).isEmpty();
  }

  private void note(Request request) {
    String path = request.url().replaceFirst("^[a-z]+://[^/]+", "");
    if (!request.method().equals("GET")) {
      inFlight.incrementAndGet();
    }
    if (!request.method().equals("GET") && !QUESTION.matcher(path).matches()) {
      writes.add(request.method() + " " + path.replaceAll("[a-z0-9]{12}|\\?.*", "…"));
    }
  }

  private void answered(Request request) {
    if (!request.method().equals("GET")) {
      inFlight.updateAndGet(open -> Math.max(0, open - 1));
    }
  }

  /** Carries out what a place offers in a state, and was not carried out before. */
  private void walk(String place, Runnable state) {
    arrive(place, state);
    for (Offered act : acts()) {
      String name = (ofTheShell.contains(act.id()) ? "shell" : place) + " " + act.id();
      offered.add(name);
      if (!act.can() || done.contains(name) || ELSEWHERE.containsKey(name)) {
        continue;
      }
      Outcome byButton = outcome(place, state, () -> choose(act));
      Outcome byKey =
          act.key().isEmpty() ? byButton : outcome(place, state, () -> press(keyOf(act.key())));
      if (byKey.isNothing() && byButton.isNothing()) {
        // Not in this state; if in none, it is missing at the end.
        continue;
      }
      judge(name, byButton, byKey);
      done.add(name);
    }
  }

  private void judge(String name, Outcome byButton, Outcome byKey) {
    if (!byButton.equals(byKey)) {
      faults.add(name + ": by button " + brief(byButton) + ", by key " + brief(byKey));
    }
    if (byKey.writes().size() > 1) {
      faults.add(name + ": asks more than once: " + byKey.writes());
    }
  }

  private static String brief(Outcome outcome) {
    return outcome.writes() + " “" + outcome.shows() + "” " + outcome.document().hashCode();
  }

  // --- one act
  // ------------------------------------------------------------------------------------

  private Outcome outcome(String place, Runnable state, Runnable act) {
    arrive(place, state);
    String was = document();
    String before = seen();
    String path = path();
    writes.clear();
    opened = false;
    act.run();
    for (int i = 0; i < PATIENCE && writes.isEmpty() && !opened && seen().equals(before); i++) {
      page.waitForTimeout(POLL_MILLISECONDS);
    }
    settle();
    Locator dialog = page.locator("[role=dialog] h2");
    String title = dialog.count() > 0 ? dialog.first().innerText() : "";
    if (!title.isEmpty()) {
      carryOut();
    }
    String shows =
        opened
            ? "a choice of files"
            : !title.isEmpty()
                ? title
                : !path().equals(path)
                    ? path().replaceAll("[a-z0-9]{12}", "…")
                    : seen().equals(before) ? "" : "something else";
    Outcome outcome = new Outcome(List.copyOf(writes), shows, document());
    restore(path, was, outcome);
    return outcome;
  }

  /** Takes the first choice of a list, or what a form proposes; what it refuses is left. */
  private void carryOut() {
    if (page.locator("[role=dialog] [role=combobox]").count() > 0) {
      press("Enter");
    } else if (page.locator("[role=dialog] form").count() > 0) {
      press("Control+Enter");
    }
    settle();
  }

  /** Everything is as it was before: dialogs closed, the document back, new Mixes put away. */
  private void restore(String path, String was, Outcome outcome) {
    String made = path().replaceFirst("^/mixes/([^/]+).*", "$1");
    if (!path().equals(path) && !made.equals(mix) && path().startsWith("/mixes/")) {
      ask("POST", "/api/mixes/" + made + "/archive", "{\"archived\":true}");
    }
    if (!outcome.document().equals(was)) {
      goBack();
      arrived = "";
    }
    if (!delivery.isEmpty() && !outcome.writes().isEmpty()) {
      wish();
      arrived = "";
    }
  }

  private void arrive(String place, Runnable state) {
    for (int i = 0; i < 3 && page.locator("[role=dialog]").count() > 0; i++) {
      press("Escape");
      page.waitForTimeout(POLL_MILLISECONDS);
    }
    boolean inText =
        page.locator("input:focus, textarea:focus, [contenteditable]:focus").count() > 0;
    if (arrivedBy == state && !inText && arrived.equals(withoutFocus(seen()))) {
      return;
    }
    // What a place keeps for the next visit would be another state.
    page.evaluate("() => { localStorage.clear(); sessionStorage.clear(); }");
    page.navigate(
        STARTED
            .application()
            .url(place.equals("shelf") ? "/shelf" : "/mixes/" + mix + "/" + place));
    // What a page had asked that is gone is not answered any more.
    inFlight.set(0);
    page.locator("main h1").first().waitFor(ATTACHED);
    settle();
    state.run();
    if (place.equals("flow") || place.equals("outline") || place.equals("map")) {
      settle();
    }
    arrived = withoutFocus(seen());
    arrivedBy = state;
  }

  private List<Offered> acts() {
    press("Control+k");
    Locator choices = page.locator("[data-choice]");
    choices.first().waitFor();
    List<Offered> acts = new ArrayList<>();
    for (Locator choice : choices.all()) {
      acts.add(
          new Offered(
              choice.getAttribute("data-choice"),
              choice.locator("span").last().innerText(),
              !"true".equals(choice.getAttribute("aria-disabled"))));
    }
    press("Escape");
    return acts;
  }

  /** By the button that has its key on it; else as the command list offers it. */
  private void choose(Offered act) {
    Locator button =
        page.locator("button[data-hint-key=\"" + act.key() + "\"]:visible:not([disabled])");
    if (!act.key().isEmpty() && button.count() > 0) {
      button.first().click();
      return;
    }
    press("Control+k");
    page.locator("[data-choice=\"" + act.id() + "\"]").click();
  }

  private static String keyOf(String shown) {
    return Arrays.stream(shown.split(" "))
        .map(part -> KEY_NAMES.getOrDefault(part, part))
        .map(
            part -> part.length() == 1 && shown.length() > 1 ? part.toLowerCase(Locale.ROOT) : part)
        .map(part -> shown.length() == 1 ? part.toLowerCase(Locale.ROOT) : part)
        .collect(Collectors.joining("+"));
  }

  private void press(String key) {
    page.keyboard().press(key);
  }

  /** Until what was asked is answered, and nothing on the page has changed for a while. */
  private void settle() {
    for (int i = 0; i < PATIENCE && inFlight.get() > 0; i++) {
      page.waitForTimeout(POLL_MILLISECONDS);
    }
    page.evaluate(
        """
        quiet => new Promise(resolve => {
          let timer;
          const end = () => { observer.disconnect(); resolve(); };
          const again = () => { clearTimeout(timer); timer = setTimeout(end, quiet); };
          const observer = new MutationObserver(again);
          observer.observe(document, {
            subtree: true, childList: true, attributes: true, characterData: true,
          });
          again();
          setTimeout(end, 20 * quiet);
        })
        """,
        QUIET_MILLISECONDS);
  }

  private String path() {
    return page.url().replaceFirst("^[a-z]+://[^/]+", "");
  }

  /** What a person would see, and where the keyboard is. */
  private String seen() {
    return (String)
        page.evaluate(
            """
            () => JSON.stringify([
              location.pathname + location.search + location.hash,
              document.documentElement.outerHTML.slice(0, document.documentElement.outerHTML.indexOf(">")),
              document.body.innerText,
              document.querySelectorAll("[aria-selected=true]").length,
              JSON.stringify(localStorage),
              "FOCUS" + document.activeElement?.tagName + (document.activeElement?.getAttribute("aria-label") ?? ""),
            ])
            """);
  }

  // --- states
  // -------------------------------------------------------------------------------------

  /** Where the keyboard is when one arrives is not where a dialog leaves it. */
  private static String withoutFocus(String seen) {
    return seen.substring(0, seen.lastIndexOf("FOCUS"));
  }

  private void pick(String... names) {
    for (int i = 0; i < names.length; i++) {
      row(page, names[i])
          .first()
          .click(
              i == 0
                  ? new Locator.ClickOptions()
                  : new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
    }
  }

  /** The first heap of findings, by the list's own keys. */
  private void heap() {
    page.locator("main [tabindex='0']").first().focus();
    press("Home");
  }

  private void finding() {
    heap();
    press("ArrowRight");
    press("ArrowDown");
  }

  /** A cell of the map with something written into it that is not carried out. */
  private void write() {
    page.locator("table[aria-label='Category map']").focus();
    press("Enter");
    press("Control+a");
    page.keyboard().type("Mix");
    press("Enter");
    press("Escape");
  }

  /** A line more, which is understood, and is not made yet. */
  private void outline() {
    page.locator(".cm-content").pressSequentially("Extra\n");
    Pages.button(page, "Make").and(page.locator(":enabled")).waitFor();
  }

  /** Findings of one rule, something stowed, something pinned, an entry that asks for more. */
  private void breakSomething() {
    JsonNode channels = ask("GET", "/api/mixes/" + mix, "").at("/document/channels");
    List<String> seats = new ArrayList<>();
    channels.forEach(
        channel -> {
          String name = channel.get("name").asString();
          if (channel.get("kind").asString().equals("seat")) {
            seats.add(channel.get("id").asString());
            pinned = pinned.isEmpty() ? name : pinned;
          }
          if (!channel.path("chain").isEmpty()) {
            chained = chained.isEmpty() ? name : chained;
          }
        });
    String two = "[\"" + seats.get(0) + "\",\"" + seats.get(1) + "\"]";
    edit("{\"edit\":\"set-channels\",\"channels\":" + two + ",\"set\":{\"output\":null}}");
    String last = "[\"" + seats.get(seats.size() - 1) + "\"]";
    edit("{\"edit\":\"stow-channels\",\"channels\":" + last + ",\"stowed\":true}");
    edit("{\"edit\":\"pin-slots\",\"channels\":" + two + ",\"slots\":[\"colour\"]}");
    edit(
        "{\"edit\":\"change-mix\",\"set\":{\"controls\":{\"added\":[{\"item\":{\"id\":\"all\",\"name\":\"All\","
            + "\"gainDb\":-1,\"members\":"
            + two
            + "}}]},\"categoryMap\":{\"added\":[{\"item\":{\"id\":\"ada\",\"category\":\"drums\","
            + "\"person\":\"Ada\"}}]}}}");
    base = revision();
  }

  private void edit(String edit) {
    ask("POST", "/api/mixes/" + mix + "/edits", request(",\"edit\":" + edit));
  }

  private void goBack() {
    ask("POST", "/api/mixes/" + mix + "/revisions/" + base, request(""));
    base = revision();
  }

  private String request(String more) {
    return "{\"id\":\"" + UUID.randomUUID() + "\",\"basedOn\":" + revision() + more + "}";
  }

  private int revision() {
    return ask("GET", "/api/mixes/" + mix, "").get("revision").asInt();
  }

  /** A delivery with what asks for every act of the intake. */
  private void receive() throws IOException {
    String template = idOf("Band of eight");
    mix =
        ask(
                "POST",
                "/api/mixes/sessions",
                "{\"template\":\"" + template + "\",\"name\":\"Every act\"}")
            .get("id")
            .asString();
    edit("{\"edit\":\"set-sample-rate\",\"sampleRate\":96000}");
    base = revision();
    delivery =
        ask("POST", "/api/mixes/" + mix + "/deliveries", "{\"name\":\"Few\"}").get("id").asString();
    try (Stream<Path> files = Files.list(STARTED.application().demoDelivery())) {
      for (Path file :
          files.filter(one -> one.toString().endsWith(".wav")).sorted().limit(2).toList()) {
        send(delivery, file);
      }
    }
    await()
        .atMost(Duration.ofSeconds(60))
        .until(() -> ask("GET", "/api/deliveries/" + delivery, "").get("measuring").asInt() == 0);
    JsonNode files = ask("GET", "/api/deliveries/" + delivery, "").get("files");
    first = files.get(0).get("id").asString();
    String both = "[\"" + first + "\",\"" + files.get(1).get("id").asString() + "\"]";
    ask(
        "POST",
        "/api/deliveries/" + delivery + "/category",
        "{\"files\":" + both + ",\"category\":\"drums\"}");
    wish();
  }

  /** The first file stays out, because somebody wishes so. */
  private void wish() {
    ask(
        "POST",
        "/api/deliveries/" + delivery + "/wishes",
        "{\"files\":[\"" + first + "\"],\"wish\":{\"kind\":\"left out\"}}");
  }

  // --- the server
  // ---------------------------------------------------------------------------------

  private String idOf(String name) {
    for (JsonNode one : ask("GET", "/api/mixes", "")) {
      if (one.get("name").asString().equals(name)) {
        return one.get("id").asString();
      }
    }
    throw new AssertionError("no Mix " + name);
  }

  private String document() {
    if (mix.isEmpty()) {
      return "";
    }
    return ask("GET", "/api/mixes/" + mix, "")
        .get("document")
        .toString()
        // When somebody has pinned something is another time each time.
        .replaceAll("\"at\":\"[^\"]*\"", "");
  }

  private static JsonNode ask(String method, String path, String body) {
    return send(
        HttpRequest.newBuilder(URI.create(STARTED.application().url(path)))
            .header("Content-Type", "application/json")
            .method(method, BodyPublishers.ofString(body)));
  }

  private static void send(String delivery, Path file) throws IOException {
    String name = URLEncoder.encode(String.valueOf(file.getFileName()), StandardCharsets.UTF_8);
    String path = "/api/deliveries/" + delivery + "/files?name=" + name.replace("+", "%20");
    send(
        HttpRequest.newBuilder(URI.create(STARTED.application().url(path)))
            .header("Content-Type", "application/octet-stream")
            .PUT(BodyPublishers.ofFile(file)));
  }

  private static JsonNode send(HttpRequest.Builder request) {
    try {
      HttpResponse<String> answer = Scripted.HTTP.send(request.build(), BodyHandlers.ofString());
      assertThat(answer.statusCode()).as(answer.body()).isLessThan(300);
      String body = answer.body();
      return Documents.mapper().readTree(body.isEmpty() ? "{}" : body);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
