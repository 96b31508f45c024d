package drevik.codec;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What makes one document of another, as a JSON Patch (RFC 6902: add, remove and replace, with
 * pointers as of RFC 6901). It is told of documents as they are written, and so needs no knowledge
 * of what they mean: a program of a later format puts old ones together first, and then brings the
 * whole up to date.
 */
public final class DocumentPatch {
  private static final JsonMapper MAPPER = Documents.mapper();
  private static final String CHANNELS = "/channels";

  private final ArrayNode operations = MAPPER.createArrayNode();

  private DocumentPatch() {}

  /** The patch that makes the document of one Mix that of another. */
  public static String between(Mix before, Mix after) {
    DocumentPatch patch = new DocumentPatch();
    patch.tree("", bare(before), bare(after));
    patch.channels(before.channels(), after.channels());
    return patch.operations.toString();
  }

  /**
   * Channels are most of a document, and most of them are the same: these are not written at all.
   */
  private static JsonNode bare(Mix mix) {
    return MAPPER.valueToTree(mix.withChannels(List.of()));
  }

  private void channels(List<Channel> before, List<Channel> after) {
    int shorter = Math.min(before.size(), after.size());
    int head = 0;
    while (head < shorter && before.get(head).equals(after.get(head))) {
      head++;
    }
    int tail = 0;
    while (tail < shorter - head
        && before.get(before.size() - 1 - tail).equals(after.get(after.size() - 1 - tail))) {
      tail++;
    }
    boolean samePlaces = before.size() == after.size();
    for (int i = head; samePlaces && i < before.size() - tail; i++) {
      if (!before.get(i).equals(after.get(i))) {
        tree(CHANNELS + "/" + i, node(before.get(i)), node(after.get(i)));
      }
    }
    if (!samePlaces) {
      for (int i = before.size() - tail - 1; i >= head; i--) {
        operation("remove", CHANNELS + "/" + i);
      }
      for (int i = head; i < after.size() - tail; i++) {
        operation("add", CHANNELS + "/" + i).set("value", node(after.get(i)));
      }
    }
  }

  private static JsonNode node(Channel channel) {
    return MAPPER.valueToTree(channel);
  }

  private void tree(String path, JsonNode before, JsonNode after) {
    if (before.equals(after)) {
      return;
    }
    if (before instanceof ObjectNode was && after instanceof ObjectNode is) {
      for (String key : List.copyOf(was.propertyNames())) {
        if (!is.has(key)) {
          operation("remove", path + "/" + escaped(key));
        }
      }
      for (Map.Entry<String, JsonNode> field : is.properties()) {
        String at = path + "/" + escaped(field.getKey());
        if (was.has(field.getKey())) {
          tree(at, was.get(field.getKey()), field.getValue());
        } else {
          operation("add", at).set("value", field.getValue());
        }
      }
    } else if (before instanceof ArrayNode was
        && after instanceof ArrayNode is
        && was.size() == is.size()) {
      for (int i = 0; i < is.size(); i++) {
        tree(path + "/" + i, was.get(i), is.get(i));
      }
    } else {
      operation("replace", path).set("value", after);
    }
  }

  private ObjectNode operation(String what, String path) {
    return operations.addObject().put("op", what).put("path", path);
  }

  private static String escaped(String key) {
    return key.replace("~", "~0").replace("/", "~1");
  }

  /**
   * A document with patches made to it, one after another.
   *
   * @throws Refused if the text is no document, or a patch none of it
   */
  public static String applied(String document, List<String> patches) {
    try {
      JsonNode tree = MAPPER.readTree(document);
      for (String patch : patches) {
        for (JsonNode operation : MAPPER.readTree(patch)) {
          apply(tree, operation);
        }
      }
      return tree.toString();
    } catch (JacksonException | IllegalArgumentException | IndexOutOfBoundsException e) {
      throw new Refused("This revision cannot be put together: " + e.getMessage());
    }
  }

  private static void apply(JsonNode tree, JsonNode operation) {
    String path = operation.path("path").asString();
    int last = path.lastIndexOf('/');
    JsonNode parent = tree.at(path.substring(0, last));
    String key = path.substring(last + 1).replace("~1", "/").replace("~0", "~");
    String what = operation.path("op").asString();
    if (parent instanceof ObjectNode object) {
      if (what.equals("remove")) {
        object.remove(key);
      } else {
        object.set(key, operation.get("value"));
      }
    } else if (parent instanceof ArrayNode array) {
      int index = Integer.parseInt(key);
      switch (what) {
        case "remove" -> array.remove(index);
        case "add" -> array.insert(index, operation.get("value"));
        default -> array.set(index, operation.get("value"));
      }
    } else {
      throw new IllegalArgumentException("there is nothing at " + path);
    }
  }
}
