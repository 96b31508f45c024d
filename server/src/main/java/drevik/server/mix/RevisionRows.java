package drevik.server.mix;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RevisionRows extends JpaRepository<RevisionRow, RevisionRow.Key> {
  /** Every revision without its document, the newest first. */
  @Query(
      "select new drevik.server.mix.RevisionLine(r.key.number, r.parent, r.at, r.says, n.name)"
          + " from RevisionRow r left join RevisionNameRow n on n.key = r.key"
          + " where r.key.mixId = :mixId order by r.key.number desc")
  List<RevisionLine> lines(String mixId);

  /** One revision without its document. */
  @Query(
      "select new drevik.server.mix.RevisionLine(r.key.number, r.parent, r.at, r.says, n.name)"
          + " from RevisionRow r left join RevisionNameRow n on n.key = r.key"
          + " where r.key.mixId = :mixId and r.key.number = :number")
  Optional<RevisionLine> line(String mixId, int number);

  /** The number of the newest revision made from {@code parent}: where redo leads. */
  @Query(
      "select max(r.key.number) from RevisionRow r where r.key.mixId = :mixId and r.parent = :parent")
  Optional<Integer> newestChild(String mixId, int parent);

  /** How many changes a revision is away from a whole one of a format; empty if of another. */
  @Query(
      "select r.steps from RevisionRow r"
          + " where r.key.mixId = :mixId and r.key.number = :number and r.format = :format")
  Optional<Integer> steps(String mixId, int number, int format);

  @Query("select r.says from RevisionRow r where r.key.mixId = :mixId and r.key.number = :number")
  String says(String mixId, int number);
}
