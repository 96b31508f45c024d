package drevik.codec;

import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.Field;
import drevik.mix.field.Fields;
import drevik.mix.field.FiguresChange;
import drevik.mix.field.ListChange;
import drevik.mix.field.ListField;
import drevik.mix.field.MixField;
import drevik.mix.field.ValueField;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.BeanProperty;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JavaType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * Changes as JSON: an object with the fields that are changed. A value is the new value, null for
 * none; figures are an object of those that change; a list is an object of what is {@code added},
 * {@code removed}, {@code changed} and put in {@code order}.
 */
final class ChangesModule extends SimpleModule {
  private static final long serialVersionUID = 1;
  private static final List<Fields<?>> ALL = MixField.ALL.withAllWithin();

  ChangesModule() {
    super("changes");
    addSerializer(new Writer());
    addDeserializer(Changes.class, new Reader(null));
  }

  private static final class Writer extends ValueSerializer<Changes<?>> {
    @Override
    @SuppressWarnings("unchecked")
    public Class<?> handledType() {
      return Changes.class;
    }

    @Override
    public void serialize(Changes<?> changes, JsonGenerator out, SerializationContext context) {
      out.writeStartObject();
      changes
          .all()
          .forEach(
              (field, change) -> {
                out.writeName(field.id());
                write(change, out, context);
              });
      out.writeEndObject();
    }

    private void write(Change<?> change, JsonGenerator out, SerializationContext context) {
      if (change instanceof Change.To<?> to) {
        value(to.value(), out, context);
      } else if (change instanceof FiguresChange figures) {
        out.writeStartObject();
        figures
            .figures()
            .forEach(
                (name, figure) -> {
                  out.writeName(name);
                  value(figure, out, context);
                });
        out.writeEndObject();
      } else if (change instanceof ListChange<?> list) {
        list(list, out, context);
      }
    }

    private void list(ListChange<?> list, JsonGenerator out, SerializationContext context) {
      out.writeStartObject();
      if (!list.added().isEmpty()) {
        context.defaultSerializeProperty("added", list.added(), out);
      }
      if (!list.removed().isEmpty()) {
        context.defaultSerializeProperty("removed", list.removed(), out);
      }
      if (!list.changed().isEmpty()) {
        out.writeName("changed");
        out.writeStartObject();
        list.changed()
            .forEach(
                (id, changes) -> {
                  out.writeName(id);
                  serialize(changes, out, context);
                });
        out.writeEndObject();
      }
      if (!list.order().isEmpty()) {
        context.defaultSerializeProperty("order", list.order(), out);
      }
      out.writeEndObject();
    }

    private static void value(
        @Nullable Object value, JsonGenerator out, SerializationContext context) {
      if (value == null) {
        out.writeNull();
      } else {
        context.writeValue(out, value);
      }
    }
  }

  private static final class Reader extends ValueDeserializer<Changes<?>> {
    private final @Nullable Fields<?> fields;

    Reader(@Nullable Fields<?> fields) {
      this.fields = fields;
    }

    /** Of what they are changes is known from where they stand. */
    @Override
    public ValueDeserializer<?> createContextual(
        DeserializationContext context, @Nullable BeanProperty property) {
      JavaType type = property == null ? context.getContextualType() : property.getType();
      Class<?> of = type.containedTypeOrUnknown(0).getRawClass();
      return new Reader(ALL.stream().filter(one -> one.type() == of).findFirst().orElse(null));
    }

    @Override
    public Changes<?> deserialize(JsonParser parser, DeserializationContext context) {
      if (fields == null) {
        return context.reportInputMismatch(Changes.class, "Nothing has changes of that kind.");
      }
      return changes(fields, context.readTree(parser), context);
    }

    private static <T> Changes<T> changes(
        Fields<T> fields, JsonNode node, DeserializationContext context) {
      requireObject(node, "Changes", context);
      Changes<T> changes = Changes.none(fields);
      for (Map.Entry<String, JsonNode> one : node.properties()) {
        Field<T, ?> field = fields.byId(one.getKey()).orElse(null);
        if (field == null) {
          return context.reportInputMismatch(
              Changes.class,
              "There is no field “%s” of a %s.",
              one.getKey(),
              fields.type().getSimpleName());
        }
        changes = changes.with(field, change(field, one.getValue(), context));
      }
      return changes;
    }

    private static Change<?> change(
        Field<?, ?> field, JsonNode node, DeserializationContext context) {
      if (field instanceof ListField<?, ?> list) {
        return list(list, node, context);
      }
      if (field instanceof ValueField<?, ?> value) {
        return new Change.To<>(node.isNull() ? null : context.readTreeAsValue(node, value.type()));
      }
      requireObject(node, field.label(), context);
      Map<String, @Nullable Double> figures = new TreeMap<>();
      for (Map.Entry<String, JsonNode> one : node.properties()) {
        if (!one.getValue().isNull() && !one.getValue().isNumber()) {
          context.reportInputMismatch(Changes.class, "“%s” needs a figure.", one.getKey());
        }
        figures.put(one.getKey(), one.getValue().isNull() ? null : one.getValue().doubleValue());
      }
      return new FiguresChange(figures);
    }

    private static <E> ListChange<E> list(
        ListField<?, E> field, JsonNode node, DeserializationContext context) {
      requireObject(node, field.label(), context);
      List<ListChange.Added<E>> added = new ArrayList<>();
      for (JsonNode one : node.path("added")) {
        JsonNode item = one.path("item");
        if (item.isMissingNode() || item.isNull()) {
          context.reportInputMismatch(
              Changes.class, "What is added to “%s” needs an item.", field.label());
        }
        JsonNode after = one.path("after");
        added.add(
            new ListChange.Added<>(
                context.readTreeAsValue(item, field.itemType()),
                after.isString() ? after.stringValue() : null));
      }
      Map<String, Changes<E>> changed = new LinkedHashMap<>();
      for (Map.Entry<String, JsonNode> one : node.path("changed").properties()) {
        Fields<E> items = field.items().orElse(null);
        if (items == null) {
          return context.reportInputMismatch(
              Changes.class, "Members of “%s” are added or removed, not changed.", field.label());
        }
        changed.put(one.getKey(), changes(items, one.getValue(), context));
      }
      return new ListChange<>(
          field, added, words(node, "removed", context), changed, words(node, "order", context));
    }

    private static List<String> words(JsonNode node, String name, DeserializationContext context) {
      List<String> words = new ArrayList<>();
      for (JsonNode word : node.path(name)) {
        if (!word.isString()) {
          context.reportInputMismatch(Changes.class, "“%s” lists ids.", name);
        }
        words.add(word.stringValue());
      }
      return words;
    }

    private static void requireObject(JsonNode node, String what, DeserializationContext context) {
      if (!node.isObject()) {
        context.reportInputMismatch(Changes.class, "%s are an object.", what);
      }
    }
  }
}
