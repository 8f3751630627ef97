package levelember.shoot;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.math.Vec3;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Motion;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;

/**
 * One project: the set, the rig, the shots and the looks. References between the lists are checked.
 */
public record Shoot(
    @Field(meaning = "as the artist reads it") String name,
    @Field(meaning = "the set; parents may stand after their children", defaultValue = "[]")
        List<Piece> pieces,
    @Field(meaning = "what pieces are made of", defaultValue = "[]") List<Material> materials,
    @Field(meaning = "the rig", defaultValue = "[]") List<Light> lights,
    @Field(meaning = "groups of lights that share a fader", defaultValue = "[]") List<Bank> banks,
    @Field(meaning = "how light goes on from surface to surface", defaultValue = "{}")
        Bounce bounce,
    @Field(
            meaning = "fader over all lights",
            defaultValue = "0",
            min = -10,
            max = 10,
            unit = "stops")
        double masterStops,
    @Field(meaning = "cameras", minEntries = 1) List<Shot> shots,
    @Field(meaning = "looks that shots wear", minEntries = 1) List<Look> looks,
    @Field(meaning = "how it moves; at rest it is as the other fields say", defaultValue = "{}")
        Motion motion,
    @Field(meaning = "what is measured of it, and wanted", defaultValue = "{}") Meter meter) {

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
    RecordFields.check(
        Shoot.class,
        name,
        pieces,
        materials,
        lights,
        banks,
        bounce,
        masterStops,
        shots,
        looks,
        motion,
        meter);
    pieces = List.copyOf(pieces);
    materials = List.copyOf(materials);
    lights = List.copyOf(lights);
    banks = List.copyOf(banks);
    shots = List.copyOf(shots);
    looks = List.copyOf(looks);
    ShootReferences.check(pieces, materials, lights, banks, shots, looks);
    if (!motion.tracks().isEmpty() || !motion.links().isEmpty()) {
      ShootAtTime.check(
          new Shoot(name, pieces, materials, lights, banks, bounce, masterStops, shots, looks),
          motion);
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
      String picture = light.emitter().asset();
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
