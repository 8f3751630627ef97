package levelember.formats.gltf;

import java.util.ArrayList;
import java.util.List;
import levelember.math.Rgb;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import tools.jackson.databind.JsonNode;

/**
 * A glTF material as a layered surface.
 *
 * @param material what it becomes
 * @param left what of it was left out
 */
public record GltfMaterial(Material material, List<String> left) {
  /** Depth at which glass without one shows its tint, metres. */
  private static final double USUAL_DEPTH = 0.01;

  /** In a material's extras, as {@code ObjFile} leaves it: a picture of heights, and its depth. */
  public static final String RELIEF = "bumpTexture", RELIEF_METRES = "bumpMetres";

  /** Luminance of a white that takes no light, cd/m²: as a screen's. */
  static final double SCREEN = 100;

  static GltfMaterial of(JsonNode m, String id, String name, GltfTextures textures) {
    List<String> left = new ArrayList<>();
    JsonNode ext = m.path("extensions");
    JsonNode gloss = ext.path(SpecularGlossiness.NAME);
    JsonNode pbr =
        gloss.isObject() ? SpecularGlossiness.metallic(gloss) : m.path("pbrMetallicRoughness");
    if (gloss.has("specularGlossinessTexture")) {
      left.add("pictures of specular colour and gloss");
    }
    Rgb colour = colour(pbr.path("baseColorFactor"), Rgb.WHITE);
    double metalness = unit(pbr.path("metallicFactor"), 1);
    double roughness = unit(pbr.path("roughnessFactor"), 1);
    if (m.isEmpty()) {
      colour = Rgb.grey(0.5);
      metalness = 0;
      roughness = 0.5;
    }
    Texture surface = textures.texture(pbr.path("metallicRoughnessTexture"));
    Maps maps =
        new Maps(
            textures.texture(pbr.path("baseColorTexture")),
            List.of(),
            null,
            null,
            surface,
            surface,
            textures.texture(m.path("normalTexture")),
            Math.clamp(number(m.path("normalTexture").path("scale"), 1), 0, 10),
            textures.texture(m.path("extras").path(RELIEF)),
            Math.clamp(number(m.path("extras").path(RELIEF_METRES), 0.001), -1, 1),
            null);
    if (maps.bump() != null) {
      left.add("depth of relief, which has no unit: it is taken as a millimetre");
    }
    String alpha = m.path("alphaMode").stringValue("OPAQUE");
    if (!alpha.equals("OPAQUE")) {
      double cutoff = alpha.equals("MASK") ? unit(m.path("alphaCutoff"), 0.5) : -1;
      maps =
          maps.withOpacity(
              textures.cutOut(
                  pbr.path("baseColorTexture"),
                  unit(pbr.path("baseColorFactor").path(3), 1),
                  cutoff));
    }
    if (m.has("occlusionTexture")) {
      left.add("pictures of shade: the light makes its own");
    }
    for (JsonNode extension : ext) {
      for (String key : extension.propertyNames()) {
        if (key.endsWith("Texture") && extension != gloss) {
          left.add("pictures of coats, sheens and glass");
        }
      }
    }
    for (String kept : List.of("KHR_materials_anisotropy", "KHR_materials_iridescence")) {
      if (ext.has(kept)) {
        left.add(kept.substring("KHR_materials_".length()) + " of materials");
      }
    }
    if (unlit(m)) {
      // It takes no light and shines in its colour instead.
      return new GltfMaterial(
          Material.matte(id, name, Rgb.grey(0)).with(Maps.NONE.withOpacity(maps.opacity())), left);
    }
    double transmission =
        unit(ext.path("KHR_materials_transmission").path("transmissionFactor"), 0)
            * (1 - metalness);
    JsonNode volume = ext.path("KHR_materials_volume");
    boolean thin = transmission > 0 && number(volume.path("thicknessFactor"), 0) <= 0;
    double depth = number(volume.path("attenuationDistance"), 0);
    Rgb tint = thin || depth <= 0 ? colour : colour(volume.path("attenuationColor"), Rgb.WHITE);
    double dispersion = number(ext.path("KHR_materials_dispersion").path("dispersion"), 0);
    JsonNode coat = ext.path("KHR_materials_clearcoat");
    JsonNode sheen = ext.path("KHR_materials_sheen");
    double ior = number(ext.path("KHR_materials_ior").path("ior"), 1.5);
    JsonNode specular = ext.path("KHR_materials_specular");
    return new GltfMaterial(
        new Material(
            id,
            name,
            colour,
            metalness,
            metalness > 0 ? colour(specular.path("specularColorFactor"), Rgb.WHITE) : Rgb.WHITE,
            null,
            roughness,
            unit(specular.path("specularFactor"), 1),
            Math.clamp(ior, 1, 3),
            new Material.Glass(
                transmission,
                tint,
                depth > 0 ? Math.clamp(depth, 1e-5, 1000) : USUAL_DEPTH,
                thin,
                dispersion > 0 && !thin ? Math.clamp(20 / dispersion, 10, 100) : 0),
            coat.isObject()
                ? new Material.Coat(
                    unit(coat.path("clearcoatFactor"), 0),
                    unit(coat.path("clearcoatRoughnessFactor"), 0),
                    1.5)
                : Material.Coat.NONE,
            sheen.isObject()
                ? new Material.Sheen(
                    colour(sheen.path("sheenColorFactor"), Rgb.grey(0)),
                    unit(sheen.path("sheenRoughnessFactor"), 0))
                : Material.Sheen.NONE,
            maps,
            true),
        left.stream().distinct().toList());
  }

  /** Whether a material takes no light. */
  static boolean unlit(JsonNode m) {
    return m.path("extensions").has("KHR_materials_unlit");
  }

  /** The picture that a material shines by, as glTF refers to it. */
  static JsonNode shining(JsonNode m) {
    return unlit(m)
        ? m.path("pbrMetallicRoughness").path("baseColorTexture")
        : m.path("emissiveTexture");
  }

  /** Luminance of a material by channel, cd/m². */
  static double[] emission(JsonNode m) {
    if (unlit(m)) {
      Rgb own = colour(m.path("pbrMetallicRoughness").path("baseColorFactor"), Rgb.WHITE);
      return new double[] {own.r() * SCREEN, own.g() * SCREEN, own.b() * SCREEN};
    }
    Rgb factor = colour(m.path("emissiveFactor"), Rgb.grey(0));
    double strength =
        number(
            m.path("extensions").path("KHR_materials_emissive_strength").path("emissiveStrength"),
            1);
    strength = Math.clamp(strength, 0, 1e9);
    return new double[] {factor.r() * strength, factor.g() * strength, factor.b() * strength};
  }

  private static double number(JsonNode n, double usual) {
    return n.isNumber() && Double.isFinite(n.doubleValue()) ? n.doubleValue() : usual;
  }

  private static double unit(JsonNode n, double usual) {
    return Math.clamp(number(n, usual), 0, 1);
  }

  private static Rgb colour(JsonNode list, Rgb usual) {
    return list.isArray()
        ? new Rgb(
            unit(list.path(0), usual.r()),
            unit(list.path(1), usual.g()),
            unit(list.path(2), usual.b()))
        : usual;
  }
}
