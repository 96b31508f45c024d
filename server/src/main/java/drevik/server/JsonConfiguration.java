package drevik.server;

import drevik.codec.Documents;
import org.hibernate.cfg.MappingSettings;
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
    return properties ->
        properties.put(
            MappingSettings.JSON_FORMAT_MAPPER, new Jackson3JsonFormatMapper(Documents.mapper()));
  }
}
