package drevik.ledger;

import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.audio.Layout;
import drevik.edit.PasteCells;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Tap;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

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

  private static Mix write(String column, String text) {
    return new PasteCells(List.of("kick"), List.of(column), List.of(List.of(text))).applyTo(band());
  }

  private static String read(Mix mix, String column) {
    return LedgerColumn.of(column).text(mix.channel("kick").orElseThrow(), Names.of(mix));
  }

  @ParameterizedTest
  @CsvSource({
    "name, Kick drum, Kick drum",
    "layout, STEREO, stereo",
    "layout, St, stereo",
    "category, Drums/Kick, drums/kick",
    "output, Mix, mix",
    "output, '', ''",
    "group, drums, drums",
    "trimDb, +3 dB, 3",
    "faderDb, '-3,5', −3.5",
    "faderDb, -inf, −∞",
    "invertPolarity, x, yes",
    "pan, l45, L45",
    "pan, R, R100",
    "pan, C, C",
    "frontBack, b40, B40",
    "frontBack, B, B100",
    "frontBack, F, F",
    "wholeImage, yes, yes",
    "height, u40, U40",
    "height, top, U100",
    "height, 0, level",
    "lfeDb, '−6,5', '−6.5'",
    "lfeDb, −∞, ''",
    "lfeDb, '', ''",
    "mute, yes, yes",
    "stowed, 1, yes",
    "person, Ada, Ada",
    "colour, bass, bass",
    "colour, '', ''",
    "comment, late, late"
  })
  void whatIsTypedIsUnderstoodAndShown(String column, String typed, String shown) {
    assertThat(read(write(column, typed), column)).isEqualTo(shown);
  }

  @Test
  void figuresAreToldAsNumbersToo() {
    Channel kick = write("faderDb", "-3.5").channel("kick").orElseThrow();
    assertThat(LedgerColumn.of("faderDb").figure(kick)).isEqualTo(-3.5);
    assertThat(LedgerColumn.of("lfeDb").figure(kick)).isNull();
    assertThat(LedgerColumn.of("name").figure(kick)).isNull();
  }

  @Test
  void positionsHaveColumnsWhereThereIsRoomForThem() {
    Mix mix = band();
    assertThat(LedgerColumn.of(mix))
        .extracting(LedgerColumn::id)
        .contains("pan")
        .doesNotContain("frontBack", "height", "lfeDb");
    Mix set = write("lfeDb", "-6");
    assertThat(LedgerColumn.of(set)).extracting(LedgerColumn::id).contains("lfeDb");
    assertThat(LedgerColumn.of(write("layout", "5.1")))
        .extracting(LedgerColumn::id)
        .contains("frontBack", "lfeDb")
        .doesNotContain("height", "wholeImage");
    assertThat(LedgerColumn.of(write("layout", "7.1.4")))
        .extracting(LedgerColumn::id)
        .contains("height");
    assertThat(LedgerColumn.of(write("wholeImage", "yes")))
        .extracting(LedgerColumn::id)
        .contains("wholeImage");
  }

  static Stream<String> columns() {
    return LedgerColumn.ALL.stream().map(LedgerColumn::id);
  }

  @ParameterizedTest
  @MethodSource("columns")
  void whatIsCopiedOutCanBePastedBack(String column) {
    Mix mix = band();
    assertThat(write(column, read(mix, column))).isEqualTo(mix);
  }

  @ParameterizedTest
  @CsvSource({
    "faderDb, loud, level in dB",
    "faderDb, 99, give −200 to 24",
    "layout, round, no layout",
    "pan, Q5, a pan",
    "frontBack, L5, F for front",
    "height, B5, a height",
    "height, U101, “Height” of channel “kick” is 1.01",
    "lfeDb, loud, a level in dB",
    "output, nobody, no channel",
    "output, voice, plays files",
    "mute, perhaps, neither yes nor no",
    "category, noise, no category",
    "sends, nowhere -6, There is no bus",
    "sends, kick -6, There is no bus",
    "chain, hammer, There is no processor",
    "kind, bus, cannot be typed",
    "pins, output, cannot be typed"
  })
  void whatMeansNothingIsRefusedWithItsPlace(String column, String typed, String says) {
    assertThatThrownBy(() -> write(column, typed))
        .isInstanceOf(Refused.class)
        .hasMessageStartingWith(
            "Row 1 (“kick”), column “" + LedgerColumn.of(column).label() + "”: ")
        .hasMessageContaining(says)
        .hasMessageEndingWith("Nothing was changed.");
  }

  @Test
  void sendsAndChainsAreTypedAsTheyAreShown() {
    Mix mix =
        MixWords.mix()
            .bus("mix", null)
            .bus("plate", "mix")
            .bus("hall", "mix")
            .seat(
                "kick",
                "mix",
                c ->
                    c.withSends(
                            List.of(
                                MixWords.send("plate", Tap.PRE_FADER, -12.0049).withPan(0.5),
                                MixWords.send("hall", Tap.POST_FADER, -144).withOn(false)))
                        .withChain(
                            List.of(
                                MixWords.insert("compressor", Map.of("ratio", 3.0)).withOn(false))))
            .build();
    Channel kick = mix.channel("kick").orElseThrow();
    String sends = LedgerColumn.of("sends").text(kick, Names.of(mix));
    assertThat(sends).isEqualTo("plate −12 pre-fader, hall −∞ off");
    assertThat(write(mix, "sends", "hall −∞ off,plate −12 pre-fader").sends())
        .as("what is written back is what was there")
        .containsExactlyInAnyOrderElementsOf(kick.sends());
    Send louder = write(mix, "sends", "plate −9").sends().get(0);
    assertThat(louder).isEqualTo(kick.sends().get(0).withLevelDb(-9).withTap(Tap.POST_FADER));
    assertThat(write(mix, "sends", "").sends()).isEmpty();
    assertThat(write(mix, "sends", "plate + hall -6").sends().get(0).destinations())
        .containsExactly("plate", "hall");
    List<Insert> chain = write(mix, "chain", "Equaliser, compressor").chain();
    assertThat(chain).extracting(Insert::processor).containsExactly("equaliser", "compressor");
    assertThat(chain.get(1)).as("keeps its settings").isEqualTo(kick.chain().get(0));
  }

  private static Channel write(Mix mix, String column, String text) {
    return new PasteCells(List.of("kick"), List.of(column), List.of(List.of(text)))
        .applyTo(mix)
        .channel("kick")
        .orElseThrow();
  }

  @Test
  void aBlockLeavesOutWhatIsNeverTypedAndSaysSo() {
    PasteCells paste =
        new PasteCells(
            List.of("kick"),
            List.of("name", "kind", "faderDb"),
            List.of(List.of("Kick in", "bus", "-3")));
    Channel after = paste.applyTo(band()).channel("kick").orElseThrow();
    assertThat(after)
        .isEqualTo(
            band()
                .channel("kick")
                .orElseThrow()
                .withName("Kick in")
                .withCategory(after.category())
                .withFaderDb(-3));
    assertThat(paste.says(band())).isEqualTo("write 2 cells (not “Kind”, never typed)");
  }

  @Test
  void aBlockIsWrittenWhole() {
    List<String> columns = List.of("name", "layout", "faderDb");
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
            () -> new PasteCells(List.of("kick", "voice"), List.of("name"), three).applyTo(band()))
        .hasMessageContaining("3 rows");
    assertThatThrownBy(
            () ->
                new PasteCells(List.of("kick"), List.of("name"), List.of(Arrays.asList("a", "b")))
                    .applyTo(band()))
        .hasMessageContaining("2 cells");
  }

  /** Each of the two alone would be fine. */
  @Test
  void ofCellsThatAreWrongTogetherTheLastIsTold() {
    Mix two = MixWords.mix().bus("one", "mix").bus("two", "mix").bus("mix", null).build();
    PasteCells loop =
        new PasteCells(
            List.of("one", "mix", "two"),
            List.of("faderDb", "output"),
            List.of(List.of("-3", "two"), List.of("-1"), List.of("-2", "one")));
    assertThatThrownBy(() -> loop.applyTo(two))
        .isInstanceOf(Refused.class)
        .hasMessageStartingWith("Row 3 (“two”), column “Sent to”: ")
        .hasMessageEndingWith("Nothing was changed.");
  }

  /** Of a name that is too long in the last of many rows. */
  @Test
  void theRowThatIsWrongIsToldAndNotTheFirst() {
    List<List<String>> rows = List.of(List.of("Kick in", "-3"), List.of("x".repeat(5_000), "-4"));
    assertThatThrownBy(
            () ->
                new PasteCells(List.of("kick", "voice"), List.of("name", "faderDb"), rows)
                    .applyTo(band()))
        .hasMessageStartingWith("Row 2 (")
        .hasMessageContaining("column “Name”");
  }

  @Test
  void aCellMayNameAChannelAsACellBeforeItHasCalledIt() {
    Mix after =
        new PasteCells(
                List.of("drums", "voice"),
                List.of("name", "output"),
                List.of(List.of("Kit", "mix"), List.of("voice", "Kit")))
            .applyTo(band());
    assertThat(after.channel("voice").orElseThrow().output()).isEqualTo("drums");
  }
}
