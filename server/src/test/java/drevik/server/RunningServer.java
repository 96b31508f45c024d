package drevik.server;

import static org.awaitility.Awaitility.await;

import drevik.codec.Documents;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.JsonNode;

/** Starts the real application on a free port with a database of its own, and speaks HTTP to it. */
final class RunningServer implements BeforeAllCallback, AfterAllCallback {
  private final HttpClient http = HttpClient.newHttpClient();
  private ConfigurableApplicationContext application;
  private Path data;
  private String database;

  /** What came back. */
  record Answer(int status, JsonNode body, byte[] bytes) {
    String detail() {
      return body.path("detail").asString("");
    }
  }

  @Override
  public void beforeAll(ExtensionContext context) throws IOException {
    data = Files.createTempDirectory("drevik-test-data");
    database = ThrowawayPostgres.shared().newDatabase();
    start();
  }

  private void start() {
    application =
        new SpringApplicationBuilder(DrevikServer.class)
            .web(WebApplicationType.SERVLET)
            .run(
                "--server.port=0",
                // Rows that are not as the migrations made them end every test.
                "--spring.jpa.hibernate.ddl-auto=validate",
                "--spring.data.jpa.repositories.bootstrap-mode=default",
                "--drevik.hosts=mixing.local",
                "--spring.datasource.url=" + database,
                "--drevik.data=" + data);
  }

  @Override
  public void afterAll(ExtensionContext context) throws IOException {
    application.close();
    FileSystemUtils.deleteRecursively(data);
  }

  /** Ends, and starts on the same data. */
  void restart() {
    application.close();
    start();
  }

  Path data() {
    return data;
  }

  <T> T bean(Class<T> type) {
    return application.getBean(type);
  }

  URI uri(String path) {
    return URI.create(
        "http://127.0.0.1:" + application.getEnvironment().getProperty("local.server.port") + path);
  }

  Answer get(String path) {
    return send("GET", path, BodyPublishers.noBody());
  }

  Answer delete(String path) {
    return send("DELETE", path, BodyPublishers.noBody());
  }

  Answer post(String path, Object body) {
    String json = Documents.mapper().writeValueAsString(body);
    return send("POST", path, BodyPublishers.ofString(json));
  }

  Answer postText(String path, String json) {
    return send("POST", path, BodyPublishers.ofString(json));
  }

  Answer upload(String deliveryId, String name, BodyPublisher body) {
    String encoded = URLEncoder.encode(name, StandardCharsets.UTF_8);
    return put("/api/deliveries/" + deliveryId + "/files?name=" + encoded, body);
  }

  Answer put(String path, BodyPublisher body) {
    return send("PUT", path, "application/octet-stream", body);
  }

  Answer put(String path, Object body) {
    String json = Documents.mapper().writeValueAsString(body);
    return send("PUT", path, BodyPublishers.ofString(json));
  }

  Answer edit(String mixId, int basedOn, Object edit) {
    return edit(mixId, Ids.next(), basedOn, edit);
  }

  /** An edit under an id that may have been used before. */
  Answer edit(String mixId, String request, int basedOn, Object edit) {
    return post(
        "/api/mixes/" + mixId + "/edits", Map.of("id", request, "basedOn", basedOn, "edit", edit));
  }

  /** What a change that is no edit asks with: undo, redo, seating. */
  static Map<String, Object> basedOn(int revision) {
    return Map.of("id", Ids.next(), "basedOn", revision);
  }

  /** The delivery, once all of its files have been measured. */
  JsonNode measured(String deliveryId) {
    waitUntil(() -> get("/api/deliveries/" + deliveryId).body().path("measuring").asInt(-1) == 0);
    return get("/api/deliveries/" + deliveryId).body();
  }

  static void waitUntil(BooleanSupplier reached) {
    await()
        .atMost(Duration.ofSeconds(60))
        .pollInterval(Duration.ofMillis(100))
        .until(reached::getAsBoolean);
  }

  private Answer send(String method, String path, BodyPublisher body) {
    return send(method, path, "application/json", body);
  }

  private Answer send(String method, String path, String type, BodyPublisher body) {
    HttpRequest request =
        HttpRequest.newBuilder(uri(path)).header("Content-Type", type).method(method, body).build();
    try {
      HttpResponse<byte[]> response = http.send(request, BodyHandlers.ofByteArray());
      boolean json = response.headers().firstValue("Content-Type").orElse("").contains("json");
      JsonNode tree =
          json
              ? Documents.mapper().readTree(response.body())
              : Documents.mapper().createObjectNode();
      return new Answer(response.statusCode(), tree, response.body());
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
