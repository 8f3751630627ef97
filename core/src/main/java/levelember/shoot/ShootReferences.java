package levelember.shoot;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import levelember.document.ImpossibleValue;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;

/**
 * Whether the entries of a shoot's lists have ids of their own, and name entries that are there.
 */
final class ShootReferences {
  private final List<ImpossibleValue.Refusal> wrong = new ArrayList<>();
  private final Set<String> pieces;
  private final Set<String> materials;
  private final Map<String, Light> lights = new HashMap<>();
  private final Set<String> banks;
  private final Set<String> looks;

  private ShootReferences(
      List<Piece> pieces,
      List<Material> materials,
      List<Light> lights,
      List<Bank> banks,
      List<Shot> shots,
      List<Look> looks) {
    this.pieces = ids("pieces", pieces, Piece::id);
    this.materials = ids("materials", materials, Material::id);
    ids("lights", lights, Light::id);
    lights.forEach(l -> this.lights.put(l.id(), l));
    this.banks = ids("banks", banks, Bank::id);
    ids("shots", shots, Shot::id);
    this.looks = ids("looks", looks, Look::id);
  }

  /**
   * Refuses ids that are used twice, references to nothing, and pieces within themselves.
   *
   * @throws ImpossibleValue of all of them
   */
  static void check(
      List<Piece> pieces,
      List<Material> materials,
      List<Light> lights,
      List<Bank> banks,
      List<Shot> shots,
      List<Look> looks) {
    ShootReferences of = new ShootReferences(pieces, materials, lights, banks, shots, looks);
    for (int i = 0; i < pieces.size(); i++) {
      of.piece("pieces[" + i + "].", pieces.get(i));
    }
    for (int i = 0; i < lights.size(); i++) {
      of.light("lights[" + i + "].", lights.get(i));
    }
    for (int i = 0; i < shots.size(); i++) {
      of.refer("shots[" + i + "].look", shots.get(i).look(), of.looks, "look");
    }
    of.cycles(pieces);
    if (!of.wrong.isEmpty()) {
      throw ImpossibleValue.of(of.wrong);
    }
  }

  private <T> Set<String> ids(String list, List<T> entries, Function<T, String> id) {
    Set<String> to = new HashSet<>();
    for (int i = 0; i < entries.size(); i++) {
      String own = id.apply(entries.get(i));
      if (!to.add(own)) {
        refuse(list + "[" + i + "].id", own, "an id used once in the list");
      }
    }
    return to;
  }

  private void piece(String at, Piece piece) {
    refer(at + "parent", piece.parent(), pieces, "piece");
    refer(at + "material", piece.material(), materials, "material");
    scope(at + "visibility.reflectedIn", piece.visibility().reflectedIn());
  }

  private void light(String at, Light light) {
    if (light.emitter() instanceof Emitter.Emissive e) {
      refer(at + "emitter.material", e.material(), materials, "material");
    }
    if (light.emitter() instanceof Emitter.SkySun s) {
      Light sky = lights.get(s.sky());
      if (sky == null || !(sky.emitter() instanceof Emitter.Sky)) {
        refuse(at + "emitter.sky", s.sky(), "the id of a light of this shoot that is a sky");
      }
    }
    if (light.mirror() != null) {
      String of = light.mirror().of();
      refer(at + "mirror.of", of, lights.keySet(), "light");
      if (lights.containsKey(of) && lights.get(of).mirror() != null) {
        refuse(at + "mirror.of", of, "a light that is no mirror image itself");
      }
    }
    refer(at + "parent", light.parent(), pieces, "piece");
    refer(at + "aimedAt", light.aimedAt(), pieces, "piece");
    refer(at + "bank", light.bank(), banks, "bank");
    scope(at + "lightLinking", light.controls().lightLinking());
    scope(at + "shadowLinking", light.controls().shadowLinking());
  }

  private void scope(String field, Scope scope) {
    for (int i = 0; i < scope.pieces().size(); i++) {
      refer(field + ".pieces[" + i + "]", scope.pieces().get(i), pieces, "piece");
    }
  }

  private void refer(String field, String id, Set<String> known, String what) {
    if (id != null && !known.contains(id)) {
      refuse(field, id, "the id of a " + what + " of this shoot");
    }
  }

  private void cycles(List<Piece> all) {
    Map<String, String> parents = new HashMap<>();
    all.forEach(p -> parents.put(p.id(), p.parent()));
    Set<String> sound = new HashSet<>();
    for (int i = 0; i < all.size(); i++) {
      Set<String> line = new HashSet<>();
      String at = all.get(i).id();
      while (at != null && !sound.contains(at) && line.add(at)) {
        at = parents.get(at);
      }
      if (at != null && !sound.contains(at)) {
        refuse("pieces[" + i + "].parent", all.get(i).parent(), "a piece outside its own line");
        return;
      }
      sound.addAll(line);
    }
  }

  private void refuse(String field, String given, String allowed) {
    wrong.add(new ImpossibleValue.Refusal(field, given, allowed));
  }
}
