package drevik.codec;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The published schemas are what the fields say; {@code -Ddrevik.update=true} writes them anew. */
class SchemaTest {
  @Test
  void theSchemaOfAMixIsWhatItsFieldsSay() throws IOException {
    isPublished("mix", SchemaOfFields.ofMix());
  }

  @Test
  void theSchemaOfACategoryMapIsWhatItsFieldsSay() throws IOException {
    isPublished("map", SchemaOfFields.ofMap());
  }

  private static void isPublished(String name, Map<String, Object> schema) throws IOException {
    Path file = Path.of("../docs/formats/" + name + ".schema.json");
    String text =
        Documents.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(schema) + "\n";
    if (Boolean.getBoolean("drevik.update")) {
      Files.writeString(file, text);
    }
    assertThat(Files.readString(file))
        .as("run the core tests once with -Ddrevik.update=true")
        .isEqualTo(text);
  }
}
