package levelember.shoot.shelf;

import java.util.List;
import levelember.math.Rgb;
import levelember.shoot.material.Material;
import levelember.shoot.piece.FineRipples;
import levelember.shoot.piece.RippleRing;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Waves;

/** Waters to begin with: how they move, and what they take from light in a metre. Set by eye. */
public final class WaterShelf {
  /**
   * A water of the shelf.
   *
   * @param waves how it moves
   * @param rings about points, counted from the water's middle
   * @param fine ripples of its surface, or null
   * @param material whose tint is what is left of light after a metre, and whose id is the preset's
   */
  public record Preset(Waves waves, List<RippleRing> rings, FineRipples fine, Material material) {
    public Preset {
      rings = List.copyOf(rings);
    }

    /** Water of a size with this preset's waves. */
    public Shape.Water water(double width, double depth, double deep) {
      return new Shape.Water(width, depth, deep, waves, rings, fine, 0);
    }
  }

  private static final List<Preset> ALL =
      List.of(
          new Preset(
              Waves.round(0.0008, 0.16, 20, 2),
              List.of(),
              null,
              water("water-still", "Still cistern", new Rgb(0.80, 0.94, 0.97))),
          new Preset(
              Waves.round(0.004, 0.09, 35, 5).withChoppiness(0.25),
              List.of(),
              FineRipples.still(0.3).with(f -> f.strength(0.35).headingDegrees(60).speed(0.02)),
              water("water-rock-pool", "Rock pool", new Rgb(0.62, 0.88, 0.84))),
          new Preset(
              Waves.round(0.0012, 0.1, 0, 3),
              List.of(new RippleRing(0, 0, 0.006, 0.045, 0.35)),
              null,
              water("water-drip", "Under the drip", new Rgb(0.78, 0.93, 0.95))),
          new Preset(
              Waves.round(0.035, 0.7, 10, 8).withChoppiness(0.5),
              List.of(),
              FineRipples.still(0.8).with(f -> f.strength(0.6).headingDegrees(-20).speed(0.12)),
              water("water-slipway", "Slipway, silted", new Rgb(0.22, 0.40, 0.30))),
          new Preset(
              Waves.round(0.3, 6, 0, 11).withChoppiness(0.8),
              List.of(),
              FineRipples.still(3).with(f -> f.strength(0.8).headingDegrees(15).speed(0.4)),
              water("water-offshore", "Offshore, deep blue", new Rgb(0.10, 0.52, 0.66))));

  private WaterShelf() {}

  private static Material water(String id, String name, Rgb afterAMetre) {
    return Material.glass(id, name, 0, 1.333, new Material.Glass(1, afterAMetre, 1, false, 0));
  }

  /** All of them, from still to wild. */
  public static List<Preset> all() {
    return ALL;
  }
}
