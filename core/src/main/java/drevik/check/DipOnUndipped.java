package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.mix.Control;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import java.util.ArrayList;
import java.util.List;

/** Dips that act on what is to be undipped. */
final class DipOnUndipped implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.mix.controls().stream()
        .filter(Control::dip)
        .forEach(dip -> survey.mix.outputs().forEach(output -> dipOnUndipped(survey, dip, output)));
  }

  private static void dipOnUndipped(Survey survey, Control control, Output output) {
    if (output.kind() != OutputKind.UNDIPPED_STEM) {
      return;
    }
    List<String> members =
        control.members().stream()
            .filter(member -> survey.wired.isDipped(member, output.id()))
            .toList();
    if (members.isEmpty()) {
      return;
    }
    List<String> where = new ArrayList<>(List.of(output.id()));
    where.addAll(members);
    survey.report(
        Rule.DIP_ON_UNDIPPED,
        Severity.WRONG,
        where,
        "Output “"
            + output.name()
            + "” is to be undipped, and the dip “"
            + control.name()
            + "” rides "
            + survey.names(members)
            + " on the way to it.",
        ChangeMix.withoutMembers(control.id(), members));
  }
}
