package drevik.server.space;

import java.util.Arrays;
import org.springframework.core.convert.converter.Converter;
import org.springframework.stereotype.Component;

/** Addresses name what can be removed by its word. */
@Component
class RemovableByWord implements Converter<String, Removable> {
  @Override
  public Removable convert(String word) {
    return Arrays.stream(Removable.values())
        .filter(one -> one.toString().equals(word))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("nothing is called " + word));
  }
}
