package drevik.edit;

import drevik.mix.Mix;

/** Renames and describes the Mix itself. */
public record RenameMix(String name, String description) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    return mix.withName(Picked.cleanName(name))
        .withDescription(description == null ? "" : description);
  }

  @Override
  public String says(Mix before) {
    return "rename the Mix";
  }
}
