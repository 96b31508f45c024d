package drevik.server.intake;

import drevik.edit.Edit;
import drevik.intake.seat.LevelGuides;
import drevik.mix.Mix;
import drevik.server.mix.Mixes;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What would set the clips of a Mix to the level guides of its map, by how loud its files are. */
@Component
class GuideGains {
  private final Mixes mixes;
  private final DeliveredFileRows files;
  private final AudioFileRows audioFiles;

  GuideGains(Mixes mixes, DeliveredFileRows files, AudioFileRows audioFiles) {
    this.mixes = mixes;
    this.files = files;
    this.audioFiles = audioFiles;
  }

  /**
   * Gains for what is seated, as its guide says.
   *
   * @param since a revision: seats whose guide is what it was then are left alone; null for all
   */
  @Transactional(readOnly = true)
  public Optional<Edit> offer(String mixId, @Nullable Integer since) {
    Mix mix = mixes.document(mixId);
    List<String> delivered =
        mix.channels().stream()
            .flatMap(channel -> channel.clips().stream())
            .flatMap(clip -> clip.delivered().stream())
            .distinct()
            .toList();
    List<DeliveredFileRow> rows = files.findAllById(delivered);
    Map<String, Double> ofContent = new HashMap<>();
    audioFiles
        .findAllById(rows.stream().map(row -> row.sha256).filter(Objects::nonNull).toList())
        .forEach(
            audio -> {
              Double lufs = audio.inspection == null ? null : audio.inspection.integratedLufs();
              if (lufs != null) {
                ofContent.put(audio.sha256, lufs);
              }
            });
    Map<String, Double> loudness = new HashMap<>();
    for (DeliveredFileRow row : rows) {
      Double lufs = row.sha256 == null ? null : ofContent.get(row.sha256);
      if (lufs != null) {
        loudness.put(row.id, lufs);
      }
    }
    return LevelGuides.offer(mix, since == null ? null : mixes.document(mixId, since), loudness);
  }
}
