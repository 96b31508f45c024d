package drevik.check;

import drevik.check.Finding.Severity;
import drevik.deliver.FileNames;
import drevik.deliver.NamePattern;
import drevik.edit.ChangeMix;
import drevik.mix.Lookup;
import drevik.mix.Output;
import drevik.mix.field.OutputField;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/** Files that could not be written, or would overwrite each other. */
final class FileNamesCollide implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    names(survey, survey.outputs());
  }

  private static void names(Survey survey, Map<String, Output> outputs) {
    for (FileNames.Fault fault :
        FileNames.faults(survey.mix, new NamePattern.Occasion(1, LocalDate.EPOCH))) {
      String id = fault.outputs().get(fault.outputs().size() - 1);
      Output last = Lookup.in(outputs, id);
      survey.report(
          Rule.FILE_NAME,
          Severity.WRONG,
          fault.outputs(),
          fault.says(),
          ChangeMix.output(last.id(), OutputField.NAME_PATTERN, plainName(survey, last)));
    }
  }

  /** A pattern that no other output has. */
  private static String plainName(Survey survey, Output output) {
    String base = "{output}";
    for (int number = 2; ; number++) {
      String pattern = base;
      Output candidate = output.withNamePattern(pattern);
      List<Output> others =
          survey.mix.outputs().stream()
              .map(other -> other.id().equals(output.id()) ? candidate : other)
              .toList();
      boolean clear =
          FileNames.faults(
                  survey.mix.withOutputs(others), new NamePattern.Occasion(1, LocalDate.EPOCH))
              .stream()
              .noneMatch(fault -> fault.outputs().contains(output.id()));
      if (clear || number > survey.mix.outputs().size() + 2) {
        return pattern;
      }
      base = "{output} " + number;
    }
  }
}
