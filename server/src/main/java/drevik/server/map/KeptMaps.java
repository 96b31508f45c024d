package drevik.server.map;

import drevik.mix.Limits;
import drevik.mix.Refused;
import drevik.server.Ids;
import drevik.server.NotFound;
import drevik.server.mix.Mixes;
import drevik.shelf.NamedMap;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Category maps apart from any Mix, kept under names. */
@Service
public class KeptMaps {
  /**
   * A map on the shelf.
   *
   * @param entries how many it has
   * @param removedAt null for one that is there
   */
  record KeptMapLine(
      String id, String name, int entries, Instant at, @Nullable Instant removedAt) {}

  private final KeptMapRows rows;
  private final Mixes mixes;
  private final Clock clock;

  KeptMaps(KeptMapRows rows, Mixes mixes, Clock clock) {
    this.rows = rows;
    this.mixes = mixes;
    this.clock = clock;
  }

  /** The latest first. */
  @Transactional(readOnly = true)
  public List<KeptMapLine> list() {
    return rows.findAllByOrderByAtDesc().stream()
        .map(
            row ->
                new KeptMapLine(
                    row.id, row.map.name(), row.map.entries().size(), row.at, row.removedAt))
        .toList();
  }

  @Transactional(readOnly = true)
  public NamedMap find(String id) {
    return rows.findById(id)
        .map(row -> row.map)
        .orElseThrow(() -> new NotFound("There is no such map on the shelf any more."));
  }

  /** Keeps the map of a Mix as it is now, in the place of what is kept under that name. */
  @Transactional
  public void keep(String mix, String name) {
    replace(NamedMap.kept(mixes.document(mix), name));
  }

  /** Keeps a map, in the place of what is kept under its name. */
  @Transactional
  public void replace(NamedMap map) {
    called(map.name())
        .ifPresentOrElse(
            row -> {
              row.map = map.cleaned();
              row.at = clock.instant();
              rows.save(row);
            },
            () -> keep(map));
  }

  private Optional<KeptMapRow> called(String name) {
    return rows.findAllByOrderByAtDesc().stream()
        .filter(row -> row.removedAt == null && row.map.name().equalsIgnoreCase(name))
        .findFirst();
  }

  /** Another name for what is kept; one that nothing else has. */
  @Transactional
  public void rename(String id, String name) {
    KeptMapRow row =
        rows.findById(id)
            .orElseThrow(() -> new NotFound("There is no such map on the shelf any more."));
    String clean = Limits.keptName(name, "A map");
    called(clean)
        .filter(other -> !other.id.equals(id))
        .ifPresent(
            other -> {
              throw new Refused("Another map is called “" + clean + "”; choose another.");
            });
    row.map = new NamedMap(row.map.version(), clean, row.map.entries());
    rows.save(row);
  }

  @Transactional
  public void keep(NamedMap map) {
    rows.save(new KeptMapRow(Ids.next(), map.cleaned(), clock.instant()));
  }
}
