package levelember.formats.gltf;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import levelember.formats.RefusedFile;
import levelember.geometry.Triangles;
import levelember.math.Affine;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import tools.jackson.databind.JsonNode;

/**
 * What a glTF file brings into a shoot: a piece a node, nested as nodes are, materials, lights and
 * shots, and a report of what came and what was left.
 */
public final class GltfImport {
  /** Pieces that one file may bring. */
  static final int MOST_PIECES = 20_000;

  private static final int DEEPEST = 128;
  private static final double SMALL_METRES = 0.005, LARGE_METRES = 200;

  /**
   * What was imported.
   *
   * @param pieces the first holds all others
   * @param tracks of the file's animations
   * @param pictures files of the pictures that materials show, by name
   * @param triangles of all pieces together
   * @param sizeMetres of the box about all pieces
   * @param middle of that box
   * @param came a line each of what came
   * @param left a line each of what was left out, and why
   * @param hints what looks improbable, and how to mend it
   */
  public record Brought(
      List<Piece> pieces,
      List<Material> materials,
      List<Light> lights,
      List<Shot> shots,
      List<Track> tracks,
      Map<String, byte[]> pictures,
      long triangles,
      Vec3 sizeMetres,
      Vec3 middle,
      List<String> came,
      List<String> left,
      List<String> hints) {}

  private final GltfFile gltf;
  private final String file;
  private final GltfTextures textures;
  private final Shoot into;
  private final Set<String> ids = new HashSet<>();
  private final List<Piece> pieces = new ArrayList<>();
  private final List<Light> lights = new ArrayList<>();
  private final List<Shot> shots = new ArrayList<>();
  private final Map<Integer, Material> materials = new LinkedHashMap<>();
  private final Map<String, Integer> left = new TreeMap<>();
  private final Map<List<Integer>, double[]> boxes = new LinkedHashMap<>();
  private final Map<List<Integer>, Integer> counts = new LinkedHashMap<>();
  private final double[] least = {1e30, 1e30, 1e30}, most = {-1e30, -1e30, -1e30};
  private final Map<Integer, String> pieceOfNode = new LinkedHashMap<>();
  private final Map<Integer, Light> lightOfNumber = new LinkedHashMap<>();
  private final List<Camera> cameras = new ArrayList<>();
  private long triangles;

  private final Map<Integer, Shot> shotOfCamera = new LinkedHashMap<>();
  private final GltfNodeTracks holders = new GltfNodeTracks();

  /** A camera of the file and where it stands. */
  private record Camera(JsonNode camera, int number, Piece node, Affine world) {}

  private GltfImport(GltfFile gltf, String file, Shoot into) {
    this.gltf = gltf;
    this.file = file;
    textures = new GltfTextures(gltf, file);
    this.into = into;
    into.pieces().forEach(p -> ids.add(p.id()));
    into.materials().forEach(m -> ids.add(m.id()));
    into.lights().forEach(l -> ids.add(l.id()));
    into.shots().forEach(s -> ids.add(s.id()));
  }

  /**
   * Reads what a file brings.
   *
   * @param file name of the asset
   * @param bytes its content
   * @param into the shoot, whose ids are left alone
   * @param metresPerUnit 1 for a file in metres, as glTF says
   * @throws RefusedFile when the file is broken or brings nothing
   */
  public static Brought read(String file, byte[] bytes, Shoot into, double metresPerUnit) {
    if (!(metresPerUnit >= 1e-6 && metresPerUnit <= 1e6)) {
      throw new levelember.document.ImpossibleValue(
          "metresPerUnit", metresPerUnit, "0.000001 to 1000000");
    }
    return new GltfImport(GltfFile.read(bytes), file, into).brought(metresPerUnit);
  }

  private Brought brought(double metresPerUnit) {
    int dot = file.lastIndexOf('.');
    String name = dot > 0 ? file.substring(0, dot) : file;
    String root = id(name);
    Vec3 size = Vec3.ONE.times(metresPerUnit);
    pieces.add(new Piece(root, name, null, Vec3.ZERO, Vec3.ZERO, size, null, null, null, true));
    Affine frame = Affine.of(Vec3.ZERO, Vec3.ZERO, size);
    for (int node : gltf.roots()) {
      node(node, root, frame, 0);
    }
    textures.check();
    cameras.forEach(this::shot);
    boolean solid = triangles > 0;
    if (!solid && lights.isEmpty() && shots.isEmpty()) {
      throw new RefusedFile("the model holds no surface, light or camera that can be imported");
    }
    materials.values().forEach(this::shining);
    List<Track> tracks =
        holders.resolved(
            pieces,
            new GltfAnimations(
                    gltf,
                    new GltfAnimations.Targets(
                        pieceOfNode, lightOfNumber, materials, shotOfCamera, lights),
                    what -> leave(what, 1))
                .tracks(),
            into);
    if (!GltfFile.list(gltf.json(), "skins").isEmpty()) {
      leave("skins: the pieces stand as they were modelled", gltf.json().path("skins").size());
    }
    Vec3 box =
        solid ? new Vec3(most[0] - least[0], most[1] - least[1], most[2] - least[2]) : Vec3.ZERO;
    return new Brought(
        pieces,
        List.copyOf(materials.values()),
        lights,
        shots,
        tracks,
        textures.pictures(),
        triangles,
        box,
        solid ? middle() : Vec3.ZERO,
        came(tracks),
        left.entrySet().stream().map(e -> e.getValue() + " " + e.getKey()).toList(),
        hints(solid, box));
  }

  private List<String> came(List<Track> tracks) {
    List<String> to = new ArrayList<>();
    long shaped = pieces.stream().filter(p -> p.shape() != null).count();
    to.add(
        said(shaped, "piece")
            + " of "
            + String.format(Locale.ROOT, "%,d", triangles)
            + " triangles");
    if (!materials.isEmpty()) {
      to.add(said(materials.size(), "material"));
    }
    if (!textures.pictures().isEmpty()) {
      to.add(said(textures.pictures().size(), "picture"));
    }
    if (!lights.isEmpty()) {
      to.add(said(lights.size(), "light"));
    }
    if (!shots.isEmpty()) {
      to.add(said(shots.size(), "shot"));
    }
    if (!tracks.isEmpty()) {
      to.add(said(tracks.size(), "track") + " of motion");
    }
    return to;
  }

  private static String said(long n, String what) {
    return n + " " + what + (n == 1 ? "" : "s");
  }

  private List<String> hints(boolean solid, Vec3 box) {
    double across = Math.max(box.x(), Math.max(box.y(), box.z()));
    if (solid && across > LARGE_METRES) {
      return List.of(
          String.format(
              Locale.ROOT,
              "It is %.0f m across. If it was made in millimetres, bring it in with 0.001 metres a"
                  + " unit; if in centimetres, with 0.01.",
              across));
    }
    if (solid && across < SMALL_METRES) {
      return List.of(
          String.format(
              Locale.ROOT,
              "It is %.2g mm across. If it was made in metres a thousandth as large, bring it in"
                  + " with 1000 metres a unit.",
              across * 1000));
    }
    return List.of();
  }

  private void leave(String what, int times) {
    left.merge(what, times, Integer::sum);
  }

  /** An id made from a name that nothing has yet. */
  private String id(String name) {
    String stem = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    stem = stem.replaceAll("^-+|-+$", "");
    stem = stem.isEmpty() ? "piece" : stem.substring(0, Math.min(40, stem.length()));
    String id = stem;
    for (int i = 2; !ids.add(id); i++) {
      id = stem + "-" + i;
    }
    return id;
  }

  private static String named(JsonNode of, String otherwise) {
    String name = of.path("name").stringValue("").strip();
    return name.isEmpty() ? otherwise : name.substring(0, Math.min(200, name.length()));
  }

  private void node(int number, String parent, Affine frame, int depth) {
    if (depth > DEEPEST) {
      throw new RefusedFile("the model's nodes are nested more than " + DEEPEST + " deep");
    }
    if (pieces.size() > MOST_PIECES) {
      throw new RefusedFile(
          "the model makes more than " + MOST_PIECES + " pieces. Join some where it comes from.");
    }
    JsonNode node = gltf.entry("nodes", number);
    String name = named(node, "Node " + number);
    GltfFrame own = GltfFrame.of(node, name);
    if (own.sheared()) {
      leave("slants of nodes that are no turn and size", 1);
    }
    Affine world = frame.after(own.map());
    int mesh = GltfFile.reference(node, "mesh");
    if (mesh < 0 && GltfFile.list(node, "children").isEmpty()) {
      Piece holder = holder(name, parent, own);
      pieceOfNode.put(number, holder.id());
      camera(node, holder, world);
      light(node, holder, world);
      return;
    }
    String id = id(name);
    pieceOfNode.put(number, id);
    JsonNode parts = mesh < 0 ? null : GltfFile.list(gltf.entry("meshes", mesh), "primitives");
    boolean single = parts != null && parts.size() == 1 && GltfMeshes.solid(parts.get(0));
    pieces.add(
        new Piece(
            id,
            name,
            parent,
            own.position(),
            own.rotationDegrees(),
            own.scale(),
            single ? shape(mesh, 0, world) : null,
            single ? material(parts.get(0)) : null,
            null,
            true));
    for (int part = 0; parts != null && !single && part < parts.size(); part++) {
      if (!GltfMeshes.solid(parts.get(part))) {
        leave("parts of points or lines: they have no surface", 1);
        continue;
      }
      pieces.add(
          new Piece(
              id(name + " " + (part + 1)),
              name + " " + (part + 1),
              id,
              Vec3.ZERO,
              Vec3.ZERO,
              Vec3.ONE,
              shape(mesh, part, world),
              material(parts.get(part)),
              null,
              true));
    }
    Piece holder = holder(name, id, GltfFrame.NONE);
    camera(node, holder, world);
    light(node, holder, world);
    for (JsonNode child : GltfFile.list(node, "children")) {
      node(child.intValue(), id, world, depth + 1);
    }
  }

  private Shape shape(int mesh, int part, Affine world) {
    List<Integer> key = List.of(mesh, part);
    double[] box = boxes.get(key);
    if (box == null) {
      Triangles t = GltfMeshes.triangles(gltf, mesh, part);
      box = new double[] {1e30, 1e30, 1e30, -1e30, -1e30, -1e30};
      for (int i = 0; i < t.corners(); i++) {
        for (int k = 0; k < 3; k++) {
          box[k] = Math.min(box[k], t.positions()[3 * i + k]);
          box[3 + k] = Math.max(box[3 + k], t.positions()[3 * i + k]);
        }
      }
      boxes.put(key, box);
      counts.put(key, t.count());
    }
    triangles += counts.get(key);
    for (int corner = 0; corner < 8 && box[0] <= box[3]; corner++) {
      Vec3 p =
          world.point(
              new Vec3(
                  box[(corner & 1) == 0 ? 0 : 3],
                  box[(corner & 2) == 0 ? 1 : 4],
                  box[(corner & 4) == 0 ? 2 : 5]));
      double[] at = {p.x(), p.y(), p.z()};
      for (int k = 0; k < 3; k++) {
        least[k] = Math.min(least[k], at[k]);
        most[k] = Math.max(most[k], at[k]);
      }
    }
    return new Shape.Model(file, mesh, part);
  }

  private String material(JsonNode primitive) {
    int number = GltfFile.reference(primitive, "material");
    return materials.computeIfAbsent(number, this::made).id();
  }

  private Material made(int number) {
    JsonNode m = number < 0 ? GltfFile.EMPTY : gltf.entry("materials", number);
    String name = named(m, number < 0 ? "As imported" : "Material " + number);
    GltfMaterial read = GltfMaterial.of(m, id(name), name, textures);
    read.left().forEach(what -> leave(what, 1));
    return read.material();
  }

  /** A material that shines becomes a light of the rig. */
  private void shining(Material material) {
    int number =
        materials.entrySet().stream()
            .filter(e -> e.getValue() == material)
            .findFirst()
            .orElseThrow()
            .getKey();
    if (number < 0) {
      return;
    }
    JsonNode given = gltf.entry("materials", number);
    double[] rgb = GltfMaterial.emission(given);
    Texture picture = textures.texture(GltfMaterial.shining(given));
    double brightest = Math.max(rgb[0], Math.max(rgb[1], rgb[2]));
    if (brightest > 0) {
      lights.add(
          light(
              material.name(),
              new Emitter.Emissive(material.id(), picture == null ? null : picture.picture()),
              Vec3.ZERO,
              Vec3.UP,
              new Brightness(brightest, Brightness.Unit.NIT),
              rgb,
              true));
    }
  }

  private Light light(
      String name,
      Emitter emitter,
      Vec3 place,
      Vec3 aim,
      Brightness brightness,
      double[] rgb,
      boolean seen) {
    double m = Math.max(rgb[0], Math.max(rgb[1], rgb[2]));
    Rgb filter = m > 0 ? new Rgb(rgb[0] / m, rgb[1] / m, rgb[2] / m) : Rgb.WHITE;
    return new Light(
        id(name),
        name,
        emitter,
        place,
        aim,
        0,
        brightness,
        0,
        new LightColour(LightColour.NEUTRAL.kelvin(), 0, filter),
        false,
        false,
        seen);
  }

  /** A node of a camera or a light, which is no piece of the shoot. */
  private Piece holder(String name, String parent, GltfFrame own) {
    return new Piece(
        id(name + " node"),
        name,
        parent,
        own.position(),
        own.rotationDegrees(),
        own.scale(),
        null,
        null,
        null,
        true);
  }

  private void light(JsonNode node, Piece holder, Affine world) {
    String name = holder.name();
    int number = GltfFile.reference(node.path("extensions").path("KHR_lights_punctual"), "light");
    if (number < 0) {
      return;
    }
    JsonNode l =
        gltf.json().path("extensions").path("KHR_lights_punctual").path("lights").path(number);
    String type = l.path("type").stringValue("");
    boolean spot = type.equals("spot"), sun = type.equals("directional");
    if (!spot && !sun && !type.equals("point")) {
      leave("lights of kind '" + type + "'", 1);
      return;
    }
    double[] rgb = GltfFrame.numbers(l.path("color"), 3, name, 1, 1, 1);
    for (int k = 0; k < 3; k++) {
      rgb[k] = Math.clamp(rgb[k], 0, 1e6);
    }
    double intensity = GltfFrame.numbers(GltfFile.asList(l.path("intensity"), 1), 1, name)[0];
    Light made =
        light(
            named(l, name),
            spot ? cone(l.path("spot")) : sun ? new Emitter.Sun(0.53) : new Emitter.Point(),
            world.shift(),
            world.shift().plus(world.z().unit().times(-1)),
            new Brightness(
                Math.clamp(intensity * Math.max(rgb[0], Math.max(rgb[1], rgb[2])), 0, 1e12),
                sun ? Brightness.Unit.LUX : Brightness.Unit.CANDELA),
            rgb,
            false);
    double range = l.path("range").asDouble(0);
    Light one =
        range > 0 && range <= 1e6 ? made.withControls(LightControls.WHOLE.fading(range)) : made;
    lights.add(one);
    lightOfNumber.putIfAbsent(number, one);
    holders.add(holder, "lights/" + one.id(), 1);
  }

  /** A cone whose light falls off between its two angles. */
  private static Emitter.Spot cone(JsonNode spot) {
    double outer = Math.clamp(spot.path("outerConeAngle").asDouble(Math.PI / 4), 0.001, 1.52);
    double inner = Math.clamp(spot.path("innerConeAngle").asDouble(0), 0, outer);
    return new Emitter.Spot(
        Math.toDegrees(2 * outer), 1 - inner / outer, 0, 0.25, null, null, null);
  }

  private void camera(JsonNode node, Piece holder, Affine world) {
    int number = GltfFile.reference(node, "camera");
    if (number >= 0) {
      cameras.add(new Camera(gltf.entry("cameras", number), number, holder, world));
    }
  }

  /** A shot aimed at the middle of the model's depth, which is known when all nodes are. */
  private void shot(Camera seen) {
    JsonNode camera = seen.camera;
    String name = seen.node.name();
    Affine world = seen.world;
    double yfov = camera.at("/perspective/yfov").asDouble(0);
    if (!(yfov > 0.001 && yfov < 3.1)) {
      leave("cameras without perspective", 1);
      return;
    }
    double aspect = camera.at("/perspective/aspectRatio").asDouble(16.0 / 9);
    aspect = aspect > 0.01 && aspect < 100 ? aspect : 16.0 / 9;
    double focal = Math.clamp(36 / (2 * StrictMath.tan(yfov / 2) * aspect), 4, 2000);
    Vec3 ahead = world.z().times(-1).unit();
    double distance =
        triangles > 0 ? Math.max(0.1, world.shift().minus(middle()).dot(world.z().unit())) : 1;
    Shot shot =
        new Shot(
            id(name),
            named(camera, name),
            world.shift(),
            world.shift().plus(ahead.times(distance)),
            focal,
            36,
            0,
            0,
            into.looks().getFirst().id());
    shots.add(shot);
    shotOfCamera.putIfAbsent(seen.number, shot);
    holders.add(seen.node, "shots/" + shot.id(), distance);
  }

  private Vec3 middle() {
    return new Vec3(least[0] + most[0], least[1] + most[1], least[2] + most[2]).times(0.5);
  }
}
