package levelember;

import java.util.ArrayList;
import java.util.List;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.integrator.Renderer;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import levelember.texture.Pictures;

/** Small shoots for tests, built piece by piece. */
public final class Sets {
  private final List<Piece> pieces = new ArrayList<>();
  private final List<Material> materials = new ArrayList<>();
  private final List<Light> lights = new ArrayList<>();
  private Shot shot = camera(new Vec3(0, 0, 5), Vec3.ZERO, 0.01);

  /** A shot of a very narrow view: {@code width} metres at the aim. */
  public static Shot camera(Vec3 place, Vec3 aim, double width) {
    double focal = Math.min(2000, 36 * place.minus(aim).length() / width);
    double sensor = Math.max(1, focal * width / place.minus(aim).length());
    return new Shot("shot", "Shot", place, aim, focal, sensor, 0, 0, "look");
  }

  public Sets seen(Vec3 place, Vec3 aim, double width) {
    shot = camera(place, aim, width);
    return this;
  }

  /** Leaves out what lies behind. */
  public Sets cutOut() {
    shot =
        new Shot(
            "shot",
            "Shot",
            shot.position(),
            shot.aim(),
            shot.focalLengthMm(),
            shot.sensorWidthMm(),
            0,
            0,
            "look",
            false,
            0,
            0,
            0,
            0,
            true);
    return this;
  }

  public Sets material(Material m) {
    materials.add(m);
    return this;
  }

  public Sets piece(String id, Shape shape, String material, Vec3 place) {
    pieces.add(new Piece(id, id, null, place, Vec3.ZERO, Vec3.ONE, shape, material, null, true));
    return this;
  }

  /** A piece that is turned. */
  public Sets piece(String id, Shape shape, String material, Vec3 place, Vec3 rotationDegrees) {
    return piece(
        new Piece(id, id, null, place, rotationDegrees, Vec3.ONE, shape, material, null, true));
  }

  public Sets piece(Piece piece) {
    pieces.add(piece);
    return this;
  }

  public Sets light(Light light) {
    lights.add(light);
    return this;
  }

  public static Light light(
      String id, Emitter emitter, Vec3 place, Vec3 aim, double value, Brightness.Unit unit) {
    return new Light(
        id,
        id,
        emitter,
        place,
        aim,
        0,
        new Brightness(value, unit),
        0,
        LightColour.NEUTRAL,
        false,
        false,
        true);
  }

  public static Light dome(double value) {
    return light("dome", new Emitter.Dome(), Vec3.ZERO, Vec3.UP, value, Brightness.Unit.NIT);
  }

  public static Sets white(double albedo) {
    return new Sets().material(Material.matte("white", "White", levelember.math.Rgb.grey(albedo)));
  }

  public Shoot shoot() {
    return new Shoot(
        "Test",
        pieces,
        materials,
        lights,
        0,
        List.of(shot),
        List.of(new Look("look", "Look", 0, 1, 0)));
  }

  /** Renders to a picture in cd/m². */
  public static Picture render(Shoot shoot, int width, int height, int samples, int bounces) {
    Film film = film(shoot, width, height, samples, bounces, 2);
    return LayerMix.picture(film, LayerWeights.of(shoot));
  }

  /** Renderings of as many seeds from the first on, of one compiled set. */
  public static List<Picture> renderings(
      Shoot shoot, int width, int height, int samples, int bounces, int first, int seeds) {
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    List<Picture> to = new ArrayList<>();
    for (int seed = first; seed < first + seeds; seed++) {
      Film film = new Film(width, height, view.layers());
      try (Renderer renderer = new Renderer(2, bounces, seed)) {
        renderer.trace(view, film, samples, () -> false);
      }
      to.add(LayerMix.picture(film, LayerWeights.of(shoot)));
    }
    return to;
  }

  public static Film film(
      Shoot shoot, int width, int height, int samples, int bounces, int threads) {
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    Film film = new Film(width, height, view.layers());
    try (Renderer renderer = new Renderer(threads, bounces, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return film;
  }

  /** Mean of a channel over a picture, cd/m². */
  public static double mean(Picture p, int channel) {
    double sum = 0;
    for (int i = channel; i < p.rgb().length; i += 3) {
      sum += p.rgb()[i];
    }
    return 3 * sum / p.rgb().length;
  }

  /** Mean luminance of a picture, cd/m². */
  public static double mean(Picture p) {
    double sum = 0;
    for (int i = 0; i < p.rgb().length; i += 3) {
      sum += 0.2126 * p.rgb()[i] + 0.7152 * p.rgb()[i + 1] + 0.0722 * p.rgb()[i + 2];
    }
    return sum * 3 / p.rgb().length;
  }
}
