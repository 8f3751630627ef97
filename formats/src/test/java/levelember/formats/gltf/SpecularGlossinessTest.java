package levelember.formats.gltf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.formats.Glb;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

/** Materials of specular colour and gloss mean the same as metal and roughness. */
class SpecularGlossinessTest {
  private static ObjectNode metallic(String text) {
    return SpecularGlossiness.metallic(Glb.object(text));
  }

  @Test
  void blackWithAColouredReflectionIsAMetalOfThatColour() {
    ObjectNode gold =
        metallic(
            "{'diffuseFactor': [0, 0, 0, 1], 'specularFactor': [1, 0.766, 0.336],"
                + " 'glossinessFactor': 0.8}");
    assertThat(gold.get("metallicFactor").doubleValue()).isCloseTo(1, within(1e-6));
    assertThat(gold.get("roughnessFactor").doubleValue()).isCloseTo(0.2, within(1e-9));
    assertThat(gold.at("/baseColorFactor/1").doubleValue()).isCloseTo(0.766, within(1e-6));
    assertThat(gold.at("/baseColorFactor/2").doubleValue()).isCloseTo(0.336, within(1e-6));
  }

  @Test
  void fourPercentAtNormalIncidenceIsAPlainSurfaceOfItsDiffuseColour() {
    ObjectNode paint =
        metallic(
            "{'diffuseFactor': [0.5, 0.2, 0.1, 0.3], 'specularFactor': [0.04, 0.04, 0.04],"
                + " 'diffuseTexture': {'index': 2}}");
    assertThat(paint.get("metallicFactor").doubleValue()).isZero();
    assertThat(paint.at("/baseColorFactor/0").doubleValue()).isCloseTo(0.5, within(1e-9));
    assertThat(paint.at("/baseColorFactor/3").doubleValue()).isEqualTo(0.3);
    assertThat(paint.at("/baseColorTexture/index").intValue()).isEqualTo(2);
    assertThat(paint.get("roughnessFactor").doubleValue()).isZero();
  }

  @Test
  void aModelMayNeedIt() {
    Glb glb = new Glb();
    glb.json.putArray("extensionsRequired").add(SpecularGlossiness.NAME);
    assertThat(GltfFile.read(glb.bytes())).isNotNull();
  }
}
