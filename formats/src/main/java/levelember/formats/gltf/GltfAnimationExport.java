package levelember.formats.gltf;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.photometry.LampUnits;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Motion;
import levelember.shoot.piece.Piece;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The motion of a shoot as one glTF animation: every frame of the range is a key of the nodes of
 * pieces, shots and lights, and by KHR_animation_pointer of lights' intensities, cameras' angles
 * and materials' colours, metalness and roughness. What stays the same has no channel.
 */
public final class GltfAnimationExport {
  /** Frames beyond these are left out: the whole motion stays in the extras. */
  private static final int MOST_FRAMES = 20_000;

  private final GlbBuilder glb;
  private final Shoot shoot;
  private final Map<String, List<Integer>> pieces = new HashMap<>();
  private final Map<String, int[]> lights = new HashMap<>();
  private final Map<String, int[]> shots = new HashMap<>();
  private final Map<String, Integer> materials = new HashMap<>();

  /** Entries that have tracks or links, by list and id. */
  private final Set<String> moving = new HashSet<>();

  /** What is moved: a node's path or a pointer, with so many numbers a key. */
  private record Target(int node, String path, int each) {
    static Target pointer(String pointer, int each) {
      return new Target(-1, pointer, each);
    }
  }

  private final Map<Target, List<double[]>> values = new LinkedHashMap<>();

  public GltfAnimationExport(GlbBuilder glb, Shoot shoot) {
    this.glb = glb;
    this.shoot = shoot;
    shoot.motion().tracks().forEach(t -> moving.add(entry(t.place())));
    shoot.motion().links().forEach(l -> moving.add(entry(l.place())));
  }

  /** List and id of what a place is of. */
  private static String entry(String place) {
    String[] parts = place.split("/");
    return parts.length > 1 ? parts[0] + "/" + parts[1] : place;
  }

  /** Whether nodes are to have places and turns of their own in place of a matrix. */
  public boolean moves() {
    return !shoot.motion().tracks().isEmpty();
  }

  /** Notes a node of a piece without copies; what holds it may have some. */
  public void piece(String id, int node) {
    if (moving.contains("pieces/" + id)) {
      pieces.computeIfAbsent(id, k -> new ArrayList<>()).add(node);
    }
  }

  public void light(String id, int node, int light) {
    lights.put(id, new int[] {node, light});
  }

  public void shot(String id, int node, int camera) {
    shots.put(id, new int[] {node, camera});
  }

  public void material(String id, int material) {
    if (moving.contains("materials/" + id)) {
      materials.put(id, material);
    }
  }

  /** A node's place, turn and size, as animations need it. */
  public static void place(ObjectNode node, Affine map) {
    Vec3 at = map.shift();
    node.set("translation", GlbBuilder.numbers(at.x(), at.y(), at.z()));
    node.set("rotation", GlbBuilder.numbers(quaternion(map)));
    node.set("scale", GlbBuilder.numbers(scale(map)));
  }

  private static double[] scale(Affine map) {
    double flip = map.determinant() < 0 ? -1 : 1;
    return new double[] {flip * map.x().length(), map.y().length(), map.z().length()};
  }

  /** Writes what moves. */
  public void write() {
    Motion motion = shoot.motion();
    if (!moves()) {
      return;
    }
    int last = Math.min(motion.lastFrame(), motion.firstFrame() + MOST_FRAMES - 1);
    double begin = Math.min(0, motion.seconds(motion.firstFrame()));
    int frames = last - motion.firstFrame() + 1;
    float[] seconds = new float[frames];
    for (int i = 0; i < frames; i++) {
      double t = motion.seconds(motion.firstFrame() + i);
      seconds[i] = (float) (t - begin);
      frame(ShootAtTime.of(shoot, t));
    }
    values.values().removeIf(GltfAnimationExport::stays);
    if (values.isEmpty()) {
      return;
    }
    ObjectNode animation = glb.add("animations").put("name", "Motion");
    ArrayNode channels = animation.putArray("channels"), samplers = animation.putArray("samplers");
    int input = glb.keys(seconds, 1, true);
    for (Map.Entry<Target, List<double[]>> e : values.entrySet()) {
      samplers
          .addObject()
          .put("input", input)
          .put("output", glb.keys(flat(e.getKey(), e.getValue()), e.getKey().each, false));
      ObjectNode channel = channels.addObject().put("sampler", samplers.size() - 1);
      target(channel.putObject("target"), e.getKey());
    }
  }

  private static void target(ObjectNode to, Target target) {
    if (target.node >= 0) {
      to.put("node", target.node).put("path", target.path);
    } else {
      to.put("path", "pointer")
          .putObject("extensions")
          .putObject("KHR_animation_pointer")
          .put("pointer", target.path);
    }
  }

  private void frame(Shoot now) {
    for (Piece p : now.pieces()) {
      for (int node : pieces.getOrDefault(p.id(), List.of())) {
        Affine map = Affine.of(p.position(), p.rotationDegrees(), p.scale());
        node(node, map);
        put(new Target(node, "scale", 3), scale(map));
      }
    }
    for (Light given : now.lights()) {
      int[] at = lights.get(given.id());
      if (at != null) {
        Light l = TracedLight.inWorld(now, given);
        node(at[0], Affine.lookingAt(l.position(), l.aim(), l.rollDegrees()));
        put(
            Target.pointer("/extensions/KHR_lights_punctual/lights/" + at[1] + "/intensity", 1),
            intensity(l));
      }
    }
    for (Shot s : now.shots()) {
      int[] at = shots.get(s.id());
      if (at != null) {
        node(at[0], Affine.lookingAt(s.position(), s.aim(), 0));
        put(Target.pointer("/cameras/" + at[1] + "/perspective/yfov", 1), angle(s));
      }
    }
    for (Material m : now.materials()) {
      Integer at = materials.get(m.id());
      if (at != null) {
        String pbr = "/materials/" + at + "/pbrMetallicRoughness/";
        boolean thin = m.glass().transmission() > 0 && m.glass().thin();
        var c = thin ? m.glass().tint() : m.colour();
        put(Target.pointer(pbr + "baseColorFactor", 4), c.r(), c.g(), c.b(), 1);
        put(Target.pointer(pbr + "metallicFactor", 1), m.metalness());
        put(Target.pointer(pbr + "roughnessFactor", 1), m.roughness());
      }
    }
  }

  private void node(int node, Affine map) {
    put(new Target(node, "translation", 3), map.shift().x(), map.shift().y(), map.shift().z());
    Target turn = new Target(node, "rotation", 4);
    double[] q = quaternion(map);
    List<double[]> before = values.get(turn);
    if (before != null && dot(before.getLast(), q) < 0) {
      q = new double[] {-q[0], -q[1], -q[2], -q[3]};
    }
    put(turn, q);
  }

  private void put(Target target, double... value) {
    values.computeIfAbsent(target, k -> new ArrayList<>()).add(value);
  }

  private static double dot(double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += a[i] * b[i];
    }
    return sum;
  }

  private static boolean stays(List<double[]> of) {
    double[] first = of.getFirst();
    return of.stream()
        .allMatch(v -> {
          for (int i = 0; i < v.length; i++) {
            if (Math.abs(v[i] - first[i]) > 1e-9) {
              return false;
            }
          }
          return true;
        });
  }

  private static float[] flat(Target target, List<double[]> of) {
    float[] to = new float[target.each * of.size()];
    for (int i = 0; i < to.length; i++) {
      to[i] = (float) of.get(i / target.each)[i % target.each];
    }
    return to;
  }

  /** A light's intensity as glTF has it, with its level and mute: candela, or lux of a sun. */
  public static double intensity(Light l) {
    Brightness.Unit unit =
        l.emitter() instanceof Emitter.Sun ? Brightness.Unit.LUX : Brightness.Unit.CANDELA;
    double unmuted =
        LampUnits.in(l.emitter(), l.brightness(), unit).value() * StrictMath.pow(2, l.levelStops());
    return l.muted() ? 0 : unmuted;
  }

  /** A shot's angle of view upright, radians, in a frame of 16 to 9. */
  public static double angle(Shot s) {
    return 2 * StrictMath.atan(s.sensorWidthMm() / (2 * s.focalLengthMm()) * 9 / 16);
  }

  /** The turn of a frame whose axes stand square to each other, as x, y, z, w of length 1. */
  private static double[] quaternion(Affine map) {
    double flip = map.determinant() < 0 ? -1 : 1;
    Vec3 x = map.x().unit().times(flip), y = map.y().unit(), z = map.z().unit();
    double trace = x.x() + y.y() + z.z();
    double[] q = new double[4];
    if (trace > 0) {
      double s = 2 * Math.sqrt(trace + 1);
      q[3] = s / 4;
      q[0] = (y.z() - z.y()) / s;
      q[1] = (z.x() - x.z()) / s;
      q[2] = (x.y() - y.x()) / s;
    } else if (x.x() > y.y() && x.x() > z.z()) {
      double s = 2 * Math.sqrt(1 + x.x() - y.y() - z.z());
      q[3] = (y.z() - z.y()) / s;
      q[0] = s / 4;
      q[1] = (y.x() + x.y()) / s;
      q[2] = (z.x() + x.z()) / s;
    } else if (y.y() > z.z()) {
      double s = 2 * Math.sqrt(1 + y.y() - x.x() - z.z());
      q[3] = (z.x() - x.z()) / s;
      q[0] = (y.x() + x.y()) / s;
      q[1] = s / 4;
      q[2] = (z.y() + y.z()) / s;
    } else {
      double s = 2 * Math.sqrt(1 + z.z() - x.x() - y.y());
      q[3] = (x.y() - y.x()) / s;
      q[0] = (z.x() + x.z()) / s;
      q[1] = (z.y() + y.z()) / s;
      q[2] = s / 4;
    }
    return q;
  }
}
