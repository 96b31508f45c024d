package drevik.server;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.codec.Documents;
import drevik.server.RunningServer.Answer;
import drevik.server.mix.Shelf;
import drevik.starters.Starters;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Bodies made from the server's own description, whole and spoilt, to every address and as every
 * edit: whatever comes is answered in words, changes all or nothing, and can be taken back.
 */
class FuzzTest {
  @RegisterExtension static final RunningServer server = new RunningServer();

  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
  private static final int OF_EACH_EDIT = 25;
  private static final int OF_EACH_ADDRESS = 12;

  private final Random random = new Random(20_261_126);
  private JsonNode schemas;
  private JsonNode paths;
  private String mix;
  private final List<String> known = new ArrayList<>();

  @BeforeEach
  void describe() {
    JsonNode description = server.get("/api/openapi").body();
    schemas = description.path("components").path("schemas");
    paths = description.path("paths");
    mix = server.bean(Shelf.class).create(Starters.bandOfEight(), "test");
    JsonNode document = Documents.mapper().readTree(document());
    for (String list : List.of("channels", "outputs", "controls", "stemSets", "markers")) {
      document.path(list).forEach(one -> known.add(one.path("id").asString()));
    }
    known.addAll(List.of("drums/kick", "vocals", "limiter", "Name"));
  }

  private String document() {
    byte[] bytes = server.get("/api/mixes/" + mix + "/document").bytes();
    return new String(bytes, StandardCharsets.UTF_8);
  }

  @Test
  void everyEditIsMadeWholeOrNotAtAllAndTakenBackToTheByte() {
    int made = 0;
    int revision = 1;
    String before = document();
    for (JsonNode type : schemas.path("Edit").path("oneOf")) {
      for (int i = 0; i < OF_EACH_EDIT; i++) {
        JsonNode edit = sample(type, 0);
        String sent = (i % 2 == 0 ? edit : spoilt(edit)).toString();
        Answer answer =
            server.postText(
                "/api/mixes/" + mix + "/edits",
                "{\"id\":\"%s\",\"basedOn\":%d,\"edit\":%s}".formatted(Ids.next(), revision, sent));
        inWords(answer, sent);
        if (answer.status() != 200) {
          assertThat(document()).as(sent).isEqualTo(before);
          continue;
        }
        if (revisionNow() == revision) {
          assertThat(document()).as("nothing was to change: " + sent).isEqualTo(before);
          continue;
        }
        made++;
        Answer undone =
            server.post("/api/mixes/" + mix + "/undo", RunningServer.basedOn(revisionNow()));
        assertThat(undone.status()).as(sent).isEqualTo(200);
        assertThat(document()).as(sent).isEqualTo(before);
        revision = revisionNow();
      }
    }
    assertThat(made).as("edits that could be made").isGreaterThan(50);
  }

  private int revisionNow() {
    return server.get("/api/mixes/" + mix).body().path("revision").asInt();
  }

  @Test
  void everyAddressAnswersWhateverIsSentInWords() {
    int asked = 0;
    for (Map.Entry<String, JsonNode> path : paths.properties()) {
      for (Map.Entry<String, JsonNode> method : path.getValue().properties()) {
        boolean endless = path.getKey().endsWith("/events");
        for (int i = 0; i < OF_EACH_ADDRESS && !endless; i++) {
          ask(method.getKey(), path.getKey(), method.getValue(), i);
          asked++;
        }
      }
    }
    assertThat(asked).isGreaterThan(400);
    assertThat(server.get("/api/mixes/" + mix).status()).isEqualTo(200);
  }

  private void ask(String method, String path, JsonNode operation, int nth) {
    String address = path;
    for (JsonNode parameter : operation.path("parameters")) {
      String name = parameter.path("name").asString();
      String value = nth % 3 == 0 ? mix : nth % 3 == 1 ? "7" : "%F0%9F%A5%81%2E%2E";
      address =
          parameter.path("in").asString().equals("path")
              ? address.replace("{" + name + "}", value)
              : address + (address.contains("?") ? "&" : "?") + name + "=" + value;
    }
    JsonNode schema = operation.path("requestBody").path("content").path("application/json");
    JsonNode body = sample(schema.path("schema"), 0);
    String sent = (nth % 2 == 0 ? spoilt(body) : body).toString();
    Answer answer =
        switch (method) {
          case "get" -> server.get(address);
          case "delete" -> server.delete(address);
          case "put" ->
              schema.isMissingNode()
                  ? server.put(address, BodyPublishers.ofString(sent))
                  : server.put(address, (Object) Documents.mapper().readTree(sent));
          default -> server.postText(address, sent);
        };
    inWords(answer, method + " " + address + " " + sent);
  }

  private static void inWords(Answer answer, String sent) {
    assertThat(answer.status()).as(sent + "\n" + answer.body()).isLessThan(500);
    if (answer.status() >= 400) {
      assertThat(answer.detail()).as(sent).isNotBlank();
    }
  }

  /** Something that a schema allows. */
  private JsonNode sample(JsonNode schema, int depth) {
    if (schema.has("$ref")) {
      String name = schema.path("$ref").asString().replaceAll(".*/", "");
      return sample(schemas.path(name), depth + 1);
    }
    for (String either : List.of("anyOf", "oneOf")) {
      if (schema.has(either)) {
        JsonNode all = schema.path(either);
        return sample(all.get(random.nextInt(all.size())), depth + 1);
      }
    }
    if (schema.has("enum")) {
      return schema.path("enum").get(random.nextInt(schema.path("enum").size()));
    }
    JsonNode types = schema.path("type");
    return switch (types.isArray() ? types.get(0).asString() : types.asString("object")) {
      case "string" -> JSON.stringNode(known.get(random.nextInt(known.size())));
      case "boolean" -> JSON.booleanNode(random.nextBoolean());
      case "integer" -> JSON.numberNode(random.nextInt(3));
      case "number" -> JSON.numberNode(random.nextInt(-20, 3));
      case "null" -> JSON.nullNode();
      case "array" -> list(schema, depth);
      default -> object(schema, depth);
    };
  }

  private JsonNode list(JsonNode schema, int depth) {
    ArrayNode list = JSON.arrayNode();
    for (int i = random.nextInt(3); i > 0 && depth < 12; i--) {
      list.add(sample(schema.path("items"), depth + 1));
    }
    return list;
  }

  private JsonNode object(JsonNode schema, int depth) {
    ObjectNode object = JSON.objectNode();
    List<String> required = new ArrayList<>();
    schema.path("required").forEach(name -> required.add(name.asString()));
    for (Map.Entry<String, JsonNode> property : schema.path("properties").properties()) {
      boolean wanted = required.contains(property.getKey()) || random.nextInt(4) == 0;
      if (wanted && depth < 14) {
        object.set(property.getKey(), sample(property.getValue(), depth + 1));
      }
    }
    return object;
  }

  /** The same with one thing in it that nobody would say. */
  private JsonNode spoilt(JsonNode body) {
    JsonNode copy = body.deepCopy();
    List<Runnable> places = new ArrayList<>();
    collect(copy, places);
    if (places.isEmpty()) {
      return nonsense();
    }
    places.get(random.nextInt(places.size())).run();
    return copy;
  }

  private void collect(JsonNode node, List<Runnable> places) {
    if (node instanceof ObjectNode object) {
      for (String name : List.copyOf(object.propertyNames())) {
        places.add(() -> object.set(name, nonsense()));
        places.add(() -> object.remove(name));
        collect(object.get(name), places);
      }
    } else if (node instanceof ArrayNode list) {
      places.add(() -> list.add(nonsense()));
      list.forEach(item -> collect(item, places));
    }
  }

  private JsonNode nonsense() {
    JsonNode deep = JSON.arrayNode();
    for (int i = 0; i < 400; i++) {
      deep = JSON.arrayNode().add(deep);
    }
    List<JsonNode> all =
        List.of(
            JSON.nullNode(),
            JSON.stringNode(""),
            JSON.stringNode("a\u0000b"),
            JSON.stringNode("a\nb\u001b"),
            JSON.stringNode("\ud800"),
            JSON.stringNode("x".repeat(50_000)),
            JSON.stringNode("../../etc/passwd"),
            JSON.numberNode(-1),
            JSON.numberNode(Long.MAX_VALUE),
            JSON.numberNode(1e308),
            JSON.booleanNode(true),
            JSON.arrayNode(),
            JSON.objectNode(),
            JSON.arrayNode().add(JSON.nullNode()),
            deep);
    return all.get(random.nextInt(all.size()));
  }
}
