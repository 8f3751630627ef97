package levelember.findings.surroundings;

import java.util.ArrayDeque;
import levelember.math.Colour;
import levelember.math.Vec3;
import levelember.texture.Picture;

/**
 * The connected patch of a surrounding picture at its top value that gives most light.
 *
 * @param direction unit vector towards its middle, in the picture's own frame
 * @param degrees diameter of a disc of its solid angle
 * @param illuminance of a surface that faces it, in the picture's unit times steradians
 */
record PicturedHighlight(Vec3 direction, double degrees, double illuminance) {
  /** A picture's brightest pixels end within this share of its top value. */
  private static final double TOP = 0.98;

  /** Finds it; null in a black picture. */
  static PicturedHighlight of(Picture p) {
    int w = p.width(), h = p.height();
    float top = 0;
    for (float v : p.rgb()) {
      top = Math.max(top, v);
    }
    boolean[] bright = new boolean[w * h];
    for (int i = 0; i < bright.length; i++) {
      bright[i] = top > 0 && channel(p, i) >= TOP * top;
    }
    Patch most = null;
    for (int i = 0; i < bright.length; i++) {
      if (bright[i]) {
        Patch patch = patchAt(p, bright, i);
        most = most == null || patch.flux > most.flux ? patch : most;
      }
    }
    return most == null ? null : most.highlight();
  }

  private static float channel(Picture p, int i) {
    return Math.max(p.rgb()[3 * i], Math.max(p.rgb()[3 * i + 1], p.rgb()[3 * i + 2]));
  }

  /** Sums over a connected patch. */
  private static final class Patch {
    double solidAngle, flux;
    Vec3 sum = Vec3.ZERO;

    void add(Picture p, int i) {
      int w = p.width(), h = p.height();
      double polar = Math.PI * (i / w + 0.5) / h;
      double azimuth = 2 * Math.PI * ((i % w + 0.5) / w - 0.5);
      double sin = StrictMath.sin(polar);
      double steradians = 2 * Math.PI * Math.PI / w / h * sin;
      double luminance = Colour.luminance(p.rgb()[3 * i], p.rgb()[3 * i + 1], p.rgb()[3 * i + 2]);
      Vec3 towards =
          new Vec3(
              sin * StrictMath.sin(azimuth), StrictMath.cos(polar), -sin * StrictMath.cos(azimuth));
      solidAngle += steradians;
      flux += steradians * luminance;
      sum = sum.plus(towards.times(steradians * luminance));
    }

    PicturedHighlight highlight() {
      // A cap of solid angle s has a half angle whose cosine is 1 - s / 2π.
      double cosine = Math.max(-1, 1 - solidAngle / (2 * Math.PI));
      double across = 2 * Math.toDegrees(StrictMath.acos(cosine));
      return new PicturedHighlight(sum.unit(), across, sum.length());
    }
  }

  /** Takes a patch out of the bright pixels; the picture's left and right borders meet. */
  private static Patch patchAt(Picture p, boolean[] bright, int start) {
    int w = p.width(), h = p.height();
    Patch patch = new Patch();
    ArrayDeque<Integer> open = new ArrayDeque<>();
    open.add(start);
    bright[start] = false;
    while (!open.isEmpty()) {
      int i = open.poll(), x = i % w, y = i / w;
      patch.add(p, i);
      int[] beside = {
        y * w + (x + 1) % w, y * w + (x + w - 1) % w, y + 1 < h ? i + w : i, y > 0 ? i - w : i
      };
      for (int next : beside) {
        if (bright[next]) {
          bright[next] = false;
          open.add(next);
        }
      }
    }
    return patch;
  }
}
