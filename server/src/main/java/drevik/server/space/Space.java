package drevik.server.space;

import drevik.mix.MixKind;
import drevik.server.DrevikProperties;
import drevik.server.store.Folders;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;

/** Finds what takes how much space. Removed things count as long as they can be brought back. */
@Service
class Space {
  private final JdbcClient jdbc;
  private final Path data;

  Space(JdbcClient jdbc, DrevikProperties properties) {
    this.jdbc = jdbc;
    this.data = properties.data().toAbsolutePath();
  }

  /** A part with the Mix that it is of. */
  private record OfMix(String mix, SpaceView.SpacePart part) {}

  SpaceView view() throws IOException {
    Map<String, List<OfMix>> deliveries = byMix(deliveries());
    Map<String, List<OfMix>> prints = byMix(prints());
    List<SpaceView.MixSpace> mixes =
        jdbc.sql(
                """
                with of_mix as (
                  select distinct d.mix_id, f.sha256, a.bytes
                  from delivery d
                  join delivered_file f on f.delivery_id = d.id
                  join audio_file a on a.sha256 = f.sha256)
                select m.id, m.name, m.kind, m.removed_at,
                  coalesce((select sum(bytes) from of_mix o where o.mix_id = m.id), 0) as audio,
                  coalesce((select sum(bytes) from of_mix o where o.mix_id = m.id
                    and not exists (select 1 from of_mix other
                      where other.sha256 = o.sha256 and other.mix_id <> m.id)), 0) as only_here
                from mix m order by m.name, m.id
                """)
            .query(
                (row, number) ->
                    new SpaceView.MixSpace(
                        row.getString("id"),
                        row.getString("name"),
                        MixKind.valueOf(row.getString("kind")),
                        removedAt(row),
                        row.getLong("audio"),
                        row.getLong("only_here"),
                        parts(deliveries, row.getString("id")),
                        parts(prints, row.getString("id"))))
            .list();
    return new SpaceView(
        data.toFile().getUsableSpace(),
        figure("select pg_database_size(current_database())"),
        figure("select coalesce(sum(bytes), 0) from audio_file"),
        Folders.bytes(data.resolve("prints")),
        (int) Removal.KEPT.toDays(),
        mixes);
  }

  private static Map<String, List<OfMix>> byMix(List<OfMix> parts) {
    return parts.stream().collect(Collectors.groupingBy(OfMix::mix));
  }

  private static List<SpaceView.SpacePart> parts(Map<String, List<OfMix>> all, String mix) {
    return all.getOrDefault(mix, List.of()).stream().map(OfMix::part).toList();
  }

  private List<OfMix> deliveries() {
    return jdbc.sql(
            """
            select d.mix_id, d.id, d.name, d.at, d.removed_at,
              coalesce((select sum(a.bytes) from audio_file a where a.sha256 in
                (select f.sha256 from delivered_file f where f.delivery_id = d.id)), 0) as bytes
            from delivery d order by d.at desc
            """)
        .query((row, number) -> ofMix(row, row.getString("name"), row.getLong("bytes")))
        .list();
  }

  private List<OfMix> prints() throws IOException {
    List<OfMix> runs =
        jdbc.sql(
                "select mix_id, id, asked_at as at, removed_at, revision from print_run"
                    + " order by asked_at desc")
            .query((row, number) -> ofMix(row, "revision " + row.getInt("revision"), 0))
            .list();
    List<OfMix> measured = new ArrayList<>();
    for (OfMix run : runs) {
      SpaceView.SpacePart part = run.part();
      long bytes = Folders.bytes(data.resolve("prints").resolve(part.id()));
      measured.add(
          new OfMix(
              run.mix(),
              new SpaceView.SpacePart(part.id(), part.name(), part.at(), part.removedAt(), bytes)));
    }
    return measured;
  }

  private static OfMix ofMix(ResultSet row, String name, long bytes) throws SQLException {
    return new OfMix(
        row.getString("mix_id"),
        new SpaceView.SpacePart(
            row.getString("id"), name, row.getTimestamp("at").toInstant(), removedAt(row), bytes));
  }

  private static @Nullable Instant removedAt(ResultSet row) throws SQLException {
    Timestamp at = row.getTimestamp("removed_at");
    return at == null ? null : at.toInstant();
  }

  private long figure(String query) {
    return jdbc.sql(query).query(Long.class).single();
  }
}
