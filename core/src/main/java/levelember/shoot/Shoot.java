package levelember.shoot;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import levelember.math.Vec3;

/**
 * One project: the set, the rig, the shots and the looks. References between the lists are checked.
 *
 * @param name as the artist reads it
 * @param pieces the set; parents may stand after their children
 * @param materials what pieces are made of
 * @param lights the rig
 * @param banks of lights
 * @param bounce how light goes on from surface to surface
 * @param masterStops fader over all lights, −10…+10 stops
 * @param shots cameras; at least one
 * @param looks at least one
 * @param motion how it moves; at rest it is as the other fields say
 * @param meter what is measured of it, and wanted
 */
public record Shoot(
    String name,
    List<Piece> pieces,
    List<Material> materials,
    List<Light> lights,
    List<Bank> banks,
    Bounce bounce,
    double masterStops,
    List<Shot> shots,
    List<Look> looks,
    Motion motion,
    Meter meter) {

  /** A shoot that does not move, and where nothing is measured. */
  public Shoot(
      String name,
      List<Piece> pieces,
      List<Material> materials,
      List<Light> lights,
      List<Bank> banks,
      Bounce bounce,
      double masterStops,
      List<Shot> shots,
      List<Look> looks) {
    this(
        name,
        pieces,
        materials,
        lights,
        banks,
        bounce,
        masterStops,
        shots,
        looks,
        Motion.NONE,
        Meter.NONE);
  }

  /** A shoot without banks, its light bounced as it is. */
  public Shoot(
      String name,
      List<Piece> pieces,
      List<Material> materials,
      List<Light> lights,
      double masterStops,
      List<Shot> shots,
      List<Look> looks) {
    this(name, pieces, materials, lights, List.of(), Bounce.NATURAL, masterStops, shots, looks);
  }

  public Shoot {
    Checks.name("name", name);
    pieces = List.copyOf(pieces);
    materials = List.copyOf(materials);
    lights = List.copyOf(lights);
    banks = List.copyOf(banks);
    if (bounce == null) {
      throw new ImpossibleValue("bounce", null, "how light goes on");
    }
    shots = List.copyOf(shots);
    looks = List.copyOf(looks);
    Checks.range("masterStops", masterStops, -10, 10);
    Set<String> pieceIds = Checks.uniqueIds("pieces", pieces, Piece::id);
    Set<String> materialIds = Checks.uniqueIds("materials", materials, Material::id);
    Set<String> lightIds = Checks.uniqueIds("lights", lights, Light::id);
    Set<String> bankIds = Checks.uniqueIds("banks", banks, Bank::id);
    Checks.uniqueIds("shots", shots, Shot::id);
    Set<String> lookIds = Checks.uniqueIds("looks", looks, Look::id);
    if (shots.isEmpty()) {
      throw new ImpossibleValue("shots", "empty", "at least one shot");
    }
    for (int i = 0; i < pieces.size(); i++) {
      Piece p = pieces.get(i);
      refer("pieces[" + i + "].parent", p.parent(), pieceIds, "piece");
      refer("pieces[" + i + "].material", p.material(), materialIds, "material");
      referAll("pieces[" + i + "].visibility.reflectedIn", p.visibility().reflectedIn(), pieceIds);
    }
    for (int i = 0; i < lights.size(); i++) {
      Light light = lights.get(i);
      String at = "lights[" + i + "].";
      if (light.emitter() instanceof Emitter.Emissive e) {
        refer(at + "emitter.material", e.material(), materialIds, "material");
      }
      if (light.emitter() instanceof Emitter.SkySun s) {
        refer(at + "emitter.sky", s.sky(), lightIds, "light that is a sky");
        if (lights.stream()
            .noneMatch(l -> l.id().equals(s.sky()) && l.emitter() instanceof Emitter.Sky)) {
          throw new ImpossibleValue(at + "emitter.sky", s.sky(), "a light that is a sky");
        }
      }
      if (light.mirror() != null) {
        String of = light.mirror().of();
        refer(at + "mirror.of", of, lightIds, "light");
        if (lights.stream().anyMatch(l -> l.id().equals(of) && l.mirror() != null)) {
          throw new ImpossibleValue(at + "mirror.of", of, "a light that is no mirror image itself");
        }
      }
      refer(at + "parent", light.parent(), pieceIds, "piece");
      refer(at + "aimedAt", light.aimedAt(), pieceIds, "piece");
      refer(at + "bank", light.bank(), bankIds, "bank");
      referAll(at + "lightLinking", light.reach().lightLinking(), pieceIds);
      referAll(at + "shadowLinking", light.reach().shadowLinking(), pieceIds);
    }
    for (int i = 0; i < shots.size(); i++) {
      refer("shots[" + i + "].look", shots.get(i).look(), lookIds, "look");
    }
    refuseCycles(pieces);
    if (motion == null) {
      throw new ImpossibleValue("motion", null, "how it moves");
    }
    if (meter == null) {
      throw new ImpossibleValue("meter", null, "what is measured");
    }
    if (!motion.tracks().isEmpty() || !motion.links().isEmpty()) {
      ShootAtTime.check(
          new Shoot(name, pieces, materials, lights, banks, bounce, masterStops, shots, looks),
          motion);
    }
  }

  private static void refer(String field, String id, Set<String> known, String what) {
    if (id != null && !known.contains(id)) {
      throw new ImpossibleValue(field, id, "the id of a " + what + " of this shoot");
    }
  }

  private static void referAll(String field, Scope scope, Set<String> known) {
    for (int i = 0; i < scope.pieces().size(); i++) {
      refer(field + ".pieces[" + i + "]", scope.pieces().get(i), known, "piece");
    }
  }

  private static void refuseCycles(List<Piece> pieces) {
    Map<String, String> parents = new HashMap<>();
    pieces.forEach(p -> parents.put(p.id(), p.parent()));
    Set<String> sound = new HashSet<>();
    for (int i = 0; i < pieces.size(); i++) {
      Set<String> way = new HashSet<>();
      for (String at = pieces.get(i).id();
          at != null && !sound.contains(at);
          at = parents.get(at)) {
        if (!way.add(at)) {
          throw new ImpossibleValue(
              "pieces[" + i + "].parent", pieces.get(i).parent(), "a piece outside its own line");
        }
      }
      sound.addAll(way);
    }
  }

  /**
   * A shoot to begin with: no piece, an even dome of 100 cd/m², one shot, and a look in which a mid
   * grey under that dome is a mid grey.
   *
   * @param backdrop whether the camera sees the dome, which is shown as about white
   */
  public static Shoot begun(String name, boolean backdrop) {
    Light dome =
        new Light(
            "dome",
            "Even dome",
            new Emitter.Dome(),
            Vec3.ZERO,
            Vec3.UP,
            0,
            new Brightness(100, Brightness.Unit.NIT),
            0,
            LightColour.NEUTRAL,
            false,
            false,
            backdrop);
    Vec3 from = new Vec3(0.9, 1.1, 3.2), at = new Vec3(0, 0.4, 0);
    Shot shot = new Shot("shot-1", "First shot", from, at, 50, 36, 0, 0, "look-1");
    Look look = new Look("look-1", "Plain", 6.4, 0.8, 3);
    return new Shoot(name, List.of(), List.of(), List.of(dome), 0, List.of(shot), List.of(look));
  }

  /** The same under another name. */
  public Shoot named(String other) {
    return new Shoot(
        other, pieces, materials, lights, banks, bounce, masterStops, shots, looks, motion, meter);
  }

  /** The same at rest, seen by other shots. */
  public Shoot with(List<Shot> others) {
    return new Shoot(name, pieces, materials, lights, banks, bounce, masterStops, others, looks);
  }

  /** The same whose light bounces otherwise. */
  public Shoot with(Bounce other) {
    return new Shoot(
        name, pieces, materials, lights, banks, other, masterStops, shots, looks, motion, meter);
  }

  /** The same that moves otherwise. */
  public Shoot with(Motion other) {
    return new Shoot(
        name, pieces, materials, lights, banks, bounce, masterStops, shots, looks, other, meter);
  }

  /** The same where something else is measured. */
  public Shoot with(Meter other) {
    return new Shoot(
        name, pieces, materials, lights, banks, bounce, masterStops, shots, looks, motion, other);
  }

  /** The same with another rig. */
  public Shoot withRig(List<Light> others, List<Bank> otherBanks, double master) {
    return new Shoot(
        name, pieces, materials, others, otherBanks, bounce, master, shots, looks, motion, meter);
  }

  /**
   * The same at rest, lit by one of its lights, with those that it is made by: its sky, what it
   * mirrors.
   */
  public Shoot litBy(Light light) {
    String sky = light.emitter() instanceof Emitter.SkySun s ? s.sky() : null;
    String mirrored = light.mirror() == null ? null : light.mirror().of();
    List<Light> kept =
        lights.stream()
            .filter(l -> l == light || l.id().equals(sky) || l.id().equals(mirrored))
            .toList();
    return new Shoot(name, pieces, materials, kept, banks, bounce, masterStops, shots, looks);
  }

  /** The shot of that id or name. */
  public Optional<Shot> shot(String idOrName) {
    return shots.stream()
        .filter(s -> s.id().equals(idOrName) || s.name().equals(idOrName))
        .findFirst();
  }

  /** The light of that id or name. */
  public Optional<Light> light(String idOrName) {
    return lights.stream()
        .filter(l -> l.id().equals(idOrName) || l.name().equals(idOrName))
        .findFirst();
  }

  /** The look that a shot wears, exposed as the shot is. */
  public Look lookOf(Shot shot) {
    Look look = looks.stream().filter(l -> l.id().equals(shot.look())).findFirst().orElseThrow();
    return shot.exposureStops() == 0 ? look : look.exposed(shot.exposureStops());
  }

  /** Names of the assets that this shoot needs, each once, in order. */
  public List<String> assets() {
    Set<String> names = new LinkedHashSet<>();
    for (Light light : lights) {
      String picture =
          switch (light.emitter()) {
            case Emitter.Environment e -> e.picture();
            case Emitter.Rectangle r -> r.picture();
            case Emitter.Disc d -> d.picture();
            case Emitter.Emissive e -> e.picture();
            case Emitter.Plate p -> p.picture();
            case Emitter.Spot s -> s.gobo() == null ? null : s.gobo().picture();
            default -> null;
          };
      if (picture != null) {
        names.add(picture);
      }
    }
    materials.forEach(m -> names.addAll(m.maps().pictures()));
    for (Piece piece : pieces) {
      if (piece.shape() instanceof Shape.Water w
          && w.fine() != null
          && w.fine().picture() != null) {
        names.add(w.fine().picture());
      }
    }
    names.addAll(models());
    names.addAll(luts());
    return List.copyOf(names);
  }

  /** Names of those assets that are LUTs, each once. */
  public Set<String> luts() {
    Set<String> names = new LinkedHashSet<>();
    looks.forEach(l -> l.lut().ifPresent(names::add));
    return names;
  }

  /** Names of those assets that are models, each once. */
  public Set<String> models() {
    Set<String> names = new LinkedHashSet<>();
    for (Piece piece : pieces) {
      Shape shape = piece.shape() instanceof Shape.Smooth s ? s.of() : piece.shape();
      if (shape instanceof Shape.Model m) {
        names.add(m.file());
      }
    }
    return names;
  }
}
