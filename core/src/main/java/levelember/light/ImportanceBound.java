package levelember.light;

import levelember.math.Lanes;

/**
 * What the nodes of a {@link LightTree} may give to a surface, {@link #LANES} at a time: power over
 * squared distance, times the cosines at both ends for the most favourable directions that the
 * nodes' balls and cones of normals leave (Conty Estévez and Kulla 2018). This one is plain; {@link
 * WideImportanceBound} gives the same bits with vectors.
 */
class ImportanceBound {
  /** Nodes at a time, on every machine, as the tree depends on it. */
  static final int LANES = 8;

  /**
   * Numbers a node, each for all lanes: middle x y z and squared radius of its ball, axis x y z,
   * cosine and sine of the half angle of its normals, power.
   */
  static final int NUMBERS = 10;

  /** Inside of a ball of this squared radius, or a bit more, directions say nothing. */
  static final float ABOUT = 1.0001f;

  static final float LEAST = 1e-30f;

  /** The fastest on this machine. */
  static ImportanceBound ofMachine() {
    return Machine.BOUND;
  }

  /** Chosen once, and only where the module is there, so that the class loads without it. */
  private static final class Machine {
    static final ImportanceBound BOUND =
        Lanes.vectors() && WideImportanceBound.suits()
            ? new WideImportanceBound()
            : new ImportanceBound();
  }

  /**
   * Writes what each lane may give, up to a factor; 0 for what can give nothing.
   *
   * @param nodes {@link #NUMBERS} times {@link #LANES} a node
   * @param at where the node begins
   * @param nx normal of the side that is lit; all three 0 where both are
   * @param to one value a lane
   */
  void of(
      float[] nodes,
      int at,
      float px,
      float py,
      float pz,
      float nx,
      float ny,
      float nz,
      float[] to) {
    boolean sided = nx != 0 || ny != 0 || nz != 0;
    for (int k = 0; k < LANES; k++) {
      int a = at + k;
      float x = nodes[a] - px, y = nodes[a + LANES] - py, z = nodes[a + 2 * LANES] - pz;
      float d2 = x * x + y * y + z * z, r2 = nodes[a + 3 * LANES];
      float power = nodes[a + 9 * LANES];
      if (d2 <= r2 * ABOUT) {
        to[k] = power / Math.max(r2, LEAST);
        continue;
      }
      float inverse2 = 1 / d2;
      float inverse = (float) Math.sqrt(inverse2);
      float ballSin2 = r2 * inverse2;
      float ballSin = (float) Math.sqrt(ballSin2), ballCos = (float) Math.sqrt(1 - ballSin2);
      float incident = 1;
      if (sided) {
        float cos = (x * nx + y * ny + z * nz) * inverse;
        if (cos < ballCos) {
          incident = cos * ballCos + sine(cos) * ballSin;
        }
      }
      float emitted = 1;
      float cos =
          -(x * nodes[a + 4 * LANES] + y * nodes[a + 5 * LANES] + z * nodes[a + 6 * LANES])
              * inverse;
      float coneCos = nodes[a + 7 * LANES];
      if (cos < coneCos) {
        // Off the nearest normal, and from there off what is seen of the ball.
        float coneSin = nodes[a + 8 * LANES];
        float sin = sine(cos);
        float off = cos * coneCos + sin * coneSin;
        if (off < ballCos) {
          emitted = off * ballCos + (sin * coneCos - cos * coneSin) * ballSin;
        }
      }
      to[k] = power * Math.max(0, incident) * Math.max(0, emitted) * inverse2;
    }
  }

  private static float sine(float cos) {
    return (float) Math.sqrt(Math.max(0, 1 - cos * cos));
  }
}
