package levelember.formats.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.util.LinkedHashSet;
import java.util.Set;
import levelember.document.DocumentField;
import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.document.Triple;
import levelember.document.Variants;
import levelember.shoot.Bounce;
import levelember.shoot.Meter;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Look;
import levelember.shoot.look.Optics;
import levelember.shoot.look.WhiteBalance;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Motion;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Visibility;
import org.junit.jupiter.api.Test;

/** What the records of the document say of their components holds together. */
class RecordFactsTest {
  private static void collect(Class<?> type, Set<Class<?>> to) {
    if (type.isSealed()) {
      Variants.of(type).values().forEach(v -> collect(v, to));
    } else if (type.isRecord() && !Triple.is(type) && to.add(type)) {
      for (DocumentField field : RecordFields.of(type).components()) {
        collect(field.element() == null ? field.type() : field.element(), to);
      }
    }
  }

  @Test
  void everyFieldSaysWhatItIsAndItsUsualValueIsPossible() {
    Set<Class<?>> records = new LinkedHashSet<>();
    collect(Shoot.class, records);
    assertThat(records).hasSizeGreaterThan(60);
    for (Class<?> record : records) {
      for (DocumentField field : RecordFields.of(record).components()) {
        String name = record.getSimpleName() + "." + field.name();
        assertThat(field.inline() || field.facts() != null).as(name).isTrue();
        if (field.inline()) {
          continue;
        }
        assertThat(field.facts().meaning()).as(name).isNotBlank();
        boolean number = field.type() == double.class || field.type() == int.class;
        assertThat(!number || field.facts().max() < Double.POSITIVE_INFINITY).as(name).isTrue();
        String usual = field.facts().defaultValue();
        if (number && !usual.equals(Field.REQUIRED)) {
          Object value =
              field.type() == double.class
                  ? (Object) Double.valueOf(usual)
                  : (Object) Integer.valueOf(usual);
          assertThatCode(() -> field.check(value)).as(name).doesNotThrowAnyException();
        }
      }
    }
  }

  private static <T> T read(String json, Class<T> type) {
    return ShootDocument.read(ShootDocument.JSON.readTree(json), type);
  }

  @Test
  void whatADocumentLeavesOutIsWhatTheModelCallsUntouched() {
    assertThat(read("{}", LightControls.class)).isEqualTo(LightControls.WHOLE);
    assertThat(read("{}", Caustics.class)).isEqualTo(Caustics.AUTOMATIC);
    assertThat(read("{}", Bounce.class)).isEqualTo(Bounce.USUAL);
    assertThat(read("{}", LightColour.class)).isEqualTo(LightColour.NEUTRAL);
    assertThat(read("{}", WhiteBalance.class)).isEqualTo(WhiteBalance.NEUTRAL);
    assertThat(read("{}", Optics.class)).isEqualTo(Optics.NONE);
    assertThat(read("{}", Grade.class)).isEqualTo(Grade.NONE);
    assertThat(read("{}", Maps.class)).isEqualTo(Maps.NONE);
    assertThat(read("{}", Motion.class)).isEqualTo(Motion.NONE);
    assertThat(read("{}", Meter.class)).isEqualTo(Meter.NONE);
    assertThat(read("{}", Scope.class)).isEqualTo(Scope.ALL);
    assertThat(read("{}", Visibility.class)).isEqualTo(Visibility.ALL);
    assertThat(read("{\"id\": \"k\"}", Look.class)).isEqualTo(new Look("k", "k", 0, 0.5, 3));
    Glow glow = read("{\"id\": \"g\"}", Glow.class);
    assertThat(glow.bloom()).isEqualTo(Glow.Bloom.OFF);
    assertThat(glow.starRays()).isEqualTo(Glow.StarRays.OFF);
    assertThat(glow.lensFlare()).isEqualTo(Glow.LensFlare.OFF);
    Material material = read("{\"id\": \"m\"}", Material.class);
    assertThat(material.coat()).isEqualTo(Material.Coat.NONE);
    assertThat(material.sheen()).isEqualTo(Material.Sheen.NONE);
    assertThat(material.glass()).isEqualTo(Material.Glass.NONE);
  }

  @Test
  void glassIsSmoothUnlessItsRoughnessIsSaid() {
    assertThat(read("{\"id\": \"m\", \"transmission\": 1}", Material.class).roughness()).isZero();
    assertThat(read("{\"id\": \"m\"}", Material.class).roughness()).isEqualTo(0.5);
  }
}
