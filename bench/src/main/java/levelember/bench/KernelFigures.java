package levelember.bench;

import java.lang.management.ManagementFactory;
import java.util.LinkedHashMap;
import java.util.Map;
import levelember.geometry.SetGeometry;
import levelember.math.Vec3;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/** Rays a second on one thread, wide and plain in turn within one run. */
final class KernelFigures {
  private KernelFigures() {}

  static Map<String, Object> measured(int rounds) {
    Map<String, Object> to = new LinkedHashMap<>();
    to.put(
        "interior 30 k",
        scene(
            KernelSets.interior(),
            new Vec3(2.6, 1.7, 2.2),
            new Vec3(0, 1, 0),
            new Vec3(-0.2, 2.9, -0.2),
            rounds));
    to.put(
        "interior as 78 pieces",
        scene(
            KernelSets.pieces(),
            new Vec3(2.6, 1.7, 2.2),
            new Vec3(0, 1, 0),
            new Vec3(-0.2, 2.9, -0.2),
            rounds));
    to.put(
        "folded 1 M",
        scene(
            SetGeometry.of(KernelSets.folded(708)),
            new Vec3(0, 0.6, 2.6),
            Vec3.ZERO,
            new Vec3(1.5, 3, 1.5),
            rounds));
    return to;
  }

  private static Map<String, Object> scene(
      SetGeometry set, Vec3 from, Vec3 aim, Vec3 lamp, int rounds) {
    Hierarchy wide = Hierarchy.of(set);
    Hierarchy plain = Hierarchy.plain(set);
    RaySet[] rays = RaySet.of(plain, from, aim, lamp, 480, 270);
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("triangles", set.triangles());
    to.put("width", wide.width());
    to.put("wideBytes", wide.bytes());
    to.put("plainBytes", plain.bytes());
    RayWalk w = RayWalk.of(wide);
    RayWalk p = RayWalk.of(plain);
    for (RaySet part : rays) {
      for (int i = 0; i < 3; i++) {
        part.walk(w);
        part.walk(p);
      }
      double[] a = new double[rounds];
      double[] b = new double[rounds];
      for (int i = 0; i < rounds; i++) {
        a[i] = rate(part, w);
        b[i] = rate(part, p);
      }
      Map<String, Object> row = new LinkedHashMap<>();
      row.put("wide, million rays a second", Spread.of(a));
      row.put("plain, million rays a second", Spread.of(b));
      row.put("wide over plain", Spread.of(a).median() / Spread.of(b).median());
      row.put("difference of the answers", Math.abs(part.walk(w) / part.walk(p) - 1));
      to.put(part.name(), row);
    }
    return to;
  }

  private static double rate(RaySet rays, RayWalk walk) {
    var threads = ManagementFactory.getThreadMXBean();
    long begin = threads.getCurrentThreadCpuTime();
    rays.walk(walk);
    return rays.count() * 1e3 / (threads.getCurrentThreadCpuTime() - begin);
  }
}
