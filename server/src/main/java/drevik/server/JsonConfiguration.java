package drevik.server;

import drevik.codec.Documents;
import drevik.mix.Mix;
import org.hibernate.cfg.MappingSettings;
import org.hibernate.type.descriptor.WrapperOptions;
import org.hibernate.type.descriptor.java.JavaType;
import org.hibernate.type.format.FormatMapper;
import org.hibernate.type.format.jackson.Jackson3JsonFormatMapper;
import org.springframework.boot.hibernate.autoconfigure.HibernatePropertiesCustomizer;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** HTTP and database write documents exactly as the core's own files do. */
@Configuration
class JsonConfiguration {
  @Bean
  JsonMapperBuilderCustomizer documents() {
    return Documents::configure;
  }

  @Bean
  HibernatePropertiesCustomizer documentsInTheDatabase() {
    return properties -> properties.put(MappingSettings.JSON_FORMAT_MAPPER, new DocumentMapper());
  }

  /** Mixes of earlier versions are brought up to date as they are read, like files. */
  private static final class DocumentMapper implements FormatMapper {
    private final FormatMapper plain = new Jackson3JsonFormatMapper(Documents.mapper());

    @Override
    public <T> T fromString(CharSequence text, JavaType<T> type, WrapperOptions options) {
      return type.getJavaTypeClass() == Mix.class
          ? type.wrap(Documents.readMix(text.toString()), options)
          : plain.fromString(text, type, options);
    }

    @Override
    public <T> String toString(T value, JavaType<T> type, WrapperOptions options) {
      return plain.toString(value, type, options);
    }
  }
}
