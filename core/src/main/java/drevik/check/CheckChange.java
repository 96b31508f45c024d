package drevik.check;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What becomes of the findings from one state of a Mix to another.
 *
 * @param gone what was found before and no longer is
 * @param come what is found now and was not before
 */
public record CheckChange(List<Finding> gone, List<Finding> come) {
  /** What makes a finding the same one; what would mend it may have changed meanwhile. */
  private record Same(Rule rule, Finding.Severity severity, List<String> where, String says) {
    static Same of(Finding finding) {
      return new Same(finding.rule(), finding.severity(), finding.where(), finding.says());
    }
  }

  public CheckChange {
    gone = List.copyOf(gone);
    come = List.copyOf(come);
  }

  public static CheckChange between(List<Finding> before, List<Finding> after) {
    return new CheckChange(without(before, after), without(after, before));
  }

  private static List<Finding> without(List<Finding> findings, List<Finding> others) {
    Set<Same> known = new HashSet<>();
    others.forEach(finding -> known.add(Same.of(finding)));
    return findings.stream().filter(finding -> !known.contains(Same.of(finding))).toList();
  }
}
