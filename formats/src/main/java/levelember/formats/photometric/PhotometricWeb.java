package levelember.formats.photometric;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import levelember.shoot.lighting.Profile;

/** Half planes of a photometric web of type C, with those that symmetry leaves out. */
final class PhotometricWeb {
  /** Which half planes are mirror images of those that are given. */
  enum Symmetry {
    NONE,
    /** All half planes are alike. */
    ROUND,
    /** About the plane through 0° and 180°. */
    ALONG,
    /** About the plane through 90° and 270°. */
    ACROSS,
    /** About both. */
    BOTH
  }

  private PhotometricWeb() {}

  /**
   * The whole web, at the angles that are given and their mirror images; nothing is sampled anew.
   *
   * @param polar degrees from the pole
   * @param around degrees of the half planes
   * @param candela a row a half plane
   */
  static Profile whole(
      String name, double[] polar, double[] around, double[][] candela, Symmetry symmetry) {
    TreeMap<Double, double[]> planes = new TreeMap<>();
    for (int i = 0; i < around.length; i++) {
      double a = around[i];
      switch (symmetry) {
        case ROUND -> planes.putIfAbsent(0.0, candela[i]);
        case NONE -> planes.put(a, candela[i]);
        case ALONG -> put(planes, candela[i], a, 360 - a);
        case ACROSS -> put(planes, candela[i], a, 180 - a);
        case BOTH -> put(planes, candela[i], a, 180 - a, 180 + a, 360 - a);
      }
    }
    List<Double> values = new ArrayList<>(), angles = new ArrayList<>();
    for (double p : polar) {
      angles.add(p);
    }
    for (double[] plane : planes.values()) {
      for (double c : plane) {
        values.add(c);
      }
    }
    return new Profile(name, angles, new ArrayList<>(planes.keySet()), values);
  }

  private static void put(TreeMap<Double, double[]> planes, double[] plane, double... angles) {
    for (double a : angles) {
      planes.putIfAbsent((a + 360) % 360, plane);
    }
  }
}
