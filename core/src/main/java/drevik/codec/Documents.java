package drevik.codec;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import drevik.edit.Edit;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Validity;
import drevik.reassign.Following;
import drevik.shelf.KeptChain;
import drevik.shelf.NamedMap;
import java.util.Locale;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads and writes documents as JSON. The only place in the core that knows JSON; records carry no
 * annotations.
 */
public final class Documents {
  private static final JsonMapper MAPPER =
      configure(JsonMapper.builder()).addModule(new OmitDefaults()).build();

  /** The first version that has pins. */
  private static final int PINNED = 5;

  /** Values and brackets of a Mix of some 20,000 channels; a tree of them takes 150 MB. */
  private static final int MOST_TOKENS = 2_000_000;

  private static final int DEEPEST = 50;

  /** Reads what somebody brings, as far as a Mix can go; its limits act while it is read. */
  private static final JsonMapper FOREIGN =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxTokenCount(MOST_TOKENS)
                          .maxNestingDepth(DEEPEST)
                          .build())
                  .build())
          .build();

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "edit")
  private interface EditByName {}

  private Documents() {}

  /** Settings that every mapper of Mixes and edits needs, the server's included. */
  public static JsonMapper.Builder configure(JsonMapper.Builder builder) {
    builder
        .addModule(new ChangesModule())
        .addModule(new KeepableText())
        .addMixIn(Edit.class, EditByName.class)
        .enable(EnumFeature.READ_ENUMS_USING_TO_STRING, EnumFeature.WRITE_ENUMS_USING_TO_STRING)
        .changeDefaultPropertyInclusion(
            inclusion -> inclusion.withValueInclusion(JsonInclude.Include.NON_NULL))
        .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES);
    for (Class<?> edit : Edit.class.getPermittedSubclasses()) {
      builder.registerSubtypes(new NamedType(edit, nameOf(edit)));
    }
    return builder;
  }

  /** The name of an edit in JSON: {@code SendChannelsTo} is {@code send-channels-to}. */
  public static String nameOf(Class<?> edit) {
    return edit.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
  }

  public static JsonMapper mapper() {
    return MAPPER;
  }

  /**
   * Reads a Mix that somebody brings: from a file, from another program. All of it is looked at.
   *
   * @throws Refused if the text is no Mix, one of a later version, or one that no edit could have
   *     made
   */
  public static Mix readForeign(String json) {
    try {
      Mix mix = mixOf(FOREIGN.readTree(json));
      Validity.require(mix);
      return mix;
    } catch (StreamConstraintsException e) {
      throw new Refused(
          "This file is larger or deeper than any Mix, and was not read further: "
              + e.getOriginalMessage());
    } catch (JacksonException e) {
      throw unreadable(e);
    }
  }

  /**
   * Reads a Mix that this program has written, and looked at then: a rule that came later is no
   * reason not to open it.
   *
   * @throws Refused if the text is no Mix, or one of a later version
   */
  public static Mix readTrusted(String json) {
    try {
      return mixOf(MAPPER.readTree(json));
    } catch (JacksonException e) {
      throw unreadable(e);
    }
  }

  private static Mix mixOf(JsonNode tree) {
    int version = tree.path("version").asInt(0);
    if (version > Mix.CURRENT_VERSION) {
      throw new Refused(
          "This Mix has format version "
              + version
              + ", and this Drevik reads up to "
              + Mix.CURRENT_VERSION
              + "; open it with a newer Drevik.");
    }
    if (version < 1 || !tree.path("channels").isArray()) {
      throw new Refused("This is no Mix: it needs a “version” and a list of “channels”.");
    }
    if (version < Mix.CURRENT_VERSION) {
      Migration.bringUpToDate((ObjectNode) tree, version);
    }
    Mix mix = MAPPER.treeToValue(tree, Mix.class);
    return version < PINNED ? Following.settled(mix) : mix;
  }

  /**
   * Reads a category map that somebody brings.
   *
   * @throws Refused if the text is no category map, or one of a later version
   */
  public static NamedMap readMap(String json) {
    try {
      JsonNode tree = FOREIGN.readTree(json);
      int version = tree.path("version").asInt(0);
      if (version > NamedMap.CURRENT_VERSION) {
        throw new Refused(
            "This category map has format version "
                + version
                + ", and this Drevik reads up to "
                + NamedMap.CURRENT_VERSION
                + "; open it with a newer Drevik.");
      }
      if (version < 1 || !tree.path("entries").isArray()) {
        throw new Refused("This is no category map: it needs a “version” and a list of “entries”.");
      }
      return MAPPER.treeToValue(tree, NamedMap.class).cleaned();
    } catch (StreamConstraintsException e) {
      throw new Refused(
          "This file is larger or deeper than any category map, and was not read further: "
              + e.getOriginalMessage());
    } catch (JacksonException e) {
      throw new Refused("This is no readable category map: " + e.getOriginalMessage());
    }
  }

  /** Writes a category map, indented, for people and version control. */
  public static String writeMap(NamedMap map) {
    return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(map);
  }

  /**
   * Reads a chain that somebody brings.
   *
   * @throws Refused if the text is none, or one that nobody could keep
   */
  public static KeptChain readChain(String json) {
    try {
      return MAPPER.treeToValue(FOREIGN.readTree(json), KeptChain.class).cleaned();
    } catch (JacksonException e) {
      throw new Refused("This is no readable chain: " + e.getOriginalMessage());
    }
  }

  /** Writes a chain that is kept, indented. */
  public static String writeChain(KeptChain chain) {
    return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(chain);
  }

  private static Refused unreadable(JacksonException e) {
    return new Refused("This is no readable Mix: " + e.getOriginalMessage());
  }

  /** Writes a Mix as the database keeps it, without blanks between. */
  public static String writeCompact(Mix mix) {
    return MAPPER.writeValueAsString(mix);
  }

  /** Writes a Mix, indented, for people and version control. */
  public static String writeMix(Mix mix) {
    return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(mix);
  }
}
