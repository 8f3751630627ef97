package levelember.formats.gltf;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Turns a material of diffuse and specular colour and glossiness into one of metalness and
 * roughness.
 *
 * <p>Method: the conversion of the archived extension KHR_materials_pbrSpecularGlossiness, which
 * solves for the metalness that reflects as much at normal incidence.
 */
final class SpecularGlossiness {
  static final String NAME = "KHR_materials_pbrSpecularGlossiness";

  /** Reflectance of a dielectric at normal incidence. */
  private static final double DIELECTRIC = 0.04;

  private static final double LEAST = 1e-6;

  private SpecularGlossiness() {}

  /** The same as {@code pbrMetallicRoughness}. */
  static ObjectNode metallic(JsonNode from) {
    double[] diffuse = colour(from.path("diffuseFactor")),
        specular = colour(from.path("specularFactor"));
    double strongest = Math.max(specular[0], Math.max(specular[1], specular[2]));
    double metalness = metalness(perceived(diffuse), perceived(specular), 1 - strongest);
    ObjectNode to = JsonNodeFactory.instance.objectNode();
    ArrayNode base = to.putArray("baseColorFactor");
    for (int k = 0; k < 3; k++) {
      double ofDiffuse =
          diffuse[k] * (1 - strongest) / (1 - DIELECTRIC) / Math.max(1 - metalness, LEAST);
      double ofSpecular = (specular[k] - DIELECTRIC * (1 - metalness)) / Math.max(metalness, LEAST);
      double share = metalness * metalness;
      base.add(Math.clamp(ofDiffuse + share * (ofSpecular - ofDiffuse), 0.0, 1.0));
    }
    base.add(from.path("diffuseFactor").path(3).asDouble(1));
    to.put("metallicFactor", metalness);
    to.put("roughnessFactor", 1 - Math.clamp(from.path("glossinessFactor").asDouble(1), 0.0, 1.0));
    if (from.has("diffuseTexture")) {
      to.set("baseColorTexture", from.get("diffuseTexture"));
    }
    return to;
  }

  private static double metalness(double diffuse, double specular, double rest) {
    if (specular < DIELECTRIC) {
      return 0;
    }
    double a = DIELECTRIC;
    double b = diffuse * rest / (1 - DIELECTRIC) + specular - 2 * DIELECTRIC;
    double c = DIELECTRIC - specular;
    return Math.clamp((-b + Math.sqrt(Math.max(0, b * b - 4 * a * c))) / (2 * a), 0.0, 1.0);
  }

  private static double perceived(double[] c) {
    return Math.sqrt(0.299 * c[0] * c[0] + 0.587 * c[1] * c[1] + 0.114 * c[2] * c[2]);
  }

  private static double[] colour(JsonNode list) {
    double[] to = new double[3];
    for (int k = 0; k < 3; k++) {
      to[k] = Math.clamp(list.path(k).asDouble(1), 0.0, 1.0);
    }
    return to;
  }
}
