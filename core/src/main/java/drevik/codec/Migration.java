package drevik.codec;

import drevik.mix.Mix;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Brings documents of earlier versions up to date. Version 1 had sends with one destination and
 * outputs with a file name in the place of a pattern; a name without braces is a pattern too.
 */
final class Migration {
  private Migration() {}

  static void bringUpToDate(ObjectNode mix) {
    for (JsonNode channel : mix.path("channels")) {
      for (JsonNode send : channel.path("sends")) {
        if (send instanceof ObjectNode object && object.has("destination")) {
          JsonNode destination = object.remove("destination");
          object.putArray("destinations").add(destination);
        }
      }
    }
    for (JsonNode output : mix.path("outputs")) {
      if (output instanceof ObjectNode object && object.has("fileName")) {
        object.set("namePattern", object.remove("fileName"));
      }
    }
    mix.put("version", Mix.CURRENT_VERSION);
  }
}
