package levelember.formats.gltf;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import levelember.math.Vec3;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;
import tools.jackson.databind.JsonNode;

/**
 * Animations of a glTF file as tracks: places, turns and sizes of nodes, and by the extension
 * KHR_animation_pointer those, intensities of lights, angles of cameras, and colours, metalness,
 * roughness and emission of materials. Turns are sampled along their arcs, as three angles do not
 * go evenly along with a quaternion.
 */
final class GltfAnimations {
  /** Between two keys of a turn, at the most. */
  private static final double STEP_DEGREES = 7.5;

  private final GltfFile gltf;
  private final Targets targets;
  private final Consumer<String> left;
  private final Map<String, Track> tracks = new LinkedHashMap<>();

  /**
   * What was imported, by the numbers in the file.
   *
   * @param pieces ids of pieces by the numbers of their nodes
   * @param rig all lights, those of materials that shine too
   */
  record Targets(
      Map<Integer, String> pieces,
      Map<Integer, Light> lights,
      Map<Integer, Material> materials,
      Map<Integer, Shot> shots,
      List<Light> rig) {}

  /**
   * Reader of animations.
   *
   * @param left takes what is left out
   */
  GltfAnimations(GltfFile gltf, Targets targets, Consumer<String> left) {
    this.gltf = gltf;
    this.targets = targets;
    this.left = left;
  }

  /** The tracks of all animations; of several that move one place the first. */
  List<Track> tracks() {
    for (JsonNode animation : GltfFile.list(gltf.json(), "animations")) {
      JsonNode samplers = GltfFile.list(animation, "samplers");
      for (JsonNode channel : GltfFile.list(animation, "channels")) {
        JsonNode sampler = samplers.path(GltfFile.reference(channel, "sampler"));
        if (sampler.isObject()) {
          channel(channel.path("target"), sampler);
        }
      }
    }
    return List.copyOf(tracks.values());
  }

  private void channel(JsonNode target, JsonNode sampler) {
    String path = target.path("path").stringValue("");
    int node = GltfFile.reference(target, "node");
    if (path.equals("pointer")) {
      String pointer =
          target.path("extensions").path("KHR_animation_pointer").path("pointer").stringValue("");
      String[] parts = pointer.split("/");
      if (parts.length == 4 && parts[1].equals("nodes") && parts[2].matches("\\d{1,9}")) {
        node = Integer.parseInt(parts[2]);
        path = parts[3];
      } else {
        if (!pointed(pointer, parts, sampler)) {
          left.accept("animations of '" + pointer + "'");
        }
        return;
      }
    }
    String piece = targets.pieces.get(node);
    if (piece == null || !List.of("translation", "rotation", "scale").contains(path)) {
      left.accept(
          piece == null
              ? "animations of nodes that are no pieces"
              : "animations of " + (path.equals("weights") ? "morph targets" : "'" + path + "'"));
      return;
    }
    String place = "pieces/" + piece + "/";
    switch (path) {
      case "translation" -> put(place + "position", values(sampler, 3));
      case "scale" -> put(place + "scale", values(sampler, 3));
      default -> put(place + "rotationDegrees", turns(sampler));
    }
  }

  private void put(String place, List<Key> keys) {
    if (keys.isEmpty()) {
      left.accept("animations without keys in rising order");
    } else if (tracks.putIfAbsent(place, Track.of(place, keys.toArray(Key[]::new))) != null) {
      left.accept("animations of what another one moves");
    }
  }

  /** What a pointer of another entry than a node moves; false where that is nothing of ours. */
  private boolean pointed(String pointer, String[] parts, JsonNode sampler) {
    if (pointer.matches("/extensions/KHR_lights_punctual/lights/\\d{1,9}/intensity")) {
      intensity(Integer.parseInt(parts[4]), sampler);
      return true;
    }
    if (pointer.matches("/cameras/\\d{1,9}/perspective/yfov")) {
      return angle(Integer.parseInt(parts[2]), sampler);
    }
    if (!pointer.matches("/materials/\\d{1,9}/.*")) {
      return false;
    }
    int number = Integer.parseInt(parts[2]);
    Material material = targets.materials.get(number);
    String rest = pointer.substring(parts[2].length() + 12);
    if (material == null) {
      return false;
    }
    String place = "materials/" + material.id() + "/";
    switch (rest) {
      case "pbrMetallicRoughness/baseColorFactor" -> put(place + "colour", values(sampler, 4, 3));
      case "pbrMetallicRoughness/metallicFactor" -> put(place + "metalness", values(sampler, 1));
      case "pbrMetallicRoughness/roughnessFactor" -> put(place + "roughness", values(sampler, 1));
      case "extensions/KHR_materials_emissive_strength/emissiveStrength" -> {
        return emission(number, material, sampler);
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  /** The strength of what shines, as what it is of the brightness that was imported. */
  private boolean emission(int number, Material material, JsonNode sampler) {
    double still =
        gltf.json()
            .path("materials")
            .path(number)
            .path("extensions")
            .path("KHR_materials_emissive_strength")
            .path("emissiveStrength")
            .asDouble(1);
    for (Light light : targets.rig) {
      boolean shines =
          light.emitter() instanceof Emitter.Emissive e && e.material().equals(material.id());
      if (shines && still > 0) {
        double times = light.brightness().value() / still;
        put("lights/" + light.id() + "/brightness/value", times(values(sampler, 1), times));
        return true;
      }
    }
    return false;
  }

  /** A camera's angle, as the focal length of the shot that was imported. */
  private boolean angle(int number, JsonNode sampler) {
    Shot shot = targets.shots.get(number);
    double still = gltf.json().path("cameras").path(number).at("/perspective/yfov").asDouble(0);
    if (shot == null || !(still > 0)) {
      return false;
    }
    double height = shot.focalLengthMm() * StrictMath.tan(still / 2);
    put(
        "shots/" + shot.id() + "/focalLengthMm",
        changed(values(sampler, 1), v -> List.of(height / StrictMath.tan(v.getFirst() / 2))));
    return true;
  }

  /** The same keys with other values; what is no more along a line is taken for one. */
  private static List<Key> changed(List<Key> keys, UnaryOperator<List<Double>> to) {
    return keys.stream()
        .map(k -> {
          Span span = k.span() == Span.FREE ? Span.EASED : k.span();
          return new Key(k.seconds(), to.apply(k.value()), null, span, List.of(), List.of());
        })
        .toList();
  }

  /** A light's intensity in the file, as what it is of the brightness that was imported. */
  private void intensity(int number, JsonNode sampler) {
    Light light = targets.lights.get(number);
    double still =
        gltf.json()
            .path("extensions")
            .path("KHR_lights_punctual")
            .path("lights")
            .path(number)
            .path("intensity")
            .asDouble(1);
    if (light == null || !(still > 0)) {
      left.accept("animations of lights that are not there");
      return;
    }
    double times = light.brightness().value() / still;
    put("lights/" + light.id() + "/brightness/value", times(values(sampler, 1), times));
  }

  private static List<Key> times(List<Key> keys, double by) {
    List<Key> to = new ArrayList<>();
    for (Key k : keys) {
      to.add(
          new Key(
              k.seconds(),
              scaled(k.value(), by),
              null,
              k.span(),
              scaled(k.slopeIn(), by),
              scaled(k.slopeOut(), by)));
    }
    return to;
  }

  private static List<Double> scaled(List<Double> values, double by) {
    return values.stream().map(v -> v * by).toList();
  }

  /** What a sampler has: times in rising order, and values with tangents where they are cubic. */
  private record Samples(float[] seconds, float[] values, int each, String way) {
    boolean cubic() {
      return way.equals("CUBICSPLINE");
    }

    /** A value of a key; the middle one of three where they are cubic. */
    double at(int key, int which, int k) {
      int first = cubic() ? 3 * key + which : key;
      return values[first * each + k];
    }
  }

  private Optional<Samples> samples(JsonNode sampler, int each) {
    int input = GltfFile.reference(sampler, "input");
    int output = GltfFile.reference(sampler, "output");
    if (input < 0 || output < 0) {
      return Optional.empty();
    }
    String way = sampler.path("interpolation").stringValue("LINEAR");
    float[] seconds = gltf.floats(input, 1);
    float[] values = gltf.floats(output, each);
    Samples samples = new Samples(seconds, values, each, way);
    boolean rising = seconds.length > 0 && seconds[0] >= 0;
    for (int i = 1; i < seconds.length; i++) {
      rising &= seconds[i] > seconds[i - 1];
    }
    boolean enough = values.length == seconds.length * each * (samples.cubic() ? 3 : 1);
    return rising && enough ? Optional.of(samples) : Optional.empty();
  }

  private List<Key> values(JsonNode sampler, int each) {
    return values(sampler, each, each);
  }

  /** Keys of the first so many numbers of each. */
  private List<Key> values(JsonNode sampler, int each, int taken) {
    Samples s = samples(sampler, each).orElse(null);
    List<Key> keys = new ArrayList<>();
    for (int i = 0; s != null && i < s.seconds().length; i++) {
      List<Double> value = new ArrayList<>(), in = new ArrayList<>(), out = new ArrayList<>();
      for (int k = 0; k < taken; k++) {
        value.add(s.at(i, 1, k));
        if (s.cubic()) {
          in.add(s.at(i, 0, k));
          out.add(s.at(i, 2, k));
        }
      }
      Span span = s.cubic() ? Span.FREE : s.way().equals("STEP") ? Span.HOLD : Span.STRAIGHT;
      keys.add(new Key(s.seconds()[i], value, null, span, in, out));
    }
    return keys;
  }

  private List<Key> turns(JsonNode sampler) {
    Samples s = samples(sampler, 4).orElse(null);
    List<Key> keys = new ArrayList<>();
    Vec3 last = null;
    for (int i = 0; s != null && i < s.seconds().length; i++) {
      boolean end = i + 1 == s.seconds().length;
      boolean hold = s.way().equals("STEP");
      int steps = hold || end ? 1 : steps(s, i);
      for (int j = 0; j < steps; j++) {
        double part = (double) j / steps;
        Vec3 turn = near(GltfFrame.turn(quaternion(s, i, part)), last);
        last = turn;
        double seconds =
            end ? s.seconds()[i] : s.seconds()[i] + part * (s.seconds()[i + 1] - s.seconds()[i]);
        keys.add(Key.of(seconds, hold ? Span.HOLD : Span.STRAIGHT, turn.x(), turn.y(), turn.z()));
      }
    }
    return keys;
  }

  /** Into how many parts the arc to the next key is cut. */
  private static int steps(Samples s, int i) {
    double dot = 0;
    for (int k = 0; k < 4; k++) {
      dot += s.at(i, 1, k) * s.at(i + 1, 1, k);
    }
    double degrees = 2 * Math.toDegrees(StrictMath.acos(Math.min(1, Math.abs(dot))));
    int least = s.cubic() ? 4 : 1;
    return (int) Math.clamp(Math.ceil(degrees / STEP_DEGREES), least, 64);
  }

  private static double[] quaternion(Samples s, int i, double part) {
    double[] q = new double[4];
    if (part == 0) {
      for (int k = 0; k < 4; k++) {
        q[k] = s.at(i, 1, k);
      }
      return q;
    }
    double length = s.seconds()[i + 1] - s.seconds()[i];
    double dot = 0;
    for (int k = 0; k < 4; k++) {
      dot += s.at(i, 1, k) * s.at(i + 1, 1, k);
    }
    double sign = dot < 0 && !s.cubic() ? -1 : 1;
    double angle = StrictMath.acos(Math.min(1, Math.abs(dot)));
    double sin = StrictMath.sin(angle);
    double t2 = part * part, t3 = t2 * part;
    for (int k = 0; k < 4; k++) {
      double a = s.at(i, 1, k), b = sign * s.at(i + 1, 1, k);
      if (s.cubic()) {
        q[k] =
            (2 * t3 - 3 * t2 + 1) * a
                + (t3 - 2 * t2 + part) * length * s.at(i, 2, k)
                + (3 * t2 - 2 * t3) * b
                + (t3 - t2) * length * s.at(i + 1, 0, k);
      } else if (sin < 1e-6) {
        q[k] = a + part * (b - a);
      } else {
        q[k] =
            StrictMath.sin((1 - part) * angle) / sin * a + StrictMath.sin(part * angle) / sin * b;
      }
    }
    return q;
  }

  /** The same turn by angles that are nearest to those before. */
  private static Vec3 near(Vec3 turn, Vec3 last) {
    if (last == null) {
      return turn;
    }
    Vec3 one = unwound(turn, last);
    // Every turn has other angles: half round about X and Z, and over the pole of Y.
    Vec3 other = unwound(new Vec3(turn.x() + 180, 180 - turn.y(), turn.z() + 180), last);
    return one.minus(last).length() <= other.minus(last).length() ? one : other;
  }

  private static Vec3 unwound(Vec3 turn, Vec3 last) {
    return new Vec3(
        turn.x() - 360 * Math.rint((turn.x() - last.x()) / 360),
        turn.y() - 360 * Math.rint((turn.y() - last.y()) / 360),
        turn.z() - 360 * Math.rint((turn.z() - last.z()) / 360));
  }
}
