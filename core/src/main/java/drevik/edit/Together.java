package drevik.edit;

import drevik.mix.Mix;
import java.util.List;

/** Several edits as one: all of them, or none. */
public record Together(List<Edit> edits, String words) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Mix after = mix;
    for (Edit edit : edits) {
      after = edit.applyTo(after);
    }
    return after;
  }

  @Override
  public String says(Mix before) {
    return words;
  }
}
