package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.StemSet;
import drevik.mix.field.Field.Target;
import java.util.Set;

/** What can be said of a stem set. */
public final class StemSetField {
  private static final Fields.Builder<StemSet> FIELDS = new Fields.Builder<>(StemSet.class);

  public static final ValueField<StemSet, String> NAME =
      FIELDS.value("name", "Name", String.class, StemSet::name);
  public static final ValueField<StemSet, String> MIX_OUTPUT =
      FIELDS.neededReference("mixOutput", "Adds up to", StemSet::mixOutput, Target.OUTPUT);
  public static final ListField<StemSet, String> STEMS =
      FIELDS.words("stems", "Stems", StemSet::stems, Set.of(Target.OUTPUT), true, PLAIN);

  /** All of them, in the order in which they are shown. */
  public static final Fields<StemSet> ALL = FIELDS.build();

  private StemSetField() {}
}
