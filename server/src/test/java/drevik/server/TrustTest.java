package drevik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.server.RunningServer.Answer;
import drevik.server.mix.Shelf;
import drevik.starters.Starters;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pages of others, bodies without end, lines that stand still. */
class TrustTest {
  @RegisterExtension static final RunningServer server = new RunningServer();

  private static final String JSON = "Content-Type: application/json\r\n";

  private String mix;

  @BeforeEach
  void create() {
    mix = server.bean(Shelf.class).create(Starters.bandOfEight(), "test");
  }

  private static Socket open(String head) throws IOException {
    URI uri = server.uri("/");
    Socket socket = new Socket(uri.getHost(), uri.getPort());
    socket.setSoTimeout(60_000);
    socket.getOutputStream().write(head.getBytes(UTF_8));
    socket.getOutputStream().flush();
    return socket;
  }

  /** The whole answer to a request without the help, and the good manners, of a client. */
  private static String raw(String line, String host, String headers, String body)
      throws IOException {
    String head =
        line
            + " HTTP/1.1\r\nHost: "
            + host
            + "\r\nConnection: close\r\n"
            + headers
            + (body.isEmpty() ? "" : "Content-Length: " + body.getBytes(UTF_8).length + "\r\n")
            + "\r\n"
            + body;
    try (Socket socket = open(head)) {
      return new String(socket.getInputStream().readAllBytes(), UTF_8);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "127.0.0.1:8117, 200",
    "localhost, 200",
    "[::1]:8117, 200",
    "Mixing.local:8117, 200",
    "drevik.example, 421",
    "127.0.0.1.drevik.example:8117, 421"
  })
  void onlyNamesOfThisMachineAreAnswered(String host, int status) throws IOException {
    assertThat(raw("GET /api/mixes", host, "", "")).startsWith("HTTP/1.1 " + status);
  }

  @ParameterizedTest
  @CsvSource({
    "Origin: http://127.0.0.1:8117, 200",
    "Origin: http://other.example, 403",
    "Origin: http://127.0.0.1:9999, 403",
    "Origin: null, 403",
    "Sec-Fetch-Site: same-origin, 200",
    "Sec-Fetch-Site: cross-site, 403"
  })
  void onlyOwnPagesChangeAnything(String header, int status) throws IOException {
    String body = "{\"template\":\"" + mix + "\",\"name\":\"Song\"}";
    assertThat(raw("POST /api/mixes/sessions", "127.0.0.1:8117", JSON + header + "\r\n", body))
        .startsWith("HTTP/1.1 " + status);
  }

  @Test
  void whatAPageCanSendWithoutAskingChangesNothing() throws IOException {
    int before = server.get("/api/mixes").body().size();
    for (String type : List.of("text/plain", "application/x-www-form-urlencoded", "nonsense")) {
      assertThat(
              raw(
                  "POST /api/mixes/files",
                  "localhost",
                  "Content-Type: " + type + "\r\n",
                  server.get("/api/mixes/" + mix + "/document").body().toString()))
          .startsWith("HTTP/1.1 415");
    }
    assertThat(server.get("/api/mixes").body()).hasSize(before);
  }

  @Test
  void everyAnswerTellsTheBrowserWhatItMayDo() throws IOException {
    for (String path : List.of("/api/mixes", "/api/none", "/none")) {
      assertThat(raw("GET " + path, "localhost", "", ""))
          .contains(
              "script-src 'self';",
              "frame-ancestors 'none'",
              "X-Content-Type-Options: nosniff",
              "Referrer-Policy: no-referrer");
    }
  }

  @Test
  void aDocumentLargerThanAnyMixIsRefusedWhileItIsRead() {
    String many = "{\"version\":3,\"channels\":[{}" + ",{}".repeat(10_000_000) + "]}";
    Answer tokens = server.postText("/api/mixes/files", many);
    assertThat(tokens.status()).isEqualTo(422);
    assertThat(tokens.detail()).contains("larger or deeper than any Mix");
    String deep = "[".repeat(100_000);
    assertThat(server.postText("/api/mixes/files", deep).detail()).contains("larger or deeper");
    Answer edit =
        server.postText(
            "/api/mixes/" + mix + "/edits", "{\"id\":\"" + "x".repeat(9_000_000) + "\"}");
    assertThat(edit.status()).isEqualTo(413);
  }

  @Test
  void aBodyOfNoAnnouncedLengthIsBoundedToo() throws IOException {
    String head =
        "POST /api/mixes/"
            + mix
            + "/edits HTTP/1.1\r\nHost: localhost\r\n"
            + JSON
            + "Transfer-Encoding: chunked\r\nConnection: close\r\n\r\n";
    String piece = "100000\r\n" + " ".repeat(1 << 20) + "\r\n";
    try (Socket socket = open(head)) {
      for (int i = 0; i < 9; i++) {
        socket.getOutputStream().write(piece.getBytes(UTF_8));
      }
      socket.getOutputStream().write("0\r\n\r\n".getBytes(UTF_8));
      assertThat(new String(socket.getInputStream().readAllBytes(), UTF_8))
          .startsWith("HTTP/1.1 413")
          .contains("longer than the 8 MB");
    }
  }

  @Test
  void textThatNoDatabaseHoldsIsRefusedByName() throws IOException {
    for (String text : List.of("a\\u0000b", "\\ud800")) {
      Answer answer =
          server.postText(
              "/api/mixes/" + mix + "/edits",
              "{\"id\":\"e"
                  + text.length()
                  + "\",\"basedOn\":1,\"edit\":{\"edit\":\"change-mix\",\"set\":{\"name\":\""
                  + text
                  + "\"}}}");
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.detail()).contains("a character that cannot be kept");
    }
    for (String path :
        List.of("GET /api/mixes/%00", "GET /api/mixes/m/paths?channel=a%00&output=b")) {
      assertThat(raw(path, "localhost", "", "")).startsWith("HTTP/1.1 400");
    }
  }

  @Test
  void whatIsMissingIsSaidWithoutTheNamesOfTheProgram() {
    String edits = "/api/mixes/" + mix + "/edits";
    for (String body :
        List.of(
            "{\"id\":\"x\",\"basedOn\":1,\"edit\":{\"edit\":\"remove-channels\",\"channels\":[null]}}",
            "{\"id\":\"x\",\"basedOn\":1,\"edit\":{\"edit\":\"remove-channels\",\"channels\":7}}",
            "{\"id\":\"x\",\"basedOn\":1,\"edit\":{}}",
            "null")) {
      Answer answer = server.postText(edits, body);
      assertThat(answer.status()).as(body).isBetween(400, 422);
      assertThat(answer.detail())
          .as(body)
          .isNotBlank()
          .doesNotContain("java", "drevik.", "class ", "“” is missing");
    }
    Answer line =
        server.postText("/api/outline/completion", "{\"text\":\"a\",\"line\":-1,\"column\":0}");
    assertThat(line.detail()).contains("counted from 1");
    Answer meant = server.postText("/api/mixes/" + mix + "/meant", "{\"channels\":[\"nobody\"]}");
    assertThat(meant.detail()).contains("no channel “nobody”");
    Answer signs = server.postText("/api/mixes/" + mix + "/meant", "{\"words\":\"(\"}");
    assertThat(signs.detail()).contains("has no word in it");
  }

  @Test
  void aDocumentThatDripsIsEnded() throws IOException {
    String head =
        "POST /api/mixes/"
            + mix
            + "/meant HTTP/1.1\r\nHost: localhost\r\n"
            + JSON
            + "Content-Length: 1000\r\n\r\n{";
    long began = System.nanoTime();
    try (Socket socket = open(head)) {
      for (int i = 0; i < 20 && socket.getInputStream().available() == 0; i++) {
        Thread.sleep(1_000);
        socket.getOutputStream().write(' ');
        socket.getOutputStream().flush();
      }
      byte[] answer = new byte[12];
      assertThat(socket.getInputStream().readNBytes(answer, 0, 12)).isEqualTo(12);
      assertThat(new String(answer, UTF_8)).isEqualTo("HTTP/1.1 408");
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
    assertThat((System.nanoTime() - began) / 1e9).isLessThan(20);
  }

  @Test
  void whatNoControllerAnswersIsAnsweredInWordsOrNotAtAll() throws IOException {
    assertThat(raw("GET /error", "localhost", "", ""))
        .startsWith("HTTP/1.1 404")
        .contains("Nothing is at this address");
    assertThat(raw("GET /%zz", "localhost", "", ""))
        .startsWith("HTTP/1.1 400")
        .contains("application/problem+json", "its address or its head is malformed")
        .doesNotContain("Tomcat", "<html");
    assertThat(server.postText("/api/mixes/sessions", "{\"template\":").detail())
        .contains("could not be read: Unexpected end-of-input");
  }

  @ParameterizedTest
  @CsvSource({
    "PUT /api/deliveries/DELIVERY/files?name=a.wav, application/octet-stream",
    "POST /api/mixes/files, application/json"
  })
  void linesThatStandStillInTheMiddleHoldUpNobodyElse(String line, String type) throws IOException {
    String session = server.bean(Shelf.class).startSession(mix, "Song");
    String delivery =
        server
            .post("/api/mixes/" + session + "/deliveries", Map.of("name", "D"))
            .body()
            .path("id")
            .asString();
    List<Socket> stalled = new ArrayList<>();
    try {
      for (int i = 0; i < 260; i++) {
        stalled.add(
            open(
                line.replace("DELIVERY", delivery)
                    + " HTTP/1.1\r\nHost: localhost\r\nContent-Type: "
                    + type
                    + "\r\nContent-Length: 100000\r\n\r\nRIFF"));
      }
      assertThat(raw("GET /api/mixes", "localhost", "", "")).startsWith("HTTP/1.1 200");
      assertThat(new String(stalled.get(259).getInputStream().readAllBytes(), UTF_8))
          .startsWith("HTTP/1.1 503")
          .contains("send this one again");
    } finally {
      for (Socket socket : stalled) {
        socket.close();
      }
    }
  }
}
