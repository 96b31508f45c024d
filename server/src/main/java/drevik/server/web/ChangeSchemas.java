package drevik.server.web;

import drevik.mix.field.Field;
import drevik.mix.field.Fields;
import drevik.mix.field.FiguresField;
import drevik.mix.field.ListField;
import drevik.mix.field.ValueField;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.converter.ResolvedSchema;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Describes changes of a thing: an object of which every field may be missing, made from the list
 * of fields that the thing has.
 */
// The library's own signatures use Schema without its type.
@SuppressWarnings("rawtypes")
final class ChangeSchemas {
  private static final String REF = "#/components/schemas/";

  private final Map<String, Schema> schemas;

  ChangeSchemas(Map<String, Schema> schemas) {
    this.schemas = schemas;
  }

  static String nameOf(Class<?> thing) {
    return thing.getSimpleName() + "Changes";
  }

  void add(Fields<?> fields) {
    if (schemas.containsKey(nameOf(fields.type()))) {
      return;
    }
    Schema<?> changes = object();
    schemas.put(nameOf(fields.type()), changes);
    for (Field<?, ?> field : fields.all()) {
      changes.addProperty(field.id(), property(fields, field));
    }
  }

  private Schema<?> property(Fields<?> fields, Field<?, ?> field) {
    if (field instanceof ListField<?, ?> list) {
      return list(list);
    }
    if (field instanceof FiguresField<?>) {
      return object().additionalProperties(orNull(schemaOf(Double.class)));
    }
    Schema<?> value = schemaOf(((ValueField<?, ?>) field).type());
    return mayBeNull(fields, field) ? orNull(value) : value;
  }

  private static boolean mayBeNull(Fields<?> fields, Field<?, ?> field) {
    return Arrays.stream(fields.type().getRecordComponents())
        .filter(component -> component.getName().equals(field.id()))
        .anyMatch(component -> component.getAnnotatedType().isAnnotationPresent(Nullable.class));
  }

  private Schema<?> list(ListField<?, ?> list) {
    Schema<?> added =
        object()
            .addProperty("item", schemaOf(list.itemType()))
            .addProperty("after", orNull(new StringSchema()));
    added.setRequired(List.of("item"));
    Schema<?> change =
        object()
            .addProperty("added", new ArraySchema().items(added))
            .addProperty("removed", new ArraySchema().items(new StringSchema()))
            .addProperty("order", new ArraySchema().items(new StringSchema()));
    list.items()
        .ifPresent(
            items -> {
              add(items);
              change.addProperty(
                  "changed",
                  object().additionalProperties(new Schema<>().$ref(REF + nameOf(items.type()))));
            });
    return change;
  }

  /** The schema of a value; those that it refers to are described beside. */
  private Schema<?> schemaOf(Class<?> type) {
    ResolvedSchema resolved =
        ModelConverters.getInstance(true)
            .resolveAsResolvedSchema(new AnnotatedType(type).resolveAsRef(true));
    resolved.referencedSchemas.forEach(schemas::putIfAbsent);
    return resolved.schema;
  }

  private static Schema<?> orNull(Schema<?> schema) {
    Schema<?> none = new Schema<>();
    none.setTypes(Set.of("null"));
    Schema<?> either = new Schema<>();
    either.setAnyOf(List.of(schema, none));
    return either;
  }

  private static Schema<?> object() {
    Schema<?> object = new Schema<>();
    object.setTypes(Set.of("object"));
    return object;
  }
}
