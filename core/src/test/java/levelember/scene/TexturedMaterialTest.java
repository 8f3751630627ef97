package levelember.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.integrator.Renderer;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What maps do to a picture, against answers known from outside. */
class TexturedMaterialTest {
  private static Picture render(Shoot shoot, Map<String, Picture> files, int side, int samples) {
    return render(shoot, files, side, samples, 1);
  }

  private static Picture render(
      Shoot shoot, Map<String, Picture> files, int side, int samples, int bounces) {
    Pictures pictures =
        name -> {
          Picture p = files.get(name);
          if (p == null) {
            throw new Pictures.MissingPicture(name);
          }
          return p;
        };
    View view = View.of(shoot, shoot.shots().getFirst(), pictures);
    Film film = new Film(side, side, view.layers());
    try (Renderer renderer = new Renderer(2, bounces, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return LayerMix.picture(film, LayerWeights.of(shoot));
  }

  private static Picture even(double r, double g, double b) {
    Picture p = Picture.black(2, 2);
    for (int i = 0; i < 4; i++) {
      p.set(i % 2, i / 2, r, g, b);
    }
    return p;
  }

  private static final Rgb[] QUARTERS = {
    new Rgb(0.8, 0.1, 0.1), new Rgb(0.1, 0.7, 0.1), new Rgb(0.1, 0.1, 0.6), Rgb.grey(0.9)
  };

  /** Red, green above; blue, grey below, four pixels each. */
  private static Picture quarters() {
    Picture p = Picture.black(4, 4);
    for (int i = 0; i < 16; i++) {
      Rgb c = QUARTERS[i % 4 / 2 + i / 8 * 2];
      p.set(i % 4, i / 4, c.r(), c.g(), c.b());
    }
    return p;
  }

  /** Clear glass in even light is not to be seen, whatever its relief. */
  @ParameterizedTest
  @CsvSource({"0.02, 0", "0.1, 0", "0.3, 0", "0.1, 0.2"})
  void reliefOnGlassKeepsAllLight(double metres, double roughness) {
    Picture heights = Picture.black(16, 16);
    for (int i = 0; i < 256; i++) {
      double h = 0.5 + 0.5 * Math.sin(i % 16 * Math.PI / 4) * Math.sin(i / 16 * Math.PI / 4);
      heights.set(i % 16, i / 16, h, h, h);
    }
    Material glass =
        Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 1)
            .withRoughness(roughness)
            .withMaps(Maps.NONE.withBump(Texture.once("h"), metres));
    Shoot shoot =
        new Sets()
            .material(glass)
            .piece("ball", new Shape.Box(1, 1, 1, 0), "glass", Vec3.ZERO)
            .light(Sets.dome(100))
            .seen(new Vec3(1.2, 1, 2), Vec3.ZERO, 0.8)
            .shoot();
    double mean = Sets.mean(render(shoot, Map.of("h", heights), 12, 256, 64));
    assertThat(mean).isCloseTo(100, within(roughness == 0 ? 0.5 : 2));
  }

  private static Sets wall(Material material) {
    return new Sets()
        .material(material)
        .piece("wall", new Shape.Rectangle(2, 2), material.id(), Vec3.ZERO);
  }

  private static void shows(Picture p, int x, int y, Rgb wanted) {
    assertThat(p.get(x, y, 0)).isCloseTo((float) wanted.r(), within(0.03f));
    assertThat(p.get(x, y, 1)).isCloseTo((float) wanted.g(), within(0.03f));
    assertThat(p.get(x, y, 2)).isCloseTo((float) wanted.b(), within(0.03f));
  }

  private static Material matte(Maps maps) {
    return Material.matte("m", "M", Rgb.WHITE).with(maps);
  }

  @Test
  void aPictureOnAMatteWallUnderAnEvenDomeShowsItsOwnColoursUpright() {
    Shoot shoot =
        wall(matte(Maps.colour(Texture.once("q"))))
            .light(Sets.dome(1))
            .seen(new Vec3(0, 0, 9), Vec3.ZERO, 2)
            .shoot();
    Picture p = render(shoot, Map.of("q", quarters()), 8, 64);
    shows(p, 1, 1, QUARTERS[0]);
    shows(p, 6, 1, QUARTERS[1]);
    shows(p, 1, 6, QUARTERS[2]);
    shows(p, 6, 6, QUARTERS[3]);
  }

  @Test
  void offsetTurnAndRepeatsMoveThePictureAsTheFormatSays() {
    // Turned by 90° counter-clockwise about its upper left: u′ = v, v′ = −u, then repeated.
    Texture turned = Texture.once("q").turned(90);
    Shoot shoot =
        wall(matte(Maps.colour(turned)))
            .light(Sets.dome(1))
            .seen(new Vec3(0, 0, 9), Vec3.ZERO, 2)
            .shoot();
    Picture p = render(shoot, Map.of("q", quarters()), 8, 64);
    shows(p, 1, 1, QUARTERS[2]);
    shows(p, 6, 1, QUARTERS[0]);
    shows(p, 1, 6, QUARTERS[3]);
    Texture moved =
        new Texture(
            "q", Texture.Mapping.FIRST, 0.5, 0, 1, 1, 0, Texture.Edge.CLAMP, Texture.Edge.CLAMP);
    shoot =
        wall(matte(Maps.colour(moved)))
            .light(Sets.dome(1))
            .seen(new Vec3(0, 0, 9), Vec3.ZERO, 2)
            .shoot();
    p = render(shoot, Map.of("q", quarters()), 8, 64);
    shows(p, 1, 1, QUARTERS[1]);
    shows(p, 6, 1, QUARTERS[1]);
    shows(p, 6, 6, QUARTERS[3]);
  }

  @ParameterizedTest
  @CsvSource({"0,0,5, 0", "0,0,-5, 0", "5,0,0, 0", "-5,0,0, 0", "0,5,0.001, 0"})
  void inMetresAPictureStandsUprightOnEveryFaceOfABox(double x, double y, double z) {
    Texture metres =
        new Texture(
            "q",
            Texture.Mapping.METRES,
            0.5,
            0.5,
            0.5,
            0.5,
            0,
            Texture.Edge.REPEAT,
            Texture.Edge.REPEAT);
    Material m = matte(Maps.colour(metres));
    Vec3 eye = new Vec3(x, y, z);
    Shoot shoot =
        new Sets()
            .material(m)
            .piece("box", new Shape.Box(2, 2, 2, 0), "m", new Vec3(0, -1, 0))
            .light(Sets.dome(1))
            .seen(eye, Vec3.ZERO, 2)
            .shoot();
    Picture p = render(shoot, Map.of("q", quarters()), 12, 64);
    // Metres begin at the box's foot: upright faces show the picture half a picture higher.
    boolean top = y > 1;
    shows(p, 3, 3, QUARTERS[top ? 0 : 2]);
    shows(p, 8, 3, QUARTERS[top ? 1 : 3]);
    shows(p, 8, 8, QUARTERS[top ? 3 : 1]);
  }

  @Test
  void evenMapsGiveTheSameBitsAsTheNumbersTheyStandFor() {
    Material mapped =
        Material.metal("m", "M", Rgb.WHITE, 1)
            .with(
                new Maps(
                    Texture.once("c"),
                    List.of(),
                    null,
                    null,
                    Texture.once("s"),
                    Texture.once("s"),
                    null,
                    1,
                    null,
                    0,
                    null));
    Material plain =
        new Material(
            "m",
            "M",
            new Rgb(0.75, 0.5, 0.25),
            0.5,
            Rgb.WHITE,
            null,
            0.25,
            1,
            1.5,
            Material.Glass.NONE,
            Material.Coat.NONE,
            Material.Sheen.NONE,
            Maps.NONE,
            true);
    Map<String, Picture> files = Map.of("c", even(0.75, 0.5, 0.25), "s", even(0.9, 0.25, 0.5));
    assertThat(ball(mapped, files)).isEqualTo(ball(plain, files));
  }

  private static float[] ball(Material m, Map<String, Picture> files) {
    Shoot shoot =
        new Sets()
            .material(m)
            .piece("ball", new Shape.Sphere(1), "m", Vec3.ZERO)
            .light(Sets.dome(1))
            .light(key(new Vec3(3, 4, 2)))
            .seen(new Vec3(0, 0, 8), Vec3.ZERO, 1.9)
            .shoot();
    return render(shoot, files, 16, 16).rgb();
  }

  private static Light key(Vec3 at) {
    return Sets.light("key", new Emitter.Point(), at, Vec3.ZERO, 1000, Unit.CANDELA);
  }

  /** Luminance in the middle of a wall under a lamp far away in a direction. */
  private static double lit(Maps maps, Vec3 size, Picture relief, Vec3 lamp) {
    Shoot shoot =
        new Sets()
            .material(matte(maps))
            .piece(
                new Piece(
                    "wall",
                    "Wall",
                    null,
                    Vec3.ZERO,
                    Vec3.ZERO,
                    size,
                    new Shape.Rectangle(2, 2),
                    "m",
                    null,
                    true))
            .light(key(lamp))
            .seen(new Vec3(0, 0, 9), Vec3.ZERO, 0.01)
            .shoot();
    return Sets.mean(render(shoot, Map.of("h", relief), 2, 16));
  }

  /** Heights that rise to the right by {@code right} and upwards by {@code up}, 0…1. */
  private static Picture slope(double right, double up) {
    Picture p = Picture.black(64, 64);
    for (int i = 0; i < 64 * 64; i++) {
      double h = 0.5 + right * ((i % 64 + 0.5) / 64 - 0.5) + up * (0.5 - (i / 64 + 0.5) / 64);
      p.set(i % 64, i / 64, h, h, h);
    }
    return p;
  }

  /** A white wall with a bent normal: what is cut off by its own plane fades out before. */
  private static double lambert(Vec3 normal, Vec3 lamp) {
    Vec3 n = normal.unit(), to = lamp.unit(), face = new Vec3(0, 0, 1);
    double part = Math.min(1, face.dot(to) / (n.dot(to) * n.dot(face)));
    double terminator = part + part * part - part * part * part;
    return terminator * 1000 / Math.PI * n.dot(to) / lamp.dot(lamp);
  }

  @ParameterizedTest
  @CsvSource({"1,0", "0,1", "-0.7,0.5"})
  void aBumpTurnsTheNormalByItsSlopeInMetres(double right, double up) {
    // The wall is 2 m wide and the bump 0.6 m from black to white.
    Maps maps = Maps.NONE.withBump(Texture.once("h"), 0.6);
    for (Vec3 lamp : List.of(new Vec3(20, 8, 30), new Vec3(-9, 25, 28))) {
      Vec3 normal = new Vec3(-0.3 * right, -0.3 * up, 1);
      assertThat(lit(maps, Vec3.ONE, slope(right, up), lamp))
          .isCloseTo(lambert(normal, lamp), within(0.004 * lambert(normal, lamp)));
    }
    // Mirrored, the picture's right is to the left.
    Vec3 lamp = new Vec3(20, 8, 30);
    Vec3 normal = new Vec3(0.3 * right, -0.3 * up, 1);
    assertThat(lit(maps, new Vec3(-1, 1, 1), slope(right, up), lamp))
        .isCloseTo(lambert(normal, lamp), within(0.004 * lambert(normal, lamp)));
  }

  @ParameterizedTest
  @ValueSource(doubles = {1, -1})
  void aNormalMapLeansTheNormalToThePicturesRightAndUp(double mirror) {
    Vec3 lean = new Vec3(0.3, -0.2, 0.9).unit();
    Picture map = even(0.5 + lean.x() / 2, 0.5 + lean.y() / 2, 0.5 + lean.z() / 2);
    Maps maps =
        new Maps(null, List.of(), null, null, null, null, Texture.once("h"), 1, null, 0, null);
    Vec3 lamp = new Vec3(20, 8, 30);
    double wanted = lambert(new Vec3(mirror * lean.x(), lean.y(), lean.z()), lamp);
    assertThat(lit(maps, new Vec3(mirror, 1, 1), map, lamp))
        .isCloseTo(wanted, within(0.002 * wanted));
  }

  @Test
  void aRampRecoloursByLuminance() {
    Maps maps =
        Maps.colour(Texture.once("c"))
            .withRamp(
                List.of(
                    new Maps.RampStop(0.2, new Rgb(0.1, 0.2, 0.3)),
                    new Maps.RampStop(0.6, new Rgb(0.9, 0.4, 0.1))));
    double[] codes = {0.1, 0.2, 0.4, 0.6, 1};
    Rgb[] wanted = {
      new Rgb(0.1, 0.2, 0.3),
      new Rgb(0.1, 0.2, 0.3),
      new Rgb(0.5, 0.3, 0.2),
      new Rgb(0.9, 0.4, 0.1),
      new Rgb(0.9, 0.4, 0.1)
    };
    for (int i = 0; i < codes.length; i++) {
      Shoot shoot = wall(matte(maps)).light(Sets.dome(1)).shoot();
      double c = codes[i];
      shows(render(shoot, Map.of("c", even(c, c, c)), 2, 64), 0, 0, wanted[i]);
    }
  }

  @Test
  void aSecondColourShowsWhereTheMaskIsBright() {
    Maps maps =
        new Maps(
            Texture.once("a"),
            List.of(),
            Texture.once("b"),
            Texture.once("k"),
            null,
            null,
            null,
            1,
            null,
            0,
            null);
    Shoot shoot = wall(matte(maps)).light(Sets.dome(1)).shoot();
    Map<String, Picture> files =
        Map.of("a", even(0.8, 0.4, 0), "b", even(0, 0.4, 0.8), "k", even(0.25, 0.25, 0.25));
    shows(render(shoot, files, 2, 64), 0, 0, new Rgb(0.6, 0.4, 0.2));
  }

  @Test
  void aRimTakesTheColourOverTowardsTheEdge() {
    Maps maps = Maps.NONE.withRim(new Maps.Rim(new Rgb(0.9, 0.1, 0.1), 1, 2));
    Material m = Material.matte("m", "M", new Rgb(0.1, 0.1, 0.5)).with(maps);
    Shoot shoot = wall(m).light(Sets.dome(1)).shoot();
    shows(render(shoot, Map.of(), 2, 64), 0, 0, new Rgb(0.1, 0.1, 0.5));
    // At 60° from the normal: a quarter.
    Vec3 eye = new Vec3(9 * Math.sin(Math.PI / 3), 0, 9 * Math.cos(Math.PI / 3));
    shoot = wall(m).light(Sets.dome(1)).seen(eye, Vec3.ZERO, 0.01).shoot();
    shows(render(shoot, Map.of(), 2, 64), 0, 0, new Rgb(0.3, 0.1, 0.4));
  }

  /** Glass of a roughness picture lets as much light through as glass of that roughness. */
  @ParameterizedTest
  @CsvSource({"0", "0.5", "1"})
  void thinGlassWithARoughnessPictureLosesNoLight(double code) {
    Material.Glass thin = new Material.Glass(1, Rgb.WHITE, 1, true, 0);
    Material plain = Material.glass("glass", "Glass", code, 1.5, thin);
    Texture t = Texture.once("rough");
    Material mapped =
        Material.glass("glass", "Glass", 1, 1.5, thin).with(Maps.NONE.withRoughness(t));
    Map<String, Picture> files = Map.of("rough", even(code, code, code));
    double wanted = under(plain, files), found = under(mapped, files);
    assertThat(found).isCloseTo(wanted, within(0.03 * wanted));
  }

  /** A floor under a sheet of glass that lies on all of it, in even light. */
  private static double under(Material glass, Map<String, Picture> files) {
    Shoot shoot =
        new Sets()
            .material(glass)
            .material(Material.matte("white", "White", Rgb.grey(0.5)))
            .piece("floor", new Shape.Floor(60, 60), "white", Vec3.ZERO)
            .piece("sheet", new Shape.Floor(60, 60), "glass", new Vec3(0, 1, 0))
            .light(Sets.dome(1))
            .seen(new Vec3(0.3, 0.8, 0.2), Vec3.ZERO, 0.05)
            .shoot();
    Picture p = render(shoot, files, 4, 1024, 32);
    double sum = 0;
    for (float v : p.rgb()) {
      sum += v / p.rgb().length;
    }
    return sum;
  }
}
