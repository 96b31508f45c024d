package drevik.codec;

import drevik.mix.Limits;
import drevik.mix.Mix;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Brings documents of earlier versions up to date.
 *
 * <p>Version 1 had sends with one destination and outputs with a file name in the place of a
 * pattern; a name without braces is a pattern too. Version 2 had ids of sends and inserts that were
 * unique within their channel at most, and ids of clips that told which delivered files they play.
 * The same thing gets the same id in every revision: its channel's with its own behind it. Version
 * 3 had nothing but pan to say where something stands, and no dither of an output's own. Version 4
 * had a category map of destinations and colours alone, and no pins: what departed from the map was
 * somebody's exception, and is pinned.
 */
final class Migration {
  private static final String CLIP = "clip-";

  private Migration() {}

  static void bringUpToDate(ObjectNode mix, int version) {
    if (version < 3) {
      qualifyIds(mix);
    }
    if (version < 5) {
      listEntries(mix);
    }
    mix.put("version", Mix.CURRENT_VERSION);
  }

  private static void qualifyIds(ObjectNode mix) {
    Set<String> taken = new HashSet<>();
    for (JsonNode channel : mix.path("channels")) {
      String owner = channel.path("id").asString("");
      for (JsonNode send : channel.path("sends")) {
        if (send instanceof ObjectNode object) {
          spreadDestinations(object);
          qualify(object, owner, taken);
        }
      }
      for (JsonNode insert : channel.path("chain")) {
        if (insert instanceof ObjectNode object) {
          qualify(object, owner, taken);
        }
      }
      for (JsonNode clip : channel.path("clips")) {
        if (clip instanceof ObjectNode object) {
          clip(object, owner, taken);
        }
      }
    }
    for (JsonNode output : mix.path("outputs")) {
      if (output instanceof ObjectNode object && object.has("fileName")) {
        object.set("namePattern", object.remove("fileName"));
      }
    }
    for (String list : List.of("stemSets", "markers")) {
      Set<String> own = new HashSet<>();
      for (JsonNode one : mix.path(list)) {
        if (one instanceof ObjectNode object) {
          put(object, object.path("id").asString(list), own);
        }
      }
    }
  }

  private static void listEntries(ObjectNode mix) {
    JsonNode rules = mix.path("categoryMap").path("rules");
    ArrayNode entries = mix.putObject("categoryMap").putArray("entries");
    rules
        .properties()
        .forEach(
            rule -> {
              ObjectNode entry = entries.addObject().put("id", rule.getKey());
              entry.put("category", rule.getKey());
              rule.getValue()
                  .properties()
                  .forEach(said -> entry.set(said.getKey(), said.getValue()));
            });
  }

  private static void spreadDestinations(ObjectNode send) {
    if (send.has("destination")) {
      JsonNode destination = send.remove("destination");
      send.putArray("destinations").add(destination);
    }
  }

  private static void qualify(ObjectNode thing, String owner, Set<String> taken) {
    String id = thing.path("id").asString("");
    put(
        thing,
        owner + "/" + (id.startsWith(owner + ">") ? id.substring(owner.length() + 1) : id),
        taken);
  }

  /** The files that a clip plays stood in its id: {@code clip-left+right.2}. */
  private static void clip(ObjectNode clip, String owner, Set<String> taken) {
    String id = clip.path("id").asString("");
    if (id.startsWith(CLIP) && !clip.has("delivered")) {
      ArrayNode delivered = clip.putArray("delivered");
      String files = id.substring(CLIP.length()).replaceFirst("\\.\\d+$", "");
      for (String file : files.split("\\+", 0)) {
        delivered.add(file);
      }
    }
    put(clip, taken.contains(id) ? owner + "/" + id : id, taken);
  }

  private static void put(ObjectNode thing, String wanted, Set<String> taken) {
    thing.put("id", Limits.firstFree(wanted, "-", taken));
  }
}
