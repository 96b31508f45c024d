package drevik.codec;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.RandomMix;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class DocumentPatchTest {
  private static final Mix BAND =
      mix()
          .seat("kick", "drums")
          .seat("snare", "drums")
          .bus("drums", "mix")
          .bus("mix", null)
          .build();

  private static Mix again(Mix before, Mix after) {
    String patch = DocumentPatch.between(before, after);
    return Documents.readTrusted(
        DocumentPatch.applied(Documents.writeCompact(before), List.of(patch)));
  }

  @Test
  void oneFaderIsOneOperation() {
    Mix after = BAND.mapChannels(c -> c.id().equals("snare") ? c.withFaderDb(-3) : c);
    assertThat(DocumentPatch.between(BAND, after))
        .isEqualTo("[{\"op\":\"add\",\"path\":\"/channels/1/faderDb\",\"value\":-3.0}]");
    assertThat(again(BAND, after)).isEqualTo(after);
    assertThat(DocumentPatch.between(BAND, BAND)).isEqualTo("[]");
  }

  @Test
  void whatComesGoesAndMovesIsThereAgain() {
    Mix without = BAND.withChannels(BAND.channels().subList(1, 4));
    Mix turned =
        BAND.withChannels(List.of(3, 1, 0, 2).stream().map(i -> BAND.channels().get(i)).toList());
    for (Mix after : List.of(without, turned, BAND.withName("a/b~c"), BAND.withTempo(90))) {
      assertThat(again(BAND, after)).isEqualTo(after);
      assertThat(again(after, BAND)).isEqualTo(BAND);
    }
  }

  @Property(tries = 100)
  void anyDocumentIsMadeOfAnyOther(@ForAll long one, @ForAll long other) {
    Mix before = RandomMix.full(one);
    Mix after = RandomMix.full(other);
    assertThat(again(before, after)).isEqualTo(after);
  }

  @Test
  void aDocumentThatSaysDefaultsAloudTakesPatchesThatLeaveThemOut() {
    String aloud =
        Documents.writeCompact(BAND)
            .replace("\"kind\":\"template\"", "\"kind\":\"template\",\"startFrame\":0")
            .replace("\"kind\":\"seat\"", "\"kind\":\"seat\",\"mute\":false,\"faderDb\":0.0");
    assertThat(Documents.readTrusted(aloud)).isEqualTo(BAND);
    Mix later =
        BAND.withStartFrame(9).mapChannels(c -> c.withMute(true).withFaderDb(-3).withPan(0.5));
    List<String> thereAndBack =
        List.of(DocumentPatch.between(BAND, later), DocumentPatch.between(later, BAND));
    assertThat(Documents.readTrusted(DocumentPatch.applied(aloud, thereAndBack.subList(0, 1))))
        .isEqualTo(later);
    assertThat(Documents.readTrusted(DocumentPatch.applied(aloud, thereAndBack))).isEqualTo(BAND);
  }

  @Test
  void patchesAreMadeOneAfterAnother() {
    Mix one = BAND.withName("One");
    Mix two = one.mapChannels(c -> c.withMute(c.id().equals("kick")));
    String text =
        DocumentPatch.applied(
            Documents.writeCompact(BAND),
            List.of(DocumentPatch.between(BAND, one), DocumentPatch.between(one, two)));
    assertThat(Documents.readTrusted(text)).isEqualTo(two);
  }

  @Test
  void aPatchOfSomethingElseIsRefused() {
    String patch = "[{\"op\":\"remove\",\"path\":\"/nowhere/3\"}]";
    assertThatThrownBy(() -> DocumentPatch.applied("{}", List.of(patch)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("/nowhere/3");
  }
}
