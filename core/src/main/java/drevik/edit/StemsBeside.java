package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Limits;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * A Mix with a stem of one bus beside the stem of another, printed alike.
 *
 * @param id of the new output
 */
record StemsBeside(Mix mix, String id) {
  static boolean isStemOf(Output output, Channel bus) {
    boolean isStem = output.kind() == OutputKind.STEM || output.kind() == OutputKind.UNDIPPED_STEM;
    return isStem && output.channel().equals(bus.id());
  }

  static StemsBeside of(Mix mix, Output stem, Channel old, Channel bus) {
    Set<String> taken = new HashSet<>();
    mix.outputs().forEach(output -> taken.add(output.id()));
    String called = stem.name().replace(old.name(), bus.name());
    if (called.equals(stem.name())) {
      called = bus.name() + " stem";
    }
    String pattern = stem.namePattern().equals(stem.name()) ? called : stem.namePattern();
    Output beside =
        stem.withId(Limits.firstFree("out-" + bus.id(), "-", taken))
            .withName(called)
            .withChannel(bus.id())
            .withNamePattern(pattern);
    List<Output> outputs = new ArrayList<>();
    for (Output output : mix.outputs()) {
      outputs.add(output);
      if (output.id().equals(stem.id())) {
        outputs.add(beside);
      }
    }
    return new StemsBeside(mix.withOutputs(outputs), beside.id());
  }
}
