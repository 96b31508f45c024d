package drevik.server.web;

import com.fasterxml.jackson.databind.JavaType;
import com.fasterxml.jackson.databind.SerializationFeature;
import drevik.codec.Documents;
import drevik.edit.Edit;
import drevik.mix.Lookup;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.MapEntryField;
import drevik.mix.field.MixField;
import drevik.mix.field.SendField;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.ComposedSchema;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Makes the API's description say what the JSON really is: enums by their document names, edits
 * told apart by {@code edit}, and everything required that is not {@code @Nullable}. The front
 * end's types are generated from it.
 */
@Configuration
class OpenApiConfiguration {
  private static final String REF = "#/components/schemas/";

  @Bean
  ModelResolver enumsByTheirNames(ObjectMapperProvider provider) {
    return new ModelResolver(
        provider.jsonMapper().enable(SerializationFeature.WRITE_ENUMS_USING_TO_STRING));
  }

  @Bean
  ModelConverter requiredUnlessNullable() {
    return new RequiredUnlessNullable();
  }

  // The library's own signatures use Schema without its type.
  @SuppressWarnings("rawtypes")
  @Bean
  OpenApiCustomizer describe() {
    return api -> {
      api.setInfo(new Info().title("Drevik").version("1"));
      api.setServers(List.of());
      Map<String, Schema> schemas = api.getComponents().getSchemas();
      ComposedSchema edit = new ComposedSchema();
      Discriminator discriminator = new Discriminator().propertyName("edit");
      for (Class<?> type : Edit.class.getPermittedSubclasses()) {
        ModelConverters.getInstance().readAll(type).forEach(schemas::putIfAbsent);
        String name = Documents.nameOf(type);
        schemas.put(
            type.getSimpleName(), flat(Lookup.in(schemas, type.getSimpleName()), type, name));
        edit.addOneOfItem(new Schema<>().$ref(REF + type.getSimpleName()));
        discriminator.mapping(name, REF + type.getSimpleName());
      }
      edit.setDiscriminator(discriminator);
      schemas.put("Edit", edit);
      ChangeSchemas changes = new ChangeSchemas(schemas);
      Stream.of(MixField.ALL, ChannelField.ALL, SendField.ALL, MapEntryField.ALL)
          .forEach(changes::add);
    };
  }

  /**
   * One edit as a plain object; the library would have it inherit from the union that it is part
   * of.
   */
  private static Schema<?> flat(Schema<?> described, Class<?> type, String name) {
    Schema<?> own = described;
    if (described.getAllOf() != null) {
      own = described.getAllOf().get(described.getAllOf().size() - 1);
    }
    Schema<?> schema = new Schema<>();
    schema.setTypes(Set.of("object"));
    schema.addProperty("edit", new StringSchema()._enum(List.of(name)));
    if (own.getProperties() != null) {
      own.getProperties().forEach(schema::addProperty);
    }
    List<String> required = new ArrayList<>(List.of("edit"));
    required.addAll(RequiredUnlessNullable.requiredOf(type));
    schema.setRequired(required);
    return schema;
  }

  /** Adds {@code required} to the schemas of records. */
  private static final class RequiredUnlessNullable implements ModelConverter {
    @Override
    public @Nullable Schema<?> resolve(
        AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
      if (!chain.hasNext()) {
        return null;
      }
      JavaType asked = io.swagger.v3.core.util.Json.mapper().constructType(type.getType());
      if (asked != null && asked.getRawClass() == Changes.class) {
        return new Schema<>()
            .$ref(REF + ChangeSchemas.nameOf(asked.containedTypeOrUnknown(0).getRawClass()));
      }
      Schema<?> schema = chain.next().resolve(type, context, chain);
      JavaType java = io.swagger.v3.core.util.Json.mapper().constructType(type.getType());
      if (java != null && java.getRawClass().isRecord() && schema != null) {
        Schema<?> model =
            schema.get$ref() == null
                ? schema
                : context.getDefinedModels().get(schema.get$ref().substring(REF.length()));
        if (model != null && model.getProperties() != null) {
          model.setRequired(requiredOf(java.getRawClass()));
        }
      }
      return schema;
    }

    static List<String> requiredOf(Class<?> record) {
      return Arrays.stream(record.getRecordComponents())
          .filter(c -> !c.getAnnotatedType().isAnnotationPresent(Nullable.class))
          .map(RecordComponent::getName)
          .toList();
    }
  }
}
