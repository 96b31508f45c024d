package drevik.edit;

import drevik.mix.JobKind;
import drevik.mix.Limits;
import drevik.mix.Mix;
import org.jspecify.annotations.Nullable;

/** Names and describes the Mix itself, and files it under a kind of job; what is null stays. */
public record DescribeMix(
    @Nullable String name, @Nullable JobKind job, @Nullable String description) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Limits.requireText(description, Limits.DESCRIPTION, "A description");
    return mix.withName(name == null ? mix.name() : Picked.cleanName(name))
        .withJob(job == null ? mix.job() : job)
        .withDescription(description == null ? mix.description() : description);
  }

  @Override
  public String says(Mix before) {
    return name == null || name.strip().equals(before.name())
        ? "describe the Mix"
        : "name the Mix “" + name.strip() + "”";
  }
}
