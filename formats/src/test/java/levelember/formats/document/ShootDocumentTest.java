package levelember.formats.document;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import levelember.document.ImpossibleValue;
import levelember.formats.RefusedFile;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ShootDocumentTest {
  private static final String LEAST =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Least",
       "pieces": [{"id": "p", "shape": {"kind": "sphere", "radius": 1}, "material": "m"}],
       "materials": [{"id": "m"}],
       "lights": [{"id": "l", "emitter": {"kind": "point"}, "brightness": {"value": 5, "unit": "cd"}}],
       "shots": [{"id": "s", "position": [0, 0, 4], "look": "k"}],
       "looks": [{"id": "k"}]}
      """;

  @Test
  void aShootNamesThePicturesOfItsMaterialsAmongItsAssets() {
    String text =
        LEAST.replace(
            "\"id\": \"m\"", "\"id\": \"m\", \"maps\": {\"bump\": {\"picture\": \"b.png\"}}");
    assertThat(ShootDocument.read(text.getBytes(UTF_8)).assets()).containsExactly("b.png");
  }

  @Test
  void everyFieldComesBack() {
    Shoot shoot = WholeShoot.everything();
    assertThat(ShootDocument.read(ShootDocument.write(shoot))).isEqualTo(shoot);
  }

  @Test
  void aShootWrittenByHandNeedsLittle() {
    Shoot shoot = ShootDocument.read(LEAST.getBytes(UTF_8));
    assertThat(shoot.pieces().getFirst().scale()).isEqualTo(Vec3.ONE);
    assertThat(shoot.shots().getFirst().focalLengthMm()).isEqualTo(50);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          "radius": 1       | "radius": -1        | pieces[0].shape.radius     | 1.0E-5
          "radius": 1       | "radius": "NaN"     | pieces[0].shape.radius     | finite number
          "radius": 1       | "radius": 1e999     | pieces[0].shape.radius     | finite number
          "radius": 1       | "diameter": 1       | pieces[0].shape.radius     | no default
          "kind": "sphere"  | "kind": "blob"      | pieces[0].shape.kind       | one of floor
          "id": "p"         | "id": "p", "parent": "p" | pieces[0].parent      | own line
          "id": "p"         | "id": "p", "parent": "q" | pieces[0].parent      | id of a piece
          "material": "m"   | "material": "n"     | pieces[0].material         | id of a material
          "id": "m"         | "id": "m", "gloom": 1 | materials[0].gloom       | one of
          "id": "m"         | "id": "m", "roughness": 2 | materials[0].roughness | 0.0 to 1.0
          "id": "m"         | "id": "m", "abbe": 3      | materials[0].abbe      | 10.0 to 100.0
          "id": "m"         | "id": "m", "coat": { "ior": 9 } | materials[0].coat.ior | 1.0 to 3.0
          "id": "m"         | "id": "m", "sheen": { "roughness": 0 } | materials[0].sheen.roughness | 0.05 to 1.0
          "id": "m"         | "id": "m", "complexIndex": { "n": [1, 1, 1] } | materials[0].complexIndex.k | a value
          "id": "m"         | "id": "m", "maps": { "ramp": [{ "at": 1, "colour": [0, 0, 0] }] } | materials[0].maps.ramp.length | two and more
          "id": "m"         | "id": "m", "maps": { "bump": { "picture": "x", "edge": "torn" } } | materials[0].maps.bump.edge | one of repeat, mirror, clamp
          "id": "m"         | "id": "m", "maps": { "bump": { "picture": "x", "repeatsU": 0 } } | materials[0].maps.bump.repeats | apart from 0
          "id": "m"         | "id": "m", "colour": [1, 2] | materials[0].colour | three numbers
          "unit": "cd"      | "unit": "horses"    | lights[0].brightness.unit  | one of lm
          "unit": "cd"      | "unit": "cd/m2"     | lights[0].brightness.unit  | for this kind of light
          "value": 5        | "value": -5         | lights[0].brightness.value | 0.0 to
          "look": "k"       | "look": "none"      | shots[0].look              | id of a look
          "position": [0, 0, 4]| "position": [0, 0, 0]  | shots[0].aim               | apart from
          "unit": "cd"}     | "unit": "cd"}, "lightLinking": { "pieces": ["gone"] } | lights[0].lightLinking.pieces[0] | id of a piece
          "unit": "cd"}     | "unit": "cd"}, "parent": "gone" | lights[0].parent | id of a piece
          "unit": "cd"}     | "unit": "cd"}, "bank": "gone" | lights[0].bank | id of a bank
          "version": 2      | "version": 9        | version                    | 1 or 2
          """)
  void anImpossibleValueIsRefusedWithItsPathAndWhatIsAllowed(
      String was, String is, String path, String allowed) {
    String text = LEAST.replace(was, is);
    assertThat(text).isNotEqualTo(LEAST);
    assertThatThrownBy(() -> ShootDocument.read(text.getBytes(UTF_8)))
        .isInstanceOfSatisfying(
            ImpossibleValue.class,
            e -> {
              assertThat(e.field()).isEqualTo(path);
              assertThat(e.allowed()).contains(allowed);
            });
  }

  @Test
  void allWrongFieldsAreNamedAtOnce() {
    String text =
        LEAST
            .replace("\"radius\": 1", "\"radius\": -1, \"gloom\": 2")
            .replace("\"value\": 5", "\"value\": \"much\"")
            .replace("\"position\": [0, 0, 4], ", "");
    assertThatThrownBy(() -> ShootDocument.read(text.getBytes(UTF_8)))
        .isInstanceOfSatisfying(
            ImpossibleValue.class,
            e ->
                assertThat(e.all())
                    .extracting(ImpossibleValue.Refusal::field)
                    .containsExactlyInAnyOrder(
                        "pieces[0].shape.radius",
                        "pieces[0].shape.gloom",
                        "lights[0].brightness.value",
                        "shots[0].position"))
        .hasMessageContaining("gloom is unknown")
        .hasMessageContaining("shots[0].position is missing");
  }

  @Test
  void allReferencesToNothingAreNamedAtOnce() {
    String text =
        LEAST
            .replace("\"material\": \"m\"", "\"material\": \"n\"")
            .replace("\"look\": \"k\"", "\"look\": \"j\"")
            .replace("\"unit\": \"cd\"}", "\"unit\": \"cd\"}, \"bank\": \"gone\"");
    assertThatThrownBy(() -> ShootDocument.read(text.getBytes(UTF_8)))
        .isInstanceOfSatisfying(
            ImpossibleValue.class,
            e ->
                assertThat(e.all())
                    .extracting(ImpossibleValue.Refusal::field)
                    .containsExactly("pieces[0].material", "lights[0].bank", "shots[0].look"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "{", "[]", "null", "{\"format\":\"x\"}", "{\"a\":1,\"a\":2}", "NaN"})
  void whatIsNoShootDocumentIsRefused(String text) {
    assertThatThrownBy(() -> ShootDocument.read(text.getBytes(UTF_8)))
        .isInstanceOf(RefusedFile.class);
  }

  @Test
  void aDocumentNestedWithoutEndIsRefused() {
    String deep = "{\"format\":\"level-ember-shoot\",\"a\":" + "[".repeat(100_000);
    assertThatThrownBy(() -> ShootDocument.read(deep.getBytes(UTF_8)))
        .isInstanceOf(RefusedFile.class);
  }

  @Test
  void aLongLineOfParentsIsReadAndALongRingRefused() {
    StringBuilder line = new StringBuilder("{\"id\": \"g0\"}");
    for (int i = 1; i < 3000; i++) {
      line.append(", {\"id\": \"g")
          .append(i)
          .append("\", \"parent\": \"g")
          .append(i - 1)
          .append("\"}");
    }
    String sound = LEAST.replace("\"pieces\": [", "\"pieces\": [" + line + ",");
    assertThat(ShootDocument.read(sound.getBytes(UTF_8)).pieces()).hasSize(3001);
    String ring = sound.replace("{\"id\": \"g0\"}", "{\"id\": \"g0\", \"parent\": \"g2999\"}");
    assertThatThrownBy(() -> ShootDocument.read(ring.getBytes(UTF_8)))
        .isInstanceOf(ImpossibleValue.class)
        .hasMessageContaining("own line");
  }

  private static Schema schema() throws IOException {
    try (InputStream in = ShootDocument.class.getResourceAsStream("shoot.schema.json")) {
      return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
          .getSchema(new String(in.readAllBytes(), UTF_8));
    }
  }

  @Test
  void theSchemaAgreesWithTheReader() throws IOException {
    Schema schema = schema();
    var json = ShootDocument.JSON;
    assertThat(schema.validate(json.readTree(LEAST))).isEmpty();
    assertThat(schema.validate(ShootDocument.tree(WholeShoot.everything()))).isEmpty();
    for (String[] change :
        new String[][] {
          {"\"radius\": 1", "\"radius\": -1"},
          {"\"radius\": 1", "\"diameter\": 1"},
          {"\"kind\": \"sphere\"", "\"kind\": \"blob\""},
          {"\"id\": \"m\"", "\"id\": \"m\", \"gloom\": 1"},
          {"\"unit\": \"cd\"", "\"unit\": \"horses\""},
          {"\"version\": 2", "\"version\": 9"},
        }) {
      assertThat(schema.validate(json.readTree(LEAST.replace(change[0], change[1]))))
          .as(change[1])
          .isNotEmpty();
    }
  }
}
