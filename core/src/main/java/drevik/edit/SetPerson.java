package drevik.edit;

import drevik.mix.Mix;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Says whose seats these are: a singer, an interviewee; null for nobody in particular. */
public record SetPerson(List<String> channels, @Nullable String person) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    String name = person == null || person.isBlank() ? null : Picked.cleanName(person);
    return Picked.change(mix, channels, channel -> channel.withPerson(name));
  }

  @Override
  public String says(Mix before) {
    return "set the person of " + Picked.names(before, channels);
  }
}
