package drevik.preview;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.MixWords;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.SetCategoryRule;
import drevik.mix.Mix;
import drevik.mix.field.Changes;
import drevik.mix.field.MapEntryField;
import drevik.mix.field.MixField;
import drevik.mix.field.OutputField;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What somebody has seen of an edit, and what it would do now. */
class EffectTest {
  private static final Edit VOCALS_TO_VOICES =
      new SetCategoryRule(
          List.of("vocals"), Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "Voices"));

  /** Two takes of one name, the first or the second of which is a voice. */
  private static Mix takes(String first, String second) {
    return MixWords.mix()
        .bus("Voices", null)
        .bus("Rest", null)
        .seat("a", "Rest", seat -> seat.withName("Take").withCategory(first))
        .seat("b", "Rest", seat -> seat.withName("Take").withCategory(second))
        .output("Voices")
        .build();
  }

  private static Edit outputNamed(String name) {
    return new ChangeMix(
        Changes.ofMember(
            MixField.ALL,
            MixField.OUTPUTS,
            "out Voices",
            Changes.of(OutputField.ALL, OutputField.NAME, name)));
  }

  @Test
  void theSameOfTheSameIsTheSame() {
    Mix seen = takes("vocals", "drums");
    Mix now = seen.withName("another name");
    assertThat(Effect.of(now, VOCALS_TO_VOICES).differsFrom(Effect.of(seen, VOCALS_TO_VOICES)))
        .isEmpty();
  }

  @Test
  void anotherChannelOfTheSameNameIsAnother() {
    Effect seen = Effect.of(takes("vocals", "drums"), VOCALS_TO_VOICES);
    Effect now = Effect.of(takes("drums", "vocals"), VOCALS_TO_VOICES);
    assertThat(now.differsFrom(seen)).containsExactly("the same of others of these names");
  }

  @Test
  void whatItChangesOfAnOutputCounts() {
    Mix then = takes("vocals", "drums");
    Mix now = outputNamed("Choir").applyTo(then);
    Edit edit = outputNamed("Singers");
    assertThat(Effect.of(now, edit).differsFrom(Effect.of(then, edit)))
        .containsExactly(
            "output Singers, name: Choir → Singers",
            "no longer output Singers, name: Voices → Singers");
  }

  @Test
  void whatItChangesOfTheMapCounts() {
    Mix then = takes("drums", "drums");
    Mix now =
        new SetCategoryRule(
                List.of("vocals"), Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "Rest"))
            .applyTo(then);
    assertThat(Effect.of(now, VOCALS_TO_VOICES).differsFrom(Effect.of(then, VOCALS_TO_VOICES)))
        .as("nobody is a voice yet; the map says something else all the same")
        .isNotEmpty();
  }
}
