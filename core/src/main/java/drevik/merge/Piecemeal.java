package drevik.merge;

import drevik.edit.Soundness;
import drevik.merge.Clash.Cause;
import drevik.merge.Pieces.Piece;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Changes;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Takes as many pieces into a Mix as can be together, by halving: a few that are not sound are
 * found among hundreds by a few looks.
 */
final class Piecemeal {
  private Mix mix;
  private final Map<Piece, String> why = new LinkedHashMap<>();

  Piecemeal(Mix mix) {
    this.mix = mix;
  }

  Mix mix() {
    return mix;
  }

  /** Takes all at once if that can be, else as much of it as can. */
  void take(Changes<Mix> changes) {
    try {
      mix = Soundness.require(mix, changes.applyTo(mix));
    } catch (Refused e) {
      take(Pieces.of(changes));
    }
  }

  /** What waits for another piece is tried again when that has been taken. */
  private void take(List<Piece> pieces) {
    List<Piece> left = pieces;
    for (int before = left.size() + 1; !left.isEmpty() && left.size() < before; ) {
      before = left.size();
      why.clear();
      left = attempt(left);
    }
  }

  /** Those that could not be taken, each for itself. */
  private List<Piece> attempt(List<Piece> pieces) {
    try {
      Mix after = mix;
      for (Piece piece : pieces) {
        after = piece.changes().applyTo(after);
      }
      mix = Soundness.require(mix, after);
      return List.of();
    } catch (Refused e) {
      if (pieces.size() == 1) {
        why.put(pieces.get(0), e.getMessage());
        return pieces;
      }
    }
    int half = pieces.size() / 2;
    List<Piece> left = new ArrayList<>(attempt(pieces.subList(0, half)));
    left.addAll(attempt(pieces.subList(half, pieces.size())));
    return left;
  }

  /** What was left out, with the reason. */
  List<Clash> refused() {
    return why.entrySet().stream()
        .map(
            one ->
                new Clash(
                    Cause.NOT_SOUND, one.getKey().at(), null, one.getKey().value(), one.getValue()))
        .toList();
  }
}
