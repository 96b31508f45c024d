package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CleanNamesTest {
  @ParameterizedTest
  @CsvSource({
    "01_KIK IN.wav, KIK IN",
    "Drums/07 - Snr_Top 48k 24bit.wav, Snr Top",
    "LdVox dbl 2.aif, LdVox dbl 2",
    "Gtr 96bpm bounced.wav, Gtr",
    "OH_L_2026-03-14.wav, OH L",
    "Choir take 3.wav, Choir",
    "09 Room St.wav, Room",
    "St Anne bell.wav, St Anne bell",
    "808.wav, 808",
    "12 String.wav, 12 String",
    "Audio 1.wav, Audio 1",
    "01.wav, 01",
  })
  void everythingThatSaysNothingIsTakenOff(String name, String clean) {
    assertThat(CleanNames.of(List.of(name)).of(name)).isEqualTo(clean);
  }

  @Test
  void whatAllFilesBeginWithIsTheSong() {
    List<String> names =
        List.of(
            "Weathervane_01_Kick.wav",
            "Weathervane_02_Snare.wav",
            "Weathervane_03_Bass DI.wav",
            "Weathervane_04_Lead.wav",
            "rough.wav");
    CleanNames clean = CleanNames.of(names);
    assertThat(names).map(clean::of).containsExactly("Kick", "Snare", "Bass DI", "Lead", "rough");
  }

  @Test
  void anInstrumentThatAllFilesBeginWithIsNoSong() {
    List<String> names = List.of("Gtr lead.wav", "Gtr slide.wav", "Gtr chop.wav", "Gtr low.wav");
    assertThat(names).map(CleanNames.of(names)::of).contains("Gtr lead", "Gtr low");
  }

  @Test
  void aWordInTheNameOfASongOrItsProducerSaysNothingOfItsFiles() {
    List<String> parts = List.of("Shaker", "Trumpet", "Synth Pad", "Piano L", "Lead Vox");
    List<String> names =
        parts.stream().map("COPPER ROAD 96 Emin (prod. Ilva T.) - %s.wav"::formatted).toList();
    assertThat(names).map(CleanNames.of(names)::of).isEqualTo(parts);
  }

  @Test
  void eachFolderHasASongOfItsOwn() {
    List<String> parts = List.of("Kick", "Bass DI", "Gtr L", "Lead Vox", "Piano");
    List<String> names =
        Stream.of("01/Halden - Night Bus - %s.wav", "02/Halden - Golden Horn - %s.wav", "03/%s.wav")
            .flatMap(form -> parts.stream().map(form::formatted))
            .toList();
    assertThat(names)
        .map(CleanNames.of(names)::of)
        .isEqualTo(Stream.of(parts, parts, parts).flatMap(List::stream).toList());
  }
}
