package levelember.app.shelf;

import java.util.ArrayList;
import java.util.List;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.picture.PngFile;
import levelember.integrator.Renderer;
import levelember.look.Development;
import levelember.math.Rgb;
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
import levelember.texture.Pictures;

/** A ball of a material before upright slats, under a softbox, a strip and a weak dome. */
final class MaterialBall {
  private static final double RADIUS = 0.04;

  private MaterialBall() {}

  /**
   * Renders a ball.
   *
   * @param size width and height of the picture, pixels
   * @return a PNG
   */
  static byte[] png(Renderer renderer, Material material, int size, int samples) {
    Shoot shoot = shoot(material);
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    Film film = new Film(size, size, view.layers());
    renderer.trace(view, film, samples, () -> false);
    Film clean = Denoiser.denoised(film);
    return PngFile.write(
        LayerMix.picture(clean, LayerWeights.of(shoot)),
        new Development(shoot.looks().getFirst()),
        8);
  }

  /** All that is in the picture. */
  static Shoot shoot(Material material) {
    String own = material.id();
    List<Piece> pieces = new ArrayList<>();
    pieces.add(
        piece(
            "ground",
            new Shape.Sweep(1, 0.6, 0.5, 0.2),
            "ground-grey",
            new Vec3(0, 0, -0.25),
            null));
    pieces.add(piece("ball", new Shape.Sphere(RADIUS), own, new Vec3(0, RADIUS, 0), null));
    pieces.add(
        piece(
            "slats",
            new Shape.Box(0.012, 0.2, 0.004, 0),
            "slat-dark",
            new Vec3(-0.12, 0, -0.12),
            new Piece.Copies(11, new Vec3(0.024, 0, 0), Vec3.ZERO)));
    return new Shoot(
        material.name(),
        pieces,
        List.of(
            material,
            Material.matte("ground-grey", "Ground", Rgb.grey(0.32)),
            Material.matte("slat-dark", "Slat", Rgb.grey(0.05))),
        List.of(
            light("key", new Emitter.Rectangle(0.16, 0.16, false), new Vec3(-0.2, 0.24, 0.16), 900),
            light("rim", new Emitter.Rectangle(0.05, 0.3, false), new Vec3(0.24, 0.14, -0.04), 900),
            light("dome", new Emitter.Dome(), Vec3.ZERO, 45)),
        0,
        List.of(
            new Shot(
                "shot",
                "Shot",
                new Vec3(0, 0.075, 0.42),
                new Vec3(0, RADIUS, 0),
                140,
                36,
                0,
                0,
                "look")),
        List.of(new Look("look", "Look", 6.6, 0.6, 3)));
  }

  private static Piece piece(
      String id, Shape shape, String material, Vec3 place, Piece.Copies copies) {
    return new Piece(id, id, null, place, Vec3.ZERO, Vec3.ONE, shape, material, copies, true);
  }

  private static Light light(String id, Emitter emitter, Vec3 place, double nits) {
    return new Light(
        id,
        id,
        emitter,
        place,
        new Vec3(0, RADIUS, 0),
        0,
        new Brightness(nits, Brightness.Unit.NIT),
        0,
        LightColour.NEUTRAL,
        false,
        false,
        false);
  }
}
