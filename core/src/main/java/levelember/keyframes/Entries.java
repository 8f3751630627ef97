package levelember.keyframes;

import java.util.List;
import java.util.function.Function;
import levelember.document.ImpossibleValue;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Light;
import levelember.shoot.piece.Piece;

/** Entries of a shoot by their ids. */
final class Entries {
  private Entries() {}

  static Piece piece(Shoot shoot, String id) {
    return in("a piece", shoot.pieces(), Piece::id, id);
  }

  static Shot shot(Shoot shoot, String id) {
    return in("a shot", shoot.shots(), Shot::id, id);
  }

  static Light light(Shoot shoot, String id) {
    return in("a light", shoot.lights(), Light::id, id);
  }

  static Bank bank(Shoot shoot, String id) {
    return in("a bank", shoot.banks(), Bank::id, id);
  }

  private static <T> T in(String kind, List<T> list, Function<T, String> idOf, String id) {
    return list.stream()
        .filter(one -> idOf.apply(one).equals(id))
        .findAny()
        .orElseThrow(() -> new ImpossibleValue("of", id, kind + " of the shoot, by its id"));
  }
}
