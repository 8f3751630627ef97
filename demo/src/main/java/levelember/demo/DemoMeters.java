package levelember.demo;

import java.util.List;
import levelember.math.Vec3;
import levelember.shoot.Meter;
import levelember.shoot.Pin;
import levelember.shoot.Silenced;
import levelember.shoot.Target;

/** Pins, targets and silenced findings of the demo shoots. */
final class DemoMeters {
  /** Radius of the areas that are read, metres. */
  private static final double RADIUS = 0.02;

  private DemoMeters() {}

  /** A pin at a place and with a normal of its piece's frame. */
  private static Pin pin(String id, String name, String piece, Vec3 position, Vec3 normal) {
    return new Pin(id, name, piece, position, normal, RADIUS);
  }

  static Meter armillary() {
    return Meter.NONE
        .withPins(
            List.of(
                pin(
                    "left",
                    "Paper, left",
                    "sweep",
                    new Vec3(-0.509, 0.2384, 0.1739),
                    new Vec3(0, 0.66, 0.752)),
                pin(
                    "right",
                    "Paper, right",
                    "sweep",
                    new Vec3(0.0912, 0.1783, 0.2333),
                    new Vec3(0, 0.745, 0.667)),
                pin(
                    "plinth",
                    "Plinth front",
                    "plinth",
                    new Vec3(-0.006, 0.0406, 0.18),
                    new Vec3(0, 0, 1))))
        .withTargets(
            List.of(
                new Target("sides", Target.Kind.RATIO, "right", "left", 1, 1),
                new Target("whole", Target.Kind.MEAN, null, null, 0, 1)));
  }

  static Meter readingRoom() {
    return Meter.NONE.withPins(
        List.of(
            pin("floor", "Floor", "floor", new Vec3(-1.264, 0, -1.042), Vec3.UP),
            pin("table", "Table", "table-top", new Vec3(0.3327, 0.045, 1.7066), Vec3.UP)));
  }

  static Meter nightTerrace() {
    return Meter.NONE
        .withPins(
            List.of(
                pin("slate", "Slate", "terrace", new Vec3(-1.3457, 0.3, -1.4962), Vec3.UP),
                pin(
                    "post",
                    "Post",
                    "post-column",
                    new Vec3(-0.0322, 0.302, 0.0651),
                    new Vec3(-0.442, 0.094, 0.892))))
        .withSilenced(
            List.of(
                new Silenced(
                    "two-suns:afterglow", "The moon and the last of the sun are both meant.")));
  }

  static Meter tideLens() {
    return Meter.NONE.withPins(
        List.of(
            pin("slab", "Slab before the basin", "table", new Vec3(0.2521, 0.08, 0.4839), Vec3.UP),
            pin("shade", "Shade of the lens", "table", new Vec3(-0.2323, 0.08, 0.3346), Vec3.UP)));
  }

  static Meter signalLamp() {
    return Meter.NONE.withPins(
        List.of(
            pin(
                "pebble",
                "Pebble",
                "pebble",
                new Vec3(0.0298, 0.049, 0.0758),
                new Vec3(0.361, 0.165, 0.918)),
            pin("tin", "Tin", "tin", new Vec3(-0.0154, 0.0393, 0.045), new Vec3(0, 0, 1))));
  }
}
