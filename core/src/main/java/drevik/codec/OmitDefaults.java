package drevik.codec;

import drevik.mix.field.Field;
import drevik.mix.field.Fields;
import drevik.mix.field.MixField;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.BeanDescription;
import tools.jackson.databind.SerializationConfig;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.ser.BeanPropertyWriter;
import tools.jackson.databind.ser.ValueSerializerModifier;

/**
 * What a document leaves out: what holds by default, as each field says of itself. It is read as
 * such again. A third less to write and to read, and what is left is what somebody has set.
 */
final class OmitDefaults extends SimpleModule {
  private static final long serialVersionUID = 1;

  OmitDefaults() {
    super("omit-defaults");
    setSerializerModifier(new Omitting(MixField.ALL.withAllWithin()));
  }

  private static final class Omitting extends ValueSerializerModifier {
    private static final long serialVersionUID = 1;
    private final transient Map<Class<?>, Fields<?>> fields = new HashMap<>();

    Omitting(List<Fields<?>> all) {
      all.forEach(each -> fields.put(each.type(), each));
    }

    @Override
    public List<BeanPropertyWriter> changeProperties(
        SerializationConfig config,
        BeanDescription.Supplier bean,
        List<BeanPropertyWriter> properties) {
      Fields<?> of = fields.get(bean.getBeanClass());
      return of == null
          ? properties
          : properties.stream().map(property -> omitting(property, of)).toList();
    }

    private static BeanPropertyWriter omitting(BeanPropertyWriter property, Fields<?> of) {
      Optional<?> unsaid = of.byId(property.getName()).flatMap(Field::byDefault);
      return unsaid.isEmpty() ? property : new UnlessDefault(property, unsaid.get());
    }
  }

  private static final class UnlessDefault extends BeanPropertyWriter {
    private static final long serialVersionUID = 1;
    private final transient Object unsaid;

    UnlessDefault(BeanPropertyWriter property, Object unsaid) {
      super(property);
      this.unsaid = unsaid;
    }

    @Override
    public void serializeAsProperty(Object bean, JsonGenerator out, SerializationContext context)
        throws Exception {
      if (!unsaid.equals(get(bean))) {
        super.serializeAsProperty(bean, out, context);
      }
    }
  }
}
