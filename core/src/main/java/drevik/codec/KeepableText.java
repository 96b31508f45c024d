package drevik.codec;

import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * Text that can be kept. JSON can say two things that no UTF-8 text, and so no database, holds: the
 * character U+0000 and halves of surrogate pairs.
 */
final class KeepableText extends SimpleModule {
  private static final long serialVersionUID = 1;

  KeepableText() {
    super("keepable-text");
    addDeserializer(String.class, new OfValue());
    addKeyDeserializer(String.class, new OfKey());
  }

  private static String require(String text, DeserializationContext context) {
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      boolean pair =
          Character.isHighSurrogate(c)
              && i + 1 < text.length()
              && Character.isLowSurrogate(text.charAt(i + 1));
      if (c == 0 || (Character.isSurrogate(c) && !pair)) {
        return context.reportInputMismatch(
            String.class,
            "a text holds a character that cannot be kept (U+%04X, at %d of “%s”); take it out",
            (int) c,
            i + 1,
            text.replaceAll("[\\x00\\ud800-\\udfff]", "?"));
      }
      i += pair ? 1 : 0;
    }
    return text;
  }

  private static final class OfValue extends StdScalarDeserializer<String> {
    OfValue() {
      super(String.class);
    }

    @Override
    public String deserialize(JsonParser parser, DeserializationContext context) {
      return require(StringDeserializer.instance.deserialize(parser, context), context);
    }
  }

  private static final class OfKey extends KeyDeserializer {
    @Override
    public Object deserializeKey(String key, DeserializationContext context) {
      return require(key, context);
    }
  }
}
