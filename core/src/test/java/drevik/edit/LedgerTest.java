package drevik.edit;

import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Tap;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class LedgerTest {
  private static Mix band() {
    return mix()
        .seat(
            "kick",
            "drums",
            c -> c.withPan(-0.3).withSends(List.of(send("mix", Tap.PRE_FADER, -6))))
        .seat("voice", "mix")
        .bus("drums", "mix")
        .bus("mix", null)
        .build();
  }

  private static Mix write(LedgerColumn column, String text) {
    return new PasteCells(List.of("kick"), List.of(column), List.of(List.of(text))).applyTo(band());
  }

  private static String read(Mix mix, LedgerColumn column) {
    return column.text(mix.channel("kick").orElseThrow(), mix.channelsById());
  }

  @ParameterizedTest
  @CsvSource({
    "NAME, Kick drum, Kick drum",
    "LAYOUT, STEREO, stereo",
    "LAYOUT, St, stereo",
    "CATEGORY, Drums/Kick, drums/kick",
    "OUTPUT, Mix, mix",
    "OUTPUT, '', ''",
    "GROUP, drums, drums",
    "TRIM, +3 dB, 3",
    "FADER, '-3,5', −3.5",
    "FADER, -inf, −∞",
    "POLARITY, x, yes",
    "PAN, l45, L45",
    "PAN, R, R100",
    "PAN, C, C",
    "MUTE, yes, yes",
    "STOWED, 1, yes",
    "PERSON, Ada, Ada",
    "COMMENT, late, late"
  })
  void whatIsTypedIsUnderstoodAndShown(LedgerColumn column, String typed, String shown) {
    assertThat(read(write(column, typed), column)).isEqualTo(shown);
  }

  @ParameterizedTest
  @EnumSource(LedgerColumn.class)
  void whatIsCopiedOutCanBePastedBack(LedgerColumn column) {
    Mix mix = band();
    assertThat(write(column, read(mix, column))).isEqualTo(mix);
  }

  @ParameterizedTest
  @CsvSource({
    "FADER, loud, level in dB",
    "FADER, 99, out of range",
    "LAYOUT, round, there is no layout",
    "PAN, Q5, a pan",
    "OUTPUT, nobody, there is no channel",
    "OUTPUT, voice, plays files",
    "MUTE, perhaps, neither yes nor no",
    "CATEGORY, noise, no category",
    "SENDS, plate, cannot be typed"
  })
  void whatMeansNothingIsRefusedWithItsPlace(LedgerColumn column, String typed, String says) {
    assertThatThrownBy(() -> write(column, typed))
        .isInstanceOf(Refused.class)
        .hasMessageStartingWith("Row 1 (“kick”), column “" + column.label() + "”: ")
        .hasMessageContaining(says)
        .hasMessageEndingWith("Nothing was changed.");
  }

  @Test
  void aBlockIsWrittenWhole() {
    List<LedgerColumn> columns =
        List.of(LedgerColumn.NAME, LedgerColumn.LAYOUT, LedgerColumn.FADER);
    PasteCells paste =
        new PasteCells(
            List.of("kick", "voice"),
            columns,
            List.of(List.of("Kick in", "mono", "-3"), List.of("Singer", "stereo")));
    Mix after = paste.applyTo(band());
    assertThat(after.channels()).extracting(Channel::name).startsWith("Kick in", "Singer");
    assertThat(after.channel("voice").orElseThrow().layout()).isEqualTo(Layout.STEREO);
    assertThat(paste.says(band())).isEqualTo("write 5 cells");
  }

  @Test
  void aBlockThatDoesNotFitChangesNothing() {
    List<List<String>> three = List.of(List.of("a"), List.of("b"), List.of("c"));
    assertThatThrownBy(
            () ->
                new PasteCells(List.of("kick", "voice"), List.of(LedgerColumn.NAME), three)
                    .applyTo(band()))
        .hasMessageContaining("3 rows");
    assertThatThrownBy(
            () ->
                new PasteCells(
                        List.of("kick"),
                        List.of(LedgerColumn.NAME),
                        List.of(Arrays.asList("a", "b")))
                    .applyTo(band()))
        .hasMessageContaining("2 cells");
  }
}
