package drevik.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.edit.Edit;
import drevik.edit.SendChannelsTo;
import drevik.mix.Refused;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PresenceTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"edit\":\"set-channels\",\"channels\":[\"a\"]} | edit.set",
        "{\"edit\":\"stow-channels\",\"stowed\":true} | edit.channels",
        "{\"edit\":\"stow-channels\",\"channels\":[null]} | edit.channels[0]",
        "{\"edit\":\"together\",\"words\":\"w\",\"edits\":[null]} | edit.edits[0]",
        "{\"edit\":\"together\",\"words\":\"w\",\"edits\":[{\"edit\":\"change-mix\"}]} | edit.edits[0].set",
        "{\"edit\":\"rename-channels\",\"names\":{\"a\":null}} | edit.names.a",
        "{\"edit\":\"add-channels\",\"channels\":[{\"id\":\"a\"}]} | edit.channels[0].kind"
      })
  void whatIsMissingIsNamedWithTheWayToIt(String json, String missing) {
    Edit edit = Documents.mapper().readValue(json, Edit.class);
    assertThatThrownBy(() -> Presence.require(edit, "edit"))
        .isInstanceOfSatisfying(
            Refused.class, refused -> assertThat(refused.subject()).isEqualTo(missing));
  }

  @Test
  void whatMayBeMissingMay() {
    Edit nowhere = new SendChannelsTo(List.of("kick"), null);
    assertThat(Presence.require(nowhere, "edit")).isSameAs(nowhere);
  }
}
