package drevik.edit;

import drevik.mix.JobKind;
import drevik.mix.Mix;
import drevik.mix.Refused;

/** Files the Mix under a kind of job, with a description. */
public record DescribeMix(JobKind job, String description) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    if (description.length() > 4000) {
      throw new Refused(
          "A description has at most 4000 characters; this one has " + description.length() + ".");
    }
    return mix.withJob(job).withDescription(description);
  }

  @Override
  public String says(Mix before) {
    return "describe the Mix";
  }
}
