package drevik.edit;

import static drevik.MixWords.mix;

import drevik.MixWords;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.ListField;
import drevik.mix.field.SendField;
import java.util.List;

/** The small Mix that the tests of edits change. */
final class Band {
  private Band() {}

  static Mix band() {
    return mix()
        .seat("kick", "drums")
        .seat("snare", "drums")
        .seat(
            "voice", "mix", c -> c.withSends(List.of(MixWords.send("plate", Tap.POST_FADER, -10))))
        .bus("drums", "mix")
        .bus("plate", "mix")
        .bus("mix", null)
        .output("mix")
        .output("drums")
        .stems("mix", "drums")
        .map("drums", "drums")
        .build();
  }

  static Changes<Send> send(Tap tap, double levelDb, boolean on) {
    return Changes.of(SendField.ALL, SendField.TAP, tap)
        .and(SendField.LEVEL, new Change.To<>(levelDb))
        .and(SendField.ON, new Change.To<>(on));
  }

  static Output output(String channel) {
    return new Output(
        "out-" + channel,
        channel,
        OutputKind.STEM,
        channel,
        Tap.POST_FADER,
        Layout.STEREO,
        SampleFormat.PCM_24,
        "{output}");
  }

  /** The Mix with one thing more at the end of a list. */
  static <E> Mix add(Mix mix, ListField<Mix, E> list, E item) {
    return ChangeMix.adding(mix, list, item).applyTo(mix);
  }
}
