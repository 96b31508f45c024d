package drevik.outline;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.RandomMix;
import drevik.audio.Layout;
import drevik.edit.Edit;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.Pin;
import drevik.mix.Slot;
import drevik.mix.field.ChannelField;
import drevik.mix.field.MixField;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** An edited outline changes what was edited, and nothing else. */
class OutlineEditTest {
  private static final Mix BAND = worked(OutlineTest.band());

  /** As after a day's work: settings, comments and levels of which an outline says nothing. */
  private static Mix worked(Mix mix) {
    return mix.mapChannels(
            c ->
                c.with()
                    .comment("about " + c.name())
                    .faderDb(-c.name().length() / 3.0)
                    .pan(0.25)
                    .sends(c.sends().stream().map(s -> s.withPan(-0.5)).toList())
                    .build())
        .withControls(mix.controls().stream().map(c -> c.withGainDb(-1.5)).toList());
  }

  private static Channel named(Mix mix, String name) {
    return mix.channels().stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow();
  }

  private static Mix after(String text) {
    Outline.Reading reading = Outline.read(BAND, text);
    assertThat(reading.faults()).isEmpty();
    Edit edit = reading.edit();
    Mix after = edit.applyTo(BAND);
    assertThat(after).isEqualTo(reading.after());
    return after;
  }

  private static String written() {
    return Outline.write(BAND);
  }

  /** Names of channels that are not what they were, those that came and those that went. */
  private static Set<String> changed(Mix after) {
    Map<String, Channel> before = BAND.channelsById();
    Set<String> names = new TreeSet<>();
    after.channels().stream()
        .filter(channel -> !channel.equals(before.get(channel.id())))
        .forEach(channel -> names.add(channel.name()));
    before.values().stream()
        .filter(channel -> after.channel(channel.id()).isEmpty())
        .forEach(channel -> names.add("-" + channel.name()));
    return names;
  }

  @Test
  void whatIsNotEditedChangesNothing() {
    assertThat(Outline.read(BAND, written()).changes().isEmpty()).isTrue();
    for (long seed = 0; seed < 100; seed++) {
      Mix mix = RandomMix.of(seed);
      String text = Outline.write(mix);
      Outline.Reading reading = Outline.read(mix, text);
      assertThat(reading.faults()).as("seed " + seed + "\n" + text).isEmpty();
      assertThat(reading.changes()).as("seed " + seed + "\n" + text).hasToString("{}");
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Kick In | Kick Inside | Kick Inside",
        "Kick In | Kick In :stereo | Kick In",
        "Kick In | Kick In #percussion | Kick In",
        "Kick In | Kick In :stowed | Kick In",
        "BV 1 :stowed | BV 1 | BV 1",
        "@-12 | @-6 | Snare Top",
        "@-12 | @-12, off | Snare Top",
        "Plate + Room verb @-12 | Plate @-12 | Snare Top",
        "Kick In >>Drum Squeeze | Kick In >>>Drum Squeeze | Kick In",
        "Kick In >>Drum Squeeze | Kick In | Kick In",
        "^Kick Bus | ^^Snare Bus | Bass Bus",
        "Bass Bus ^Kick Bus | Bass Bus | Bass Bus",
        "Drum Bus =Drums | Drum Group =Drums | Drum Group",
        "Vox Bus =Vox | Vox Bus | ''",
        "Vox Bus =Vox | Vox Bus =Voices | ''",
        "=Squeeze | =Squeeze @print | ''",
        "=Drums | =Drums @mono | ''",
        "OH L &Cymbals | OH L | ''",
        "Rough mix | Rough mix¶Click | Click",
        "Bass DI | Bass DI¶      Bass Amp | Bass Amp",
        "Bass DI | Bass DI¶      Tuba [1-2] | Tuba 1,Tuba 2",
        "'      BV 1 :stowed¶' | '' | -BV 1",
      })
  void oneLineIsEditedAndNothingElseChanges(String was, String is, String names) {
    String line = was.replace('¶', '\n');
    assertThat(written()).contains(line);
    Mix after = after(written().replace(line, is.replace('¶', '\n')));
    assertThat(String.join(",", changed(after))).isEqualTo(names);
    assertThat(after).isNotEqualTo(BAND);
  }

  @Test
  void aRenamedLineKeepsAllThatItDoesNotSay() {
    Mix after = after(written().replace("Lead Vox", "Singer"));
    Channel before = named(BAND, "Lead Vox");
    assertThat(named(after, "Singer").withName("Lead Vox").withCategory(before.category()))
        .isEqualTo(before);
  }

  @Test
  void aMovedLineIsRepointedAndKeepsTheRest() {
    String line = "      Lead Vox >Plate @-9\n";
    String text =
        written()
            .replace(line, "")
            .replace("    Bass Bus", "    Lead Vox >Plate @-9\n    Bass Bus");
    Mix after = after(text);
    Channel before = named(BAND, "Lead Vox");
    assertThat(named(after, "Lead Vox"))
        .isEqualTo(
            before.withOutput(named(BAND, "Mix").id()).withPins(List.of(Pin.on(Slot.OUTPUT))));
    assertThat(changed(after)).containsExactly("Lead Vox");
  }

  @Test
  void referencesFollowALineThatIsRenamed() {
    Mix after = after(written().replace("    Plate =Plate", "    Long plate =Plate"));
    assertThat(named(after, "Long plate").id()).isEqualTo(named(BAND, "Plate").id());
    assertThat(changed(after)).containsExactly("Long plate");
  }

  @Test
  void anInsertedLineBeforeARenamedOneIsTheNewOne() {
    Mix after = after(written().replace("      Bass DI", "      Tuba\n      Bass D.I."));
    assertThat(named(after, "Bass D.I.").id()).isEqualTo(named(BAND, "Bass DI").id());
    assertThat(BAND.channel(named(after, "Tuba").id())).isEmpty();
  }

  @Test
  void whatIsTakenOutGoesWithItsOutputsAndIsMissedWhereItIsNamed() {
    String gone = written().replace("    Drum Squeeze :bus =Squeeze\n", "");
    assertThat(gone).isNotEqualTo(written());
    assertThat(Outline.read(BAND, gone).faults())
        .singleElement()
        .satisfies(fault -> assertThat(fault.says()).contains("no line “Drum Squeeze”"));
    Mix after = after(gone.replace(" >>Drum Squeeze", ""));
    assertThat(after.outputs()).extracting(Output::name).doesNotContain("Squeeze");
    assertThat(after.stemSets().get(0).stems()).hasSize(5);
  }

  @Test
  void aControlUnderANewNameIsTheSame() {
    Mix after = after(written().replace("&Cymbals", "&Metal"));
    assertThat(after.controls())
        .filteredOn(control -> control.name().equals("Metal"))
        .singleElement()
        .isEqualTo(
            BAND.controls().stream()
                .filter(control -> control.name().equals("Cymbals"))
                .map(control -> control.withName("Metal"))
                .findFirst()
                .orElseThrow());
    assertThat(after.channels()).isEqualTo(BAND.channels());
  }

  @Test
  void controlsStandInControlsAndAreDips() {
    Mix after = after(written() + "&Rhythm &Everything\n&Cymbals &Everything\n&Everything :dip\n");
    Control all =
        after.controls().stream()
            .filter(one -> one.name().equals("Everything"))
            .findFirst()
            .orElseThrow();
    assertThat(all.dip()).isTrue();
    assertThat(all.members()).hasSize(2);
    assertThat(Outline.read(after, Outline.write(after)).changes()).hasToString("{}");
  }

  @Test
  void linesThatAreMovedUnderTheirBusAreInThatOrderInTheMix() {
    String text =
        written()
            .replace("      OH L &Cymbals\n      OH R &Cymbals\n", "")
            .replace("      Kick Bus", "      OH R &Cymbals\n      OH L &Cymbals\n      Kick Bus");
    Mix after = after(text);
    assertThat(changed(after)).isEmpty();
    assertThat(Outline.write(after)).isEqualTo(text);
    assertThat(after.controls()).isEqualTo(BAND.controls());
  }

  @Test
  void aBusThatLosesItsSeatsStaysABus() {
    Mix after = after(written().replace("      Bass DI\n", ""));
    assertThat(named(after, "Bass Bus").kind()).isEqualTo(ChannelKind.BUS);
  }

  @Test
  void aTextThatReadsAnewIsTheSameText() {
    for (long seed = 0; seed < 100; seed++) {
      String text = RandomOutline.of(seed);
      Outline.Reading reading = Outline.read(Mix.empty(MixKind.TEMPLATE, "x"), text);
      assertThat(reading.faults()).as("seed " + seed + "\n" + text).isEmpty();
      String written = Outline.write(reading.after());
      assertThat(plain(written)).as("seed " + seed).isEqualTo(plain(text));
      assertThat(Outline.read(reading.after(), text).changes())
          .as("seed " + seed + "\n" + text)
          .hasToString("{}");
    }
  }

  /** But for layout: blanks, empty lines, and the order of lines of controls. */
  private static List<String> plain(String text) {
    return text.lines()
        .filter(line -> !line.isBlank())
        .map(line -> line.replace("\t", "  ").stripTrailing())
        .map(line -> line.replaceAll("(?<=\\S) +", " "))
        .sorted((a, b) -> Boolean.compare(a.startsWith("&"), b.startsWith("&")))
        .collect(Collectors.toList());
  }

  @Test
  void editingAnyOneLineOfARandomOutlineChangesOnlyThatChannel() {
    for (long seed = 0; seed < 60; seed++) {
      Mix mix = Outline.create("x", RandomOutline.of(seed));
      List<String> lines = new ArrayList<>(Outline.write(mix).lines().toList());
      Random random = new Random(seed);
      int at = random.nextInt(mix.channels().size());
      String line = lines.get(at);
      String name = line.strip().split(" (?:[:<>^=]|&\\S|#[a-z])")[0];
      String renamed = name + " anew";
      lines.set(at, line.replaceFirst(java.util.regex.Pattern.quote(name), renamed));
      Outline.Reading reading = Outline.read(mix, String.join("\n", lines));
      assertThat(reading.faults()).as("seed " + seed + ", " + line).isEmpty();
      Map<String, Channel> before = mix.channelsById();
      List<Channel> changed =
          reading.after().channels().stream()
              .filter(channel -> !channel.equals(before.get(channel.id())))
              .toList();
      assertThat(changed).as("seed " + seed + ", " + line).singleElement();
      assertThat(changed.get(0).name()).isEqualTo(renamed);
      assertThat(
              reading
                  .after()
                  .mapChannels(c -> c.id().equals(changed.get(0).id()) ? before.get(c.id()) : c))
          .isEqualTo(mix);
    }
  }

  @Test
  void outlinesOfThousandsOfLinesAreReadWhole() {
    StringBuilder text = new StringBuilder("Mix\n");
    for (int bus = 0; bus < 50; bus++) {
      text.append("  Group ").append(bus).append(" Bus\n");
      text.append("    Take ").append(bus).append(" [01-40] >Plate\n");
    }
    text.append("  Plate\n");
    Mix mix = Outline.create("Large", text.toString());
    assertThat(mix.channels()).hasSize(2 + 50 * 41);
    assertThat(Outline.read(mix, Outline.write(mix)).changes()).hasToString("{}");
  }

  @Test
  void aNewLineIsOfTheCategoryAndLayoutThatItStandsUnder() {
    Mix after =
        after(
            written()
                .replace("        Snare Btm", "        Snare Btm\n        Zzzz\n        Room st"));
    assertThat(named(after, "Zzzz").category()).isEqualTo("drums/snare");
    assertThat(named(after, "Room st").layout()).isEqualTo(Layout.STEREO);
    assertThat(ChannelField.OUTPUT.get(named(after, "Zzzz")))
        .isEqualTo(named(BAND, "Snare Bus").id());
    assertThat(MixField.CHANNELS.get(after)).hasSize(BAND.channels().size() + 2);
  }

  @Test
  void whatStoodNowhereFollowsTheBusesThatAreWrittenBelowIt() {
    Mix recorded =
        Outline.read(Mix.empty(MixKind.TEMPLATE, "Recorded"), "Kick\nSnare\nBass DI\nCello\n")
            .after();
    assertThat(recorded.channels()).extracting(Channel::output).containsOnlyNulls();
    Outline.Reading reading =
        Outline.read(
            recorded,
            Outline.write(recorded) + "Master =Print\n  Drum Bus\n  Bass Bus\n  Plate verb\n");
    assertThat(reading.faults()).isEmpty();
    Mix after = reading.edit().applyTo(recorded);
    assertThat(after).isEqualTo(reading.after());
    assertThat(named(after, "Kick").output()).isEqualTo(named(after, "Drum Bus").id());
    assertThat(named(after, "Bass DI").output()).isEqualTo(named(after, "Bass Bus").id());
    assertThat(named(after, "Cello").output()).as("no bus takes strings").isNull();
    assertThat(after.channels()).as("nobody decided").allMatch(c -> c.pins().isEmpty());
  }

  @Test
  void whatIsTakenOutFromUnderItsBusStaysNowhere() {
    String under = "        Kick Out\n";
    assertThat(written()).contains(under);
    Mix after = after(written().replace(under, "") + under.strip() + "\n");
    assertThat(named(after, "Kick Out").output()).isNull();
    assertThat(changed(after)).containsExactly("Kick Out");
  }
}
