package levelember.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import levelember.Sets;
import levelember.film.Film;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.geometry.Meshes;
import levelember.integrator.Renderer;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.scene.SceneAssets;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.texture.Luts;
import levelember.texture.Picture;
import levelember.texture.Pictures;

/** A ball on a floor with a key from the left, a fill from the right and an even dome. */
public final class Studio {
  private static final int WIDTH = 160, HEIGHT = 90, SAMPLES = 4;

  public Vec3 ball = new Vec3(0, 0.5, 0);

  /** Of all surfaces; 0 for a grey floor and a light ball. */
  public double albedo;

  public final List<Piece> more = new ArrayList<>();
  public final List<Material> materials = new ArrayList<>();
  public final List<Light> lights = new ArrayList<>();
  public UnaryOperator<Look> look = l -> l;
  public UnaryOperator<Shot> shot = s -> s;
  public Pictures pictures = Pictures.NONE;

  public Studio() {
    lights.add(lamp("key", new Vec3(-2, 2.5, 2), 1500));
    lights.add(lamp("fill", new Vec3(2, 2, 2), 400));
    lights.add(
        light("dome", new Emitter.Dome(), Vec3.ZERO, Vec3.UP, 4, Brightness.Unit.NIT)
            .withSeenDirectly(true));
  }

  public Studio with(String light, UnaryOperator<Light> change) {
    lights.replaceAll(l -> l.id().equals(light) ? change.apply(l) : l);
    return this;
  }

  public Shoot shoot() {
    List<Piece> pieces =
        new ArrayList<>(
            List.of(
                piece("floor", new Shape.Floor(14, 14), "grey", Vec3.ZERO),
                piece("ball", new Shape.Sphere(0.5), "white", ball)));
    pieces.addAll(more);
    List<Material> all =
        new ArrayList<>(
            List.of(
                Material.matte("grey", "Grey", Rgb.grey(albedo > 0 ? albedo : 0.25)),
                Material.matte("white", "White", Rgb.grey(albedo > 0 ? albedo : 0.6))));
    all.addAll(materials);
    Shot seen = new Shot("s", "S", new Vec3(0, 1.2, 5), new Vec3(0, 0.5, 0), 60, 36, 0, 0, "l");
    Look worn = new Look("l", "L", 6, 0.5, 3);
    return new Shoot(
        "Studio", pieces, all, lights, 0, List.of(shot.apply(seen)), List.of(look.apply(worn)));
  }

  public List<Finding> findings() {
    return look(shoot(), pictures);
  }

  /** The finding of a kind, which must be there; its mends must heal it. */
  public Finding found(Finding.Kind kind) {
    List<Finding> all = findings();
    assertThat(all).extracting(Finding::kind).contains(kind);
    Finding one = all.stream().filter(f -> f.kind() == kind).findFirst().orElseThrow();
    for (Finding.Mend mend : one.mends()) {
      assertThat(look(mend.after(), pictures))
          .as(one.what() + " / " + mend.text())
          .noneMatch(f -> f.key().equals(one.key()));
    }
    assertThat(one.what()).isNotBlank();
    assertThat(one.why()).isNotBlank();
    return one;
  }

  public void hasNo(Finding.Kind kind) {
    assertThat(findings()).extracting(Finding::kind).doesNotContain(kind);
  }

  public static List<Finding> look(Shoot shoot, Pictures pictures) {
    SceneAssets files = new SceneAssets(pictures, Meshes.NONE, Luts.NONE);
    Shot shot = shoot.shots().getFirst();
    View view = View.of(shoot, shot, files);
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      renderer.trace(view, film, SAMPLES, () -> false);
    }
    return SecondLook.at(new Inspection(view, shot, film, film, files));
  }

  static Piece piece(String id, Shape shape, String material, Vec3 at) {
    return new Piece(id, id, null, at, Vec3.ZERO, Vec3.ONE, shape, material, null, true);
  }

  static Light light(
      String id, Emitter emitter, Vec3 at, Vec3 aim, double value, Brightness.Unit unit) {
    return Sets.light(id, emitter, at, aim, value, unit).withSeenDirectly(false);
  }

  static Light lamp(String id, Vec3 at, double nits) {
    Emitter box = new Emitter.Rectangle(1, 1, false);
    return light(id, box, at, new Vec3(0, 0.5, 0), nits, Brightness.Unit.NIT);
  }

  /** An even surrounding of one luminance, with what is written into it. */
  static Picture surrounding(int width, UnaryOperator<Picture> change) {
    Picture p = Picture.black(width, width / 2);
    java.util.Arrays.fill(p.rgb(), 1f);
    return change.apply(p);
  }

  static Studio inSurrounding(String name, Picture picture, boolean seen) {
    Studio studio = new Studio();
    studio.pictures = n -> picture;
    Emitter emitter = new Emitter.Environment(name, 0);
    studio.lights.removeLast();
    studio.lights.add(
        light("around", emitter, Vec3.ZERO, Vec3.UP, 4, Brightness.Unit.NIT)
            .withSeenDirectly(seen));
    return studio;
  }
}
