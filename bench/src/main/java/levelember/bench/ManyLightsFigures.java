package levelember.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import levelember.film.Film;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.noise.Noise;
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
import levelember.texture.Pictures;

/**
 * What many lights cost: a hall of 500 pieces lit by ten balls, by two hundred, and by ten lanterns
 * of a hundred shining triangles each, all of the same flux; the time to equal noise over that of
 * ten.
 */
final class ManyLightsFigures {
  private static final int WIDTH = 320, HEIGHT = 180, SAMPLES = 16;
  private static final double LUMENS = 20_000;

  private ManyLightsFigures() {}

  static Map<String, Object> measured(int rounds) {
    Shoot ten = hall(balls(10)), many = hall(balls(200)), pieces = shining();
    double[] two = new double[rounds], thousand = new double[rounds];
    View tenScene = scene(ten), manyScene = scene(many), piecesScene = scene(pieces);
    cost(ten, tenScene, 1);
    for (int round = 0; round < rounds; round++) {
      double usual = cost(ten, tenScene, round);
      two[round] = cost(many, manyScene, round) / usual;
      thousand[round] = cost(pieces, piecesScene, round) / usual;
    }
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("200 lights over 10, time to equal noise", Spread.of(two));
    to.put("1,000 shining triangles over 10 lights", Spread.of(thousand));
    return to;
  }

  private static View scene(Shoot shoot) {
    return View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
  }

  private static double cost(Shoot shoot, View view, int seed) {
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    int cores = Runtime.getRuntime().availableProcessors();
    try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, seed)) {
      long begin = System.nanoTime();
      renderer.trace(view, film, SAMPLES, () -> false);
      double seconds = (System.nanoTime() - begin) / 1e9;
      double fullScale = DisplayCurve.fullScale(shoot.looks().getFirst().ev());
      double noise = Noise.of(film, LayerWeights.of(shoot), fullScale).whole();
      return noise * noise * seconds;
    }
  }

  /** Places above the floor of the hall. */
  private static List<Vec3> places(int count) {
    Random random = new Random(11);
    List<Vec3> to = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      to.add(
          new Vec3(
              16 * random.nextDouble() - 8,
              2.2 + 1.2 * random.nextDouble(),
              16 * random.nextDouble() - 8));
    }
    return to;
  }

  private static List<Light> balls(int count) {
    List<Light> to = new ArrayList<>();
    for (Vec3 at : places(count)) {
      String id = "ball-" + to.size();
      Brightness brightness = new Brightness(LUMENS / count, Brightness.Unit.LUMEN);
      to.add(light(id, new Emitter.Sphere(0.06), at, brightness));
    }
    return to;
  }

  private static Light light(String id, Emitter emitter, Vec3 at, Brightness brightness) {
    return new Light(
        id, id, emitter, at, Vec3.ZERO, 0, brightness, 0, LightColour.NEUTRAL, false, false, false);
  }

  private static Shoot hall(List<Light> lights) {
    return shoot(furniture(), lights);
  }

  /** Five hundred small boxes that stand on a floor. */
  private static List<Piece> furniture() {
    Random random = new Random(5);
    List<Piece> to = new ArrayList<>();
    to.add(piece("floor", new Shape.Floor(20, 20), "grey", Vec3.ZERO));
    for (int i = 1; i < 500; i++) {
      Vec3 at = new Vec3(18 * random.nextDouble() - 9, 0, 18 * random.nextDouble() - 9);
      double high = 0.2 + 1.2 * random.nextDouble();
      to.add(piece("box-" + i, new Shape.Box(0.3, high, 0.3, 0.01), "grey", at));
    }
    return to;
  }

  /** Ten lanterns of a hundred triangles each, where the ten balls are. */
  private static Shoot shining() {
    List<Piece> all = furniture();
    double radius = 0.06;
    for (Vec3 at : places(10)) {
      all.add(piece("lantern-" + all.size(), lantern(radius), "lamp", at));
    }
    // A ball of radius r gives 4π²r² lm a cd/m²; the lantern's faces are a little less.
    double nits = LUMENS / (10 * 4 * Math.PI * Math.PI * radius * radius);
    Light light =
        light(
            "lamps",
            new Emitter.Emissive("lamp"),
            Vec3.ZERO,
            new Brightness(nits, Brightness.Unit.NIT));
    return shoot(all, List.of(light));
  }

  private static Shape lantern(double radius) {
    int around = 10, rings = 5;
    List<Double> p = new ArrayList<>();
    List<Integer> t = new ArrayList<>();
    for (int i = 0; i <= rings + 1; i++) {
      double polar = Math.PI * i / (rings + 1);
      for (int j = 0; j < around; j++) {
        double a = 2 * Math.PI * j / around;
        p.add(radius * Math.sin(polar) * Math.cos(a));
        p.add(radius * Math.cos(polar));
        p.add(radius * Math.sin(polar) * Math.sin(a));
      }
    }
    for (int i = 0; i <= rings; i++) {
      for (int j = 0; j < around; j++) {
        int a = i * around + j, b = i * around + (j + 1) % around;
        if (i > 0) {
          t.addAll(List.of(a, b, a + around));
        }
        if (i < rings) {
          t.addAll(List.of(b, b + around, a + around));
        }
      }
    }
    return new Shape.Mesh(p, List.of(), t);
  }

  private static Piece piece(String id, Shape shape, String material, Vec3 at) {
    return new Piece(id, id, null, at, Vec3.ZERO, Vec3.ONE, shape, material, null, true);
  }

  private static Shoot shoot(List<Piece> pieces, List<Light> lights) {
    return new Shoot(
        "Hall",
        pieces,
        List.of(
            Material.matte("grey", "Grey", Rgb.grey(0.6)),
            Material.matte("lamp", "Lamp", Rgb.grey(0.1))),
        lights,
        0,
        List.of(new Shot("s", "S", new Vec3(0, 5, 13), new Vec3(0, 0.5, 0), 28, 36, 0, 0, "k")),
        List.of(new Look("k", "K", 4, 0.5, 3)));
  }
}
