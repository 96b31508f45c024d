package drevik.bench;

import drevik.check.LineCheck;
import drevik.edit.Edit;
import drevik.edit.SetCategoryRule;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Tap;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.MapEntryField;
import drevik.preview.EditPreview;
import drevik.reassign.Following;
import java.util.List;
import java.util.Locale;

/**
 * How long it takes to say and to carry out what a changed map entry does, when every seat follows:
 * another destination, a send and a trim. Medians after warming up, one thread.
 */
final class ReassignBench {
  private static final int[] SIZES = Size.sizes(100, 300, 1000, 3000);
  private static final List<String> CATEGORIES =
      List.of("drums/kick", "vocals/lead", "keys/organ", "strings/cello");

  private ReassignBench() {}

  static void run() {
    for (int size : SIZES) {
      Mix mix = mapped(LargeMix.of(size));
      Edit edit = edit();
      EditPreview preview = EditPreview.of(mix, edit);
      var findings = LineCheck.of(mix);
      System.out.printf(
          Locale.ROOT,
          "reassign: %d channels, %d fields change: carried out in %.1f ms, preview %.1f ms,"
              + " with findings %.1f ms, with coverage %.1f ms%n",
          mix.channels().size(),
          preview.lines().size(),
          CheckBench.median(() -> edit.applyTo(mix)),
          CheckBench.median(() -> EditPreview.of(mix, edit)),
          CheckBench.median(() -> EditPreview.of(mix, edit).findings(findings)),
          CheckBench.median(() -> EditPreview.of(mix, edit).coverage(mix)));
    }
  }

  /** Seats of four families, each sent where the map says. */
  private static Mix mapped(Mix mix) {
    int[] count = {0};
    Mix sorted =
        mix.mapChannels(
            channel ->
                channel.kind().holdsClips()
                    ? channel
                        .withCategory(CATEGORIES.get(count[0]++ % CATEGORIES.size()))
                        .withOutput("group-0")
                    : channel);
    Edit map =
        new SetCategoryRule(
            List.of("drums", "vocals", "keys", "strings"),
            Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "group-0"));
    return Following.settled(map.applyTo(sorted));
  }

  private static Edit edit() {
    return new SetCategoryRule(
        List.of("drums", "vocals", "keys", "strings"),
        Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "group-1")
            .and(MapEntryField.TRIM, new Change.To<>(-3.0))
            .with(
                MapEntryField.SENDS,
                Changes.adding(
                        MapEntryField.ALL,
                        MapEntryField.SENDS,
                        MapSend.of(List.of("return-0"), Tap.PRE_FADER, -6),
                        List.of())
                    .of(MapEntryField.SENDS)
                    .orElseThrow()));
  }
}
