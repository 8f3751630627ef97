package levelember.shoot;

import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import levelember.math.Affine;

/**
 * Which lights throw the same light from one state of a shoot to another, but for their level and
 * colour and for what pieces and camera do: those whose light on a surface that stays is the same.
 */
public final class StillLights {
  private StillLights() {}

  /** Of every light of the second state, whether it was there in the first and has not moved. */
  public static boolean[] between(Shoot before, Shoot after) {
    Frames framesBefore = new Frames(before.pieces()), framesAfter = new Frames(after.pieces());
    boolean[] still = new boolean[after.lights().size()];
    for (int i = 0; i < still.length; i++) {
      Light light = after.lights().get(i);
      still[i] =
          before
              .light(light.id())
              .map(was -> Traced.of(before, was).equals(Traced.of(after, light)))
              .orElse(false);
      if (still[i] && light.emitter() instanceof Emitter.Emissive emissive) {
        still[i] =
            places(before, framesBefore, emissive.material())
                .equals(places(after, framesAfter, emissive.material()));
      }
    }
    return still;
  }

  /** Where the pieces of a material are. */
  private static List<Affine> places(Shoot shoot, Frames frames, String material) {
    return IntStream.range(0, shoot.pieces().size())
        .mapToObj(i -> shoot.pieces().get(i))
        .filter(p -> Objects.equals(p.material(), material))
        .map(p -> frames.of(p.id()))
        .toList();
  }
}
