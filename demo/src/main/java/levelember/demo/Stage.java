package levelember.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.picture.PngFile;
import levelember.formats.picture.RadianceHdr;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Bounce;
import levelember.shoot.Meter;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Gobo;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.look.Look;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.motion.Motion;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Corner;
import levelember.texture.GoboPatterns;
import levelember.texture.Patterns;
import levelember.texture.Picture;

/** Collects pieces, materials, lights and pictures of a demo shoot. */
final class Stage {
  private static final int PICTURE = 768;

  private final List<Piece> pieces = new ArrayList<>();
  private final List<Material> materials = new ArrayList<>();
  private final List<Light> lights = new ArrayList<>();
  private final List<Shot> shots = new ArrayList<>();
  private final List<Look> looks = new ArrayList<>();
  private final TreeMap<String, byte[]> assets = new TreeMap<>();
  private Meter meter = Meter.NONE;

  static Vec3 at(double x, double y, double z) {
    return new Vec3(x, y, z);
  }

  ShootPackage pack(String name) {
    return pack(name, Motion.NONE);
  }

  /** The shoot with its assets, as it moves. */
  ShootPackage pack(String name, Motion motion) {
    Shoot still = new Shoot(name, pieces, materials, lights, 0, shots, looks).with(Bounce.USUAL);
    return new ShootPackage(still.with(motion).with(meter), assets);
  }

  /** What is measured. */
  Stage measured(Meter other) {
    meter = other;
    return this;
  }

  Stage material(Material m) {
    materials.add(m);
    return this;
  }

  /** A pattern of the shelf as a picture of this shoot, lying in metres. */
  Texture pattern(String id) {
    Patterns.Pattern p =
        Patterns.all().stream().filter(q -> q.id().equals(id)).findFirst().orElseThrow();
    assets.computeIfAbsent(id + ".png", k -> PngFile.codes(Patterns.picture(id, PICTURE)));
    return Texture.metres(id + ".png", p.metres(), p.metres());
  }

  /** A pattern for a lamp's gate among the shoot's pictures. */
  Gobo gobo(String id) {
    assets.put(id + ".png", PngFile.codes(GoboPatterns.picture(id, 512)));
    return Gobo.of(id + ".png");
  }

  /** A linear surrounding made for this shoot. */
  Stage surroundings(String name, Picture linear) {
    assets.put(name, RadianceHdr.write(linear));
    return this;
  }

  /** A picture of codes made for this shoot. */
  Texture picture(String name, Picture codes) {
    assets.put(name, PngFile.codes(codes));
    return Texture.once(name);
  }

  /** A dielectric with a colour picture and a bump. */
  Stage papered(
      String id, String name, Rgb colour, double roughness, Texture map, Texture bump, double mm) {
    Maps maps = Maps.colour(map);
    return material(
        Material.glossy(id, name, colour, roughness, 1.5)
            .with(bump == null ? maps : maps.withBump(bump, mm / 1000)));
  }

  Stage piece(String id, String name, Vec3 place, Shape shape, String material) {
    return piece(id, name, null, place, Vec3.ZERO, shape, material, null);
  }

  Stage piece(String id, String name, Vec3 place, Vec3 turn, Shape shape, String material) {
    return piece(id, name, null, place, turn, shape, material, null);
  }

  Stage piece(
      String id,
      String name,
      String parent,
      Vec3 place,
      Vec3 turn,
      Shape shape,
      String material,
      Piece.Copies copies) {
    pieces.add(new Piece(id, name, parent, place, turn, Vec3.ONE, shape, material, copies, true));
    return this;
  }

  Stage group(String id, String name, Vec3 place, Vec3 turn) {
    return piece(id, name, null, place, turn, null, null, null);
  }

  Stage light(
      String id,
      String name,
      Emitter emitter,
      Vec3 place,
      Vec3 aim,
      double value,
      Unit unit,
      double kelvin) {
    return light(id, name, emitter, place, aim, value, unit, kelvin, Rgb.WHITE, false);
  }

  Stage light(
      String id,
      String name,
      Emitter emitter,
      Vec3 place,
      Vec3 aim,
      double value,
      Unit unit,
      double kelvin,
      Rgb filter,
      boolean seen) {
    lights.add(
        new Light(
            id,
            name,
            emitter,
            place,
            aim,
            0,
            new Brightness(value, unit),
            0,
            new LightColour(kelvin, 0, filter),
            false,
            false,
            seen));
    return this;
  }

  /** Gives the light added last other controls. */
  Stage controls(LightControls controls) {
    lights.add(lights.removeLast().withControls(controls));
    return this;
  }

  /** A sky that is seen, and its sun, each as many times what is computed. */
  Stage daylight(Daylight day, double skyTimes, double sunTimes) {
    light(
        "sky",
        "Sky",
        new Emitter.Sky(day),
        Vec3.ZERO,
        Vec3.UP,
        skyTimes,
        Unit.TIMES,
        6504,
        Rgb.WHITE,
        true);
    Emitter sun = new Emitter.SkySun("sky", 0.53);
    return light("sun", "Sun", sun, Vec3.ZERO, Vec3.UP, sunTimes, Unit.TIMES, 6504);
  }

  /** A material that shines, seen by the camera. */
  Stage shines(String id, String name, String material, double nits, double kelvin, Rgb filter) {
    Emitter emitter = new Emitter.Emissive(material);
    return light(id, name, emitter, Vec3.ZERO, Vec3.UP, nits, Unit.NIT, kelvin, filter, true);
  }

  Stage shot(Shot shot) {
    shots.add(shot);
    return this;
  }

  Stage looks(List<Look> worn) {
    looks.addAll(worn);
    return this;
  }

  /** A turned profile from pairs of radius and height. */
  static Shape.Lathe turned(double creaseDegrees, boolean closed, double... pairs) {
    List<Corner> p = new ArrayList<>();
    for (int i = 0; i + 1 < pairs.length; i += 2) {
      p.add(new Corner(pairs[i], pairs[i + 1]));
    }
    return new Shape.Lathe(p, closed, creaseDegrees);
  }

  static Piece.Copies row(int count, Vec3 step) {
    return new Piece.Copies(count, step, Vec3.ZERO);
  }

  static Piece.Copies ring(int count) {
    return new Piece.Copies(count, Vec3.ZERO, at(0, 360.0 / count, 0));
  }
}
