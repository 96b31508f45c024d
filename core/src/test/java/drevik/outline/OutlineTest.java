package drevik.outline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.Layout;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import drevik.check.Finding;
import drevik.check.LineCheck;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What an outline says, and that it is written as it is read. */
class OutlineTest {
  static final String BAND =
      """
      Master =Mix
        Mix
          Drum Bus =Drums
            Kick Bus :mono
              Kick In >>Drum Squeeze
              Kick Out
            Snare Bus :mono
              Snare Top >Plate + Room verb @-12
              Snare Btm
            OH L &Cymbals
            OH R &Cymbals
          Drum Squeeze :bus =Squeeze
          Bass Bus ^Kick Bus &Rhythm =Bass
            Bass DI
          Vox Bus =Vox
            Lead Vox >Plate @-9
            BV 1 :stowed
          Plate =Plate
          Room verb =Room
      Rough mix
      &Rhythm
      """;

  static Mix band() {
    return Outline.create("Band", BAND);
  }

  private static Channel named(Mix mix, String name) {
    return mix.channels().stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow();
  }

  @Test
  void aLineIsAChannelAndIndentationIsSentTo() {
    Mix mix = band();
    Channel kick = named(mix, "Kick In");
    assertThat(kick.kind()).isEqualTo(ChannelKind.SEAT);
    assertThat(kick.category()).isEqualTo("drums/kick");
    assertThat(kick.output()).isEqualTo(named(mix, "Kick Bus").id());
    assertThat(named(mix, "Drum Bus").output()).isEqualTo(named(mix, "Mix").id());
    assertThat(named(mix, "Master").kind()).isEqualTo(ChannelKind.MASTER);
    assertThat(named(mix, "Rough mix").kind()).isEqualTo(ChannelKind.REFERENCE);
    assertThat(named(mix, "Kick Bus").layout()).isEqualTo(Layout.MONO);
    assertThat(named(mix, "Drum Bus").layout()).isEqualTo(Layout.STEREO);
    assertThat(named(mix, "BV 1").stowed()).isTrue();
  }

  @Test
  void marksSaySendsKeysControlsOutputsAndStems() {
    Mix mix = band();
    Send parallel = named(mix, "Kick In").sends().get(0);
    assertThat(parallel.tap()).isEqualTo(Tap.PRE_FADER);
    assertThat(parallel.levelDb()).isZero();
    Send fan = named(mix, "Snare Top").sends().get(0);
    assertThat(fan.destinations())
        .containsExactly(named(mix, "Plate").id(), named(mix, "Room verb").id());
    assertThat(fan.levelDb()).isEqualTo(-12);
    assertThat(named(mix, "Bass Bus").chain())
        .singleElement()
        .satisfies(
            insert -> {
              assertThat(insert.processor()).isEqualTo("compressor");
              assertThat(insert.key().source()).isEqualTo(named(mix, "Kick Bus").id());
            });
    assertThat(mix.controls())
        .extracting(Control::name, control -> control.members().size())
        .containsExactlyInAnyOrder(
            org.assertj.core.groups.Tuple.tuple("Rhythm", 1),
            org.assertj.core.groups.Tuple.tuple("Cymbals", 2));
    assertThat(mix.outputs())
        .extracting(Output::name)
        .containsExactly("Mix", "Drums", "Squeeze", "Bass", "Vox", "Plate", "Room");
    assertThat(mix.outputs().get(0).kind()).isEqualTo(OutputKind.MIX);
    assertThat(mix.stemSets())
        .singleElement()
        .satisfies(set -> assertThat(set.stems()).hasSize(6))
        .extracting(StemSet::name)
        .isEqualTo("Stems of Mix");
    assertThat(MapAnswers.of(mix).destinationOf(Asked.anyOf("drums/tom")))
        .hasValueSatisfying(
            answer -> assertThat(answer.value()).isEqualTo(named(mix, "Drum Bus").id()));
  }

  @Test
  void aFamilyWithoutABusGoesWhereItsSeatsStandAndNothingGoesIntoAParallel() {
    Mix mix =
        Outline.create(
            "x",
            "Mix\n  Keys Bus\n    Piano\n    Synth pad\n    Room >>Room Squeeze\n  Room Squeeze :bus");
    assertThat(MapAnswers.of(mix).destinationOf(Asked.anyOf("synth/lead")))
        .hasValueSatisfying(to -> assertThat(to.text()).isEqualTo(named(mix, "Keys Bus").id()));
    assertThat(mix.categoryMap().entries())
        .noneMatch(rule -> named(mix, "Room Squeeze").id().equals(rule.destination()));
    assertThat(Outline.write(mix)).doesNotContain("<");
  }

  @Test
  void whatOnlyKeysHearIsNobodysDestination() {
    Mix mix =
        Outline.create(
            "x",
            """
            Mix
              Bass Bus ^Kick Key
                Bass DI
            Kick Key :bus #drums/kick
              Kick trigger
            """);
    assertThat(named(mix, "Kick Key").category()).isEqualTo("drums/kick");
    assertThat(mix.categoryMap().entries())
        .isNotEmpty()
        .noneMatch(entry -> named(mix, "Kick Key").id().equals(entry.destination()));
  }

  @Test
  void whereANameSaysNothingSureTheLineAboveSpeaks() {
    assertThat(NameSorter.sort("Vilon").category()).startsWith("strings");
    assertThat(NameSorter.sort("Vilon").confidence()).isLessThan(Sorting.SURE);
    Mix mix = Outline.create("x", "Mix\n  Brass Bus\n    Vilon\n    Violin\n  Vilon 2");
    assertThat(named(mix, "Vilon").category()).isEqualTo(named(mix, "Brass Bus").category());
    assertThat(named(mix, "Violin").category()).as("sure").startsWith("strings");
    assertThat(named(mix, "Vilon 2").category()).as("nothing above says").startsWith("strings");
  }

  @Test
  void aSendIntoAReturnIsReadyAndNotOpenWhereNothingSaysItsLevel() {
    Mix mix = Outline.create("x", "Mix\n  Kick >Plate\n  Plate verb\n  Plate :return\n");
    assertThat(named(mix, "Kick").sends().get(0).levelDb()).isEqualTo(-144);
  }

  @Test
  void itIsWrittenAsItWasRead() {
    String written = Outline.write(band());
    assertThat(written).isEqualTo(BAND.replace("\n&Rhythm", ""));
  }

  @Test
  void bracketsCountAndEachIsALine() {
    Mix mix = Outline.create("x", "Mix\n\tOH [L,R] >Plate @-6\n\tTom [1-3]\n\n\tPlate\n");
    assertThat(Outline.write(mix))
        .isEqualTo(
            """
            Mix
              OH L >Plate @-6
              OH R >Plate @-6
              Tom 1
              Tom 2
              Tom 3
              Plate
            """);
  }

  @Test
  void namesThatLookLikeMarksStandInQuotes() {
    List<String> names =
        List.of(
            "Kick #2",
            "R & B",
            "&x",
            "\"quoted\"",
            "a :stereo",
            "a > b",
            "x [1-4]",
            "a + b",
            "a ~2",
            "back\\slash",
            "a @ b",
            "=",
            "שלום",
            "Gtr \"L\" #x",
            "a, b",
            "-",
            "2.",
            "^^");
    Mix mix = Mix.empty(MixKind.TEMPLATE, "x");
    Channel mixBus = Channel.of("m", ChannelKind.BUS, "a + b", Layout.STEREO, "unknown");
    List<Channel> channels = new java.util.ArrayList<>(List.of(mixBus));
    for (int i = 0; i < names.size(); i++) {
      channels.add(
          Channel.of("c" + i, ChannelKind.SEAT, names.get(i), Layout.MONO, "unknown")
              .withSends(List.of(Send.of("s" + i, List.of("m"), Tap.PRE_FADER, -3.25))));
    }
    mix = mix.withChannels(channels);
    String text = Outline.write(mix);
    assertThat(Outline.read(mix, text).faults()).isEmpty();
    assertThat(Outline.read(mix, text).changes().isEmpty()).isTrue();
  }

  @Test
  void aMixMadeOfAnOutlineHasNoFindingsOfItsOwn() {
    List<Finding> findings = LineCheck.of(band());
    assertThat(findings)
        .as("returns that have no processor yet, and open sends")
        .extracting(Finding::says)
        .isNotEmpty()
        .allMatch(says -> says.endsWith("its chain is empty."));
  }

  @Test
  void whatIsWrongIsSaidAtItsPlace() {
    assertFault("Mix\n  Kick >Plate", 2, "There is no line “Plate”");
    assertFault("Mix\n  Kick :sterio", 2, "There is no mark “:sterio”");
    assertFault("Mix\n  Kick #drum", 2, "drum");
    assertFault("Mix\n  Kick\n Snare", 3, "under none of those above");
    assertFault("Mix\n  Kick\n\tSnare", 3, "tabs");
    assertFault("Mix\n  Kick\n  Kick", 3, "stands in line 2 too");
    assertFault("Mix\n  A :bus >B\n  B :bus >A", 2, "closes a loop: A → B → A");
    assertFault("Mix\n  A :bus ^B\n  B :bus ^A", 3, "closes a loop");
    assertFault("Mix\n  Kick :mono :stereo", 2, "one kind and one layout");
    assertFault("Mix\n  Kick :seat\n    In", 2, "nothing can stand under it");
    assertFault("Mix\n  Kick >Snare\n  Snare", 2, "plays files");
    assertFault("Mix\n  Kick >Fx @loud\n  Fx :return", 2, "“loud” is not a level in dB");
    assertFault("Mix\n  Kick >Fx @-3 dB more\n  Fx :return", 2, "is not a level");
    assertFault("Mix\n  Kick >Fx @NaN\n  Fx :return", 2, "is not a level");
    assertFault("Mix\n  Kick >Fx @99\n  Fx :return", 2, "99");
    assertFault("Mix =A =A", 1, "already");
    assertFault("Mix =A @big", 1, "says nothing of an output");
    assertFault("Mix =A @no drum", 1, "drum");
    assertFault("Mix\n  Kick =K @of Song", 2, "There is no output “Song”");
    assertFault("Mix\n  Tom [1-2]\n    Mic", 3, "several channels");
    assertFault("Mix\n  Tom [2-1]", 2, "runs forwards");
    assertFault("Mix\n  Tom [1-2] =T", 2, "prints no file");
    assertFault("Mix\n  \"Kick", 2, "quote");
    assertFault("Mix\n  \"Kick\" In", 2, "mark");
    assertFault("Mix\n  Kick >", 2, "needs a name");
    assertFault("Mix\n  Kick >>>>Mix", 2, "three times");
    assertFault("Mix\n  :stereo", 2, "begins with a name");
    assertFault("Mix\n  Kick\u0007", 2, "cannot be seen");
    assertFault("Mix\n  " + "K".repeat(201), 2, "200 characters");
    assertFault("Mix\n&A :stereo", 2, "Behind a control");
    assertFault("Mix\n&A &B\n&B &A", 0, "would hold itself");
    assertFault("Mix\n  Kick [1-1000]\n".repeat(11), 0, "");
    assertFault("x".repeat(1_000_001), 0, "1000000 characters");
    StringBuilder deep = new StringBuilder();
    for (int i = 0; i < 70; i++) {
      deep.append(" ".repeat(i)).append("Bus ").append(i).append('\n');
    }
    assertFault(deep.toString(), 65, "64 deep");
  }

  private static void assertFault(String text, int line, String says) {
    Mix before = Mix.empty(MixKind.TEMPLATE, "x");
    Outline.Reading reading = Outline.read(before, text);
    assertThat(reading.faults()).as(text.substring(0, Math.min(60, text.length()))).isNotEmpty();
    assertThat(reading.after()).isSameAs(before);
    if (line > 0 || !says.isEmpty()) {
      assertThat(reading.faults())
          .as(text.substring(0, Math.min(60, text.length())))
          .anySatisfy(
              fault -> {
                assertThat(fault.says()).contains(says);
                assertThat(fault.line()).isEqualTo(line);
              });
    }
    assertThatThrownBy(reading::edit).isInstanceOf(Refused.class);
  }
}
