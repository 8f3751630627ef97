package levelember.formats.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import levelember.formats.document.ShootDocument;
import levelember.formats.gltf.GlbBuilder;
import levelember.formats.gltf.GltfAnimationExport;
import levelember.formats.gltf.GltfFile;
import levelember.formats.gltf.GltfMeshes;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Affine;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A shoot as one binary glTF 2.0 file that other programs can show: nodes, meshes, materials with
 * the pictures that glTF can lay, cameras, and lights as points and spots. The whole shoot document
 * and its assets are kept in the file too, under {@code extras}, so that it reads back the same.
 */
public final class GltfExport {
  /** Where the shoot is kept among the extras of the file. */
  static final String EXTRAS = "levelEmber";

  /** More nodes than this, copies counted, are refused. */
  private static final int MOST_NODES = 200_000;

  private static final double WIDE = Math.toRadians(80);

  private record Part(Shape shape, String material) {}

  private final ShootPackage pack;
  private final GlbBuilder glb = new GlbBuilder();
  private final ObjectNode json = glb.json;
  private final Map<Part, Integer> meshes = new LinkedHashMap<>();
  private final Map<String, Integer> materials = new HashMap<>();
  private final Map<String, Integer> images = new TreeMap<>();
  private final Map<String, List<Piece>> children = new HashMap<>();
  private final GltfMeshes models;
  private final GltfAnimationExport animation;

  private GltfExport(ShootPackage pack) {
    this.pack = pack;
    models = new GltfMeshes(pack.assets()::get);
    animation = new GltfAnimationExport(glb, pack.shoot());
  }

  /**
   * Writes a shoot.
   *
   * @throws levelember.document.ImpossibleValue when copies make too many nodes
   */
  public static byte[] write(ShootPackage pack) {
    return new GltfExport(pack).file();
  }

  /** Whether a file is one of ours, with a shoot in its extras. */
  static boolean is(byte[] file) {
    return GltfFile.isBinary(file) && shoot(GltfFile.read(file)).isObject();
  }

  private static JsonNode shoot(GltfFile gltf) {
    return gltf.json().path("extras").path(EXTRAS).path("shoot");
  }

  /** The shoot that is kept in a file of ours. */
  public static ShootPackage read(byte[] file) {
    GltfFile gltf = GltfFile.read(file);
    TreeMap<String, byte[]> assets = new TreeMap<>();
    JsonNode names = gltf.json().path("extras").path(EXTRAS).path("assets");
    names
        .propertyNames()
        .forEach(name -> assets.put(name, gltf.view(GltfFile.reference(names, name))));
    return new ShootPackage(ShootDocument.read(shoot(gltf)), assets);
  }

  private byte[] file() {
    Shoot shoot = pack.shoot();
    ArrayNode roots = glb.roots(shoot.name());
    shoot
        .pieces()
        .forEach(p -> children.computeIfAbsent(p.parent(), k -> new ArrayList<>()).add(p));
    shoot.materials().forEach(this::material);
    for (Piece piece : children.getOrDefault(null, List.of())) {
      nodes(piece, roots);
    }
    shoot.shots().forEach(s -> roots.add(camera(s)));
    shoot.lights().forEach(l -> light(l, roots));
    animation.write();
    ObjectNode kept = json.putObject("extras").putObject(EXTRAS);
    kept.set("shoot", ShootDocument.tree(shoot));
    ObjectNode assets = kept.putObject("assets");
    pack.assets()
        .forEach((name, bytes) ->
            assets.put(name, images.computeIfAbsent("asset " + name, k -> glb.view(bytes, 0))));
    return glb.bytes();
  }

  private static ArrayNode colour(Rgb c) {
    return GlbBuilder.numbers(c.r(), c.g(), c.b());
  }

  /** Where a node stands: as a matrix, which in a file with animations it may not have. */
  private void stands(ObjectNode node, Affine map) {
    if (animation.moves()) {
      GltfAnimationExport.place(node, map);
    } else {
      node.set("matrix", matrix(map));
    }
  }

  private static ArrayNode matrix(Affine m) {
    ArrayNode to = JsonNodeFactory.instance.arrayNode();
    for (Vec3 column : List.of(m.x(), m.y(), m.z())) {
      to.add(column.x()).add(column.y()).add(column.z()).add(0);
    }
    return to.add(m.shift().x()).add(m.shift().y()).add(m.shift().z()).add(1);
  }

  /** The nodes of a piece, one a copy, with all that stands in it. */
  private void nodes(Piece piece, ArrayNode to) {
    if (!piece.shown()) {
      return;
    }
    Affine own = Affine.of(piece.position(), piece.rotationDegrees(), piece.scale());
    int copies = piece.copies() == null ? 1 : piece.copies().count();
    for (int i = 0; i < copies; i++) {
      if (glb.list("nodes").size() >= MOST_NODES) {
        throw new levelember.document.ImpossibleValue(
            "pieces", "too many copies", "at most " + MOST_NODES + " nodes in a glTF file");
      }
      ObjectNode node = glb.add("nodes").put("name", piece.name());
      to.add(glb.last("nodes"));
      stands(node, piece.copies() == null ? own : piece.copies().map(i, own));
      if (piece.copies() == null) {
        animation.piece(piece.id(), glb.last("nodes"));
      }
      if (piece.shape() != null) {
        Part part = new Part(piece.shape(), piece.material());
        Integer mesh = meshes.get(part);
        if (mesh == null) {
          mesh = mesh(part, piece.name());
          meshes.put(part, mesh);
        }
        if (mesh >= 0) {
          node.put("mesh", mesh);
        }
      }
      List<Piece> held = children.getOrDefault(piece.id(), List.of());
      ArrayNode below = JsonNodeFactory.instance.arrayNode();
      held.forEach(p -> nodes(p, below));
      if (!below.isEmpty()) {
        node.set("children", below);
      }
    }
  }

  private int mesh(Part part, String name) {
    Piece alone =
        new Piece(
            "p", "P", null, Vec3.ZERO, Vec3.ZERO, Vec3.ONE, part.shape, part.material, null, true);
    Triangles t =
        SetGeometry.of(List.of(alone), models).placed().stream()
            .map(SetGeometry.Placed::mesh)
            .findFirst()
            .orElseGet(Triangles::new);
    if (t.count() == 0) {
      return -1;
    }
    ObjectNode primitive = JsonNodeFactory.instance.objectNode();
    ObjectNode attributes = primitive.putObject("attributes");
    attributes.put("POSITION", glb.floats(t.positions(), t.corners(), 3, true));
    attributes.put("NORMAL", glb.floats(t.normals(), t.corners(), 3, false));
    if (t.places() != null) {
      attributes.put("TEXCOORD_0", glb.floats(t.places(), t.corners(), 2, false));
      if (t.seconds() != t.places()) {
        attributes.put("TEXCOORD_1", glb.floats(t.seconds(), t.corners(), 2, false));
      }
    }
    if (t.colours() != null) {
      attributes.put("COLOR_0", glb.floats(t.colours(), t.corners(), 3, false));
    }
    primitive.put("indices", glb.wholes(t.indices(), 3 * t.count()));
    Integer material = materials.get(part.material);
    if (material != null) {
      primitive.put("material", material);
    }
    glb.add("meshes").put("name", name).putArray("primitives").add(primitive);
    return glb.last("meshes");
  }

  private void material(Material m) {
    ObjectNode to = glb.add("materials").put("name", m.name());
    materials.put(m.id(), glb.last("materials"));
    animation.material(m.id(), glb.last("materials"));
    ObjectNode pbr = to.putObject("pbrMetallicRoughness");
    Rgb c = m.colour();
    boolean thin = m.glass().transmission() > 0 && m.glass().thin();
    Rgb base = thin ? m.glass().tint() : c;
    pbr.set("baseColorFactor", GlbBuilder.numbers(base.r(), base.g(), base.b(), 1));
    pbr.put("metallicFactor", m.metalness()).put("roughnessFactor", m.roughness());
    laid(pbr, "baseColorTexture", m.maps().colour());
    Texture rough = m.maps().roughness();
    if (rough != null && (rough.equals(m.maps().metalness()) || m.metalness() == 0)) {
      laid(pbr, "metallicRoughnessTexture", rough);
    }
    ObjectNode normal = laid(to, "normalTexture", m.maps().normal());
    if (normal != null) {
      normal.put("scale", m.maps().normalStrength());
    }
    ObjectNode ext = JsonNodeFactory.instance.objectNode();
    if (m.ior() != 1.5) {
      ext.putObject("KHR_materials_ior").put("ior", m.ior());
    }
    if (m.specular() != 1) {
      ext.putObject("KHR_materials_specular").put("specularFactor", m.specular());
    }
    if (m.glass().transmission() > 0) {
      ext.putObject("KHR_materials_transmission")
          .put("transmissionFactor", m.glass().transmission());
      if (!m.glass().thin()) {
        ObjectNode volume = ext.putObject("KHR_materials_volume");
        volume.put("thicknessFactor", 1).put("attenuationDistance", m.glass().tintDepth());
        volume.set("attenuationColor", colour(m.glass().tint()));
        if (m.glass().abbe() > 0) {
          ext.putObject("KHR_materials_dispersion").put("dispersion", 20 / m.glass().abbe());
        }
      }
    }
    if (m.coat().amount() > 0) {
      ext.putObject("KHR_materials_clearcoat")
          .put("clearcoatFactor", m.coat().amount())
          .put("clearcoatRoughnessFactor", m.coat().roughness());
    }
    Rgb sheen = m.sheen().colour();
    if (sheen.r() + sheen.g() + sheen.b() > 0) {
      ObjectNode s = ext.putObject("KHR_materials_sheen");
      s.set("sheenColorFactor", colour(sheen));
      s.put("sheenRoughnessFactor", m.sheen().roughness());
    }
    pack.shoot().lights().stream()
        .filter(l -> l.emitter().equals(new Emitter.Emissive(m.id())))
        .findFirst()
        .ifPresent(l -> {
          to.set("emissiveFactor", colour(l.colour().filter()));
          double nits = l.brightness().value() * StrictMath.pow(2, l.levelStops());
          ext.putObject("KHR_materials_emissive_strength").put("emissiveStrength", nits);
        });
    if (!ext.isEmpty()) {
      to.set("extensions", ext);
    }
  }

  /**
   * A texture where glTF can lay it: pictures in metres and of other formats stay in the extras.
   */
  private ObjectNode laid(ObjectNode to, String name, Texture t) {
    byte[] bytes = t == null ? null : pack.assets().get(t.picture());
    if (bytes == null || t.mapping() == Texture.Mapping.METRES) {
      return null;
    }
    boolean png = bytes.length > 3 && (bytes[0] & 0xFF) == 0x89;
    boolean jpeg = bytes.length > 3 && (bytes[0] & 0xFF) == 0xFF && (bytes[1] & 0xFF) == 0xD8;
    if (!png && !jpeg) {
      return null;
    }
    int view = images.computeIfAbsent("asset " + t.picture(), k -> glb.view(bytes, 0));
    int image =
        images.computeIfAbsent(
            "image " + t.picture(),
            k -> {
              glb.add("images")
                  .put("name", t.picture())
                  .put("bufferView", view)
                  .put("mimeType", png ? "image/png" : "image/jpeg");
              return glb.last("images");
            });
    glb.add("samplers").put("wrapS", wrap(t.edge())).put("wrapT", wrap(t.edgeV()));
    glb.add("textures").put("sampler", glb.last("samplers")).put("source", image);
    ObjectNode info = to.putObject(name).put("index", glb.last("textures"));
    if (t.mapping() == Texture.Mapping.SECOND) {
      info.put("texCoord", 1);
    }
    ObjectNode map = info.putObject("extensions").putObject("KHR_texture_transform");
    map.set("offset", GlbBuilder.numbers(t.offsetU(), t.offsetV()));
    map.set("scale", GlbBuilder.numbers(t.repeatsU(), t.repeatsV()));
    map.put("rotation", Math.toRadians(t.rotationDegrees()));
    return info;
  }

  private int camera(Shot s) {
    double aspect = 16.0 / 9;
    double yfov = GltfAnimationExport.angle(s);
    glb.add("cameras")
        .put("type", "perspective")
        .put("name", s.name())
        .putObject("perspective")
        .put("yfov", yfov)
        .put("aspectRatio", aspect)
        .put("znear", 0.01);
    int camera = glb.last("cameras");
    ObjectNode node = glb.add("nodes").put("name", s.name()).put("camera", camera);
    stands(node, Affine.lookingAt(s.position(), s.aim(), 0));
    animation.shot(s.id(), glb.last("nodes"), camera);
    return glb.last("nodes");
  }

  /**
   * Lights with a place or a direction as what glTF has that comes nearest; others stay in the
   * extras.
   */
  private void light(Light given, ArrayNode roots) {
    Light l = TracedLight.inWorld(pack.shoot(), given);
    String type = punctual(l.emitter());
    if (type == null) {
      return;
    }
    double candela = GltfAnimationExport.intensity(l);
    JsonNode extensions = json.get("extensions");
    ObjectNode ours = extensions == null ? json.putObject("extensions") : (ObjectNode) extensions;
    JsonNode there = ours.get("KHR_lights_punctual");
    ArrayNode lights =
        there == null
            ? ours.putObject("KHR_lights_punctual").putArray("lights")
            : (ArrayNode) there.get("lights");
    ObjectNode light = lights.addObject().put("name", l.name());
    light.put("type", type).put("intensity", candela);
    light.set("color", colour(l.colour().filter()));
    if (l.controls().fadesAtMetres() > 0) {
      light.put("range", l.controls().fadesAtMetres());
    }
    if (l.emitter() instanceof Emitter.Spot s) {
      double outer = Math.min(Math.toRadians(s.coneDegrees() / 2), WIDE);
      light
          .putObject("spot")
          .put("outerConeAngle", outer)
          .put("innerConeAngle", outer * (1 - s.feather()));
    } else if (type.equals("spot")) {
      light.putObject("spot").put("outerConeAngle", WIDE).put("innerConeAngle", 0);
    }
    ObjectNode node = glb.add("nodes").put("name", l.name());
    stands(node, Affine.lookingAt(l.position(), l.aim(), l.rollDegrees()));
    animation.light(l.id(), glb.last("nodes"), lights.size() - 1);
    node.putObject("extensions").putObject("KHR_lights_punctual").put("light", lights.size() - 1);
    roots.add(glb.last("nodes"));
  }

  /** The kind of KHR_lights_punctual that comes nearest, or null. */
  private static String punctual(Emitter emitter) {
    if (!emitter.placed()) {
      return emitter.aimed() ? "directional" : null;
    }
    return emitter.omnidirectional() ? "point" : "spot";
  }

  private static int wrap(Texture.Edge edge) {
    return switch (edge) {
      case REPEAT -> 10_497;
      case MIRROR -> 33_648;
      case CLAMP -> 33_071;
    };
  }
}
