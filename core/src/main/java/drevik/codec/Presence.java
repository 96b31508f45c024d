package drevik.codec;

import drevik.mix.Refused;
import java.lang.reflect.RecordComponent;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Whether everything is there that must be: what is read from outside may lack any part, and
 * records say with {@code @Nullable} what may be missing. So nobody behind the door meets a null
 * that nobody speaks of.
 */
public final class Presence {
  private Presence() {}

  /**
   * What was read, if all of it is there.
   *
   * @param what what it is called where it is missing itself
   * @throws Refused naming the first part that is missing, with the way to it
   */
  public static <T> T require(@Nullable T thing, String what) {
    look(thing, what);
    return Objects.requireNonNull(thing);
  }

  private static void look(@Nullable Object thing, String way) {
    if (thing == null) {
      throw Refused.about(way, "“" + way + "” is missing; say what it is.");
    }
    if (thing instanceof List<?> list) {
      for (int i = 0; i < list.size(); i++) {
        look(list.get(i), way + "[" + i + "]");
      }
    } else if (thing instanceof Map<?, ?> map) {
      map.forEach((key, value) -> look(value, way + "." + key));
    } else if (thing.getClass().isRecord()) {
      for (RecordComponent component : thing.getClass().getRecordComponents()) {
        part(thing, component, way);
      }
    }
  }

  private static void part(Object thing, RecordComponent component, String way) {
    Object value;
    try {
      component.getAccessor().setAccessible(true);
      value = component.getAccessor().invoke(thing);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
    if (value != null || !component.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
      look(value, way.isEmpty() ? component.getName() : way + "." + component.getName());
    }
  }
}
