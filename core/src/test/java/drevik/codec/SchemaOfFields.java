package drevik.codec;

import drevik.mix.Mix;
import drevik.mix.field.Field;
import drevik.mix.field.Fields;
import drevik.mix.field.FiguresField;
import drevik.mix.field.ListField;
import drevik.mix.field.MixField;
import drevik.mix.field.Range;
import drevik.mix.field.ValueField;
import drevik.shelf.NamedMap;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * The JSON Schema of a document, drawn from what its fields say of themselves. Whatever stands in
 * documents without being a field (an id, a version, the parts of a value) is drawn from records.
 */
final class SchemaOfFields {
  private final Map<String, Map<String, Object>> definitions = new LinkedHashMap<>();
  private final UnaryOperator<String> notes;

  /**
   * @param notes what becomes of what fields say that they mean
   */
  private SchemaOfFields(UnaryOperator<String> notes) {
    this.notes = notes;
  }

  /** The schema of a Mix. */
  static Map<String, Object> ofMix() {
    SchemaOfFields schema = new SchemaOfFields(note -> note);
    Map<String, Object> object = schema.object(Mix.class, Optional.of(MixField.ALL));
    // By them a reader knows that it is a Mix.
    required(object).add("channels");
    return schema.whole("Drevik Mix", MixField.ALL.note(), Mix.CURRENT_VERSION, object);
  }

  /** The schema of a category map apart from any Mix. */
  static Map<String, Object> ofMap() {
    SchemaOfFields schema =
        new SchemaOfFields(note -> note.replaceFirst("^id(s?) of", "name$1 of"));
    Map<String, Object> object = schema.object(NamedMap.class, Optional.empty());
    properties(object).put("entries", schema.array(MixField.CATEGORY_MAP));
    properties(object)
        .put("name", ordered("type", "string", "description", "what it is kept under"));
    required(object).remove("name");
    return schema.whole(
        "Drevik category map",
        "What is said of channels by their category, apart from any Mix: names stand where a Mix has"
            + " ids.",
        NamedMap.CURRENT_VERSION,
        object);
  }

  private Map<String, Object> whole(
      String title, String note, int version, Map<String, Object> object) {
    Map<String, Object> whole = new LinkedHashMap<>();
    whole.put("$schema", "https://json-schema.org/draft/2020-12/schema");
    whole.put("title", title);
    whole.put("description", note);
    properties(object)
        .put(
            "version",
            ordered(
                "const", version, "description", "Format version; a reader refuses later ones."));
    whole.putAll(object);
    whole.put("$defs", definitions);
    return whole;
  }

  @SuppressWarnings("unchecked")
  static Map<String, Object> properties(Map<String, Object> object) {
    return (Map<String, Object>) object.get("properties");
  }

  private Map<String, Object> object(Class<?> type, Optional<Fields<?>> fields) {
    Map<String, Object> properties = new LinkedHashMap<>();
    List<String> required = new ArrayList<>();
    for (RecordComponent component : type.getRecordComponents()) {
      String name = component.getName();
      Optional<? extends Field<?, ?>> field = fields.flatMap(all -> all.byId(name));
      Map<String, Object> property =
          new LinkedHashMap<>(
              field.isPresent() ? of(field.get(), component) : of(component.getGenericType()));
      String note =
          field
              .map(Field::note)
              .orElse(name.equals("id") ? fields.map(Fields::idNote).orElse("") : "");
      if (!note.isEmpty()) {
        property.put("description", notes.apply(note));
      }
      properties.put(name, property);
      boolean list =
          List.class.isAssignableFrom(component.getType())
              && field.map(one -> !one.isNeeded()).orElse(false);
      boolean figures = Map.class.isAssignableFrom(component.getType());
      boolean missing = component.getAnnotatedType().isAnnotationPresent(Nullable.class);
      boolean wrapped = field.isPresent() && isWrapped(field.get(), component);
      if (!list && !figures && !missing && !wrapped && field.flatMap(Field::byDefault).isEmpty()) {
        required.add(name);
      }
    }
    Map<String, Object> object = new LinkedHashMap<>(Map.of("type", "object"));
    object.put("properties", properties);
    object.put("required", required);
    return object;
  }

  @SuppressWarnings("unchecked")
  private static List<String> required(Map<String, Object> object) {
    return (List<String>) object.get("required");
  }

  private static boolean isWrapped(Field<?, ?> field, RecordComponent component) {
    return field instanceof ListField && component.getType().isRecord();
  }

  private Map<String, Object> of(Field<?, ?> field, RecordComponent component) {
    if (field instanceof ListField<?, ?> list) {
      return isWrapped(field, component) ? wrapped(list, component) : array(list);
    }
    if (field instanceof FiguresField<?>) {
      return of(component.getGenericType());
    }
    Map<String, Object> value =
        new LinkedHashMap<>(
            field.choices().isEmpty()
                ? of(((ValueField<?, ?>) field).type())
                : Map.of("enum", field.choices().stream().map(Object::toString).toList()));
    field.range().ifPresent(range -> limits(value, range));
    return value;
  }

  private static void limits(Map<String, Object> value, Range range) {
    value.put("minimum", plain(range.least()));
    if (range.most() < 0x1p53) {
      value.put("maximum", plain(range.most()));
    }
  }

  private static BigDecimal plain(double figure) {
    return new BigDecimal(BigDecimal.valueOf(figure).stripTrailingZeros().toPlainString());
  }

  private Map<String, Object> array(ListField<?, ?> list) {
    Map<String, Object> items =
        list.items().map(this::reference).orElseGet(() -> of((Type) list.itemType()));
    Map<String, Object> array = ordered("type", "array", "items", items);
    if (list.isNeeded()) {
      array.put("minItems", 1);
    }
    return array;
  }

  /** A list that documents have in an object of its own. */
  private Map<String, Object> wrapped(ListField<?, ?> list, RecordComponent component) {
    String inner = component.getType().getRecordComponents()[0].getName();
    Map<String, Object> object = new LinkedHashMap<>(Map.of("type", "object"));
    object.put("properties", Map.of(inner, array(list)));
    object.put("required", List.of(inner));
    return object;
  }

  private Map<String, Object> reference(Fields<?> fields) {
    String name = decapitalised(fields.type().getSimpleName());
    if (!definitions.containsKey(name)) {
      Map<String, Object> definition = new LinkedHashMap<>();
      definitions.put(name, definition);
      if (!fields.note().isEmpty()) {
        definition.put("description", fields.note());
      }
      definition.putAll(object(fields.type(), Optional.of(fields)));
    }
    return Map.of("$ref", "#/$defs/" + name);
  }

  private static String decapitalised(String name) {
    return Character.toLowerCase(name.charAt(0)) + name.substring(1);
  }

  private Map<String, Object> of(Type type) {
    if (type instanceof ParameterizedType of) {
      Map<String, Object> inner =
          of(of.getActualTypeArguments()[of.getActualTypeArguments().length - 1]);
      return List.class.equals(of.getRawType())
          ? ordered("type", "array", "items", inner)
          : ordered("type", "object", "additionalProperties", inner);
    }
    Class<?> of = (Class<?>) type;
    if (of.isEnum()) {
      return Map.of("enum", Arrays.stream(of.getEnumConstants()).map(Object::toString).toList());
    }
    Optional<Fields<?>> known =
        MixField.ALL.withAllWithin().stream().filter(fields -> fields.type() == of).findFirst();
    if (known.isPresent()) {
      return reference(known.get());
    }
    return of.isRecord() ? object(of, Optional.empty()) : Map.of("type", nameOf(of));
  }

  private static Map<String, Object> ordered(String a, Object one, String b, Object two) {
    Map<String, Object> map = new LinkedHashMap<>();
    map.put(a, one);
    map.put(b, two);
    return map;
  }

  private static String nameOf(Class<?> type) {
    if (type == double.class || type == Double.class) {
      return "number";
    }
    if (type == boolean.class || type == Boolean.class) {
      return "boolean";
    }
    return type == String.class ? "string" : "integer";
  }
}
