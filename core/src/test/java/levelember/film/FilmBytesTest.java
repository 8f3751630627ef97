package levelember.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.zip.CRC32;
import java.util.zip.CheckedOutputStream;
import levelember.Sets;
import levelember.integrator.Renderer;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Visibility;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Films as bytes, films brought together, and the components of their layers. */
class FilmBytesTest {
  private static final long ROOM = 1 << 26;
  private final View view = view();

  private static View view() {
    Sets sets =
        Sets.white(0.7)
            .material(
                Material.glossy("gloss", "Gloss", new Rgb(0.6, 0.3, 0.1), 0.3, 1.6)
                    .with(new Material.Sheen(Rgb.grey(0.5), 0.4)))
            .material(Material.glass("glass", "Glass", 1.5, Rgb.grey(0.9), 1))
            .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
            .piece("block", new Shape.Box(0.5, 0.5, 0.5, 0), "gloss", new Vec3(-0.5, 0, 0))
            .piece("ball", new Shape.Sphere(0.25), "glass", new Vec3(0.3, 0.25, 0.3))
            .piece("lamp", new Shape.Box(0.2, 0.2, 0.2, 0), "lamp", new Vec3(0.6, 0.4, -0.6))
            .light(
                Sets.light(
                        "panel",
                        new Emitter.Rectangle(0.8, 0.6, false),
                        new Vec3(0.4, 1.6, 0.6),
                        Vec3.ZERO,
                        20,
                        Unit.NIT)
                    .withControls(LightControls.WHOLE.withCaustics(Caustics.CAST)))
            .piece("slab", new Shape.Box(1, 0.02, 1, 0), "white", new Vec3(0, 0.005, 0.6))
            .light(
                Sets.light("glow", new Emitter.Emissive("lamp"), Vec3.ZERO, Vec3.UP, 3, Unit.NIT))
            .light(Sets.dome(0.2));
    Visibility catcher = new Visibility(true, true, true, true, true, true);
    sets.piece(
        new Piece(
            "floor",
            "Floor",
            null,
            Vec3.ZERO,
            Vec3.ZERO,
            Vec3.ONE,
            new Shape.Floor(3, 3),
            "white",
            null,
            catcher,
            true));
    Shoot shoot = sets.seen(new Vec3(0, 1, 3), new Vec3(0, 0.2, 0), 2).cutOut().shoot();
    return View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
  }

  private Film film() {
    return new Film(70, 40, view.layers());
  }

  private void trace(Film film, int samples) {
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
  }

  /**
   * A film in a form of before: without seen emission, and in the older one without light over
   * gloss and with eight values of guides a pixel.
   */
  private static byte[] writtenBefore(Film film, boolean older) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    CheckedOutputStream checked = new CheckedOutputStream(bytes, new CRC32());
    DataOutputStream to = new DataOutputStream(checked);
    int magic = older ? 0x45464C32 : 0x45464C33;
    int[] head = {magic, film.width(), film.height(), 1, 0, film.height(), film.layers(), 0};
    for (int v : head) {
      to.writeInt(v);
    }
    for (int k = 0; k < film.layers(); k++) {
      for (int tile = 0; tile < film.tiles(); tile++) {
        to.writeInt(film.samples(k, tile));
      }
      write(film.sums(k), to);
      write(film.even(k), to);
      to.writeInt(film.caught(k) == null ? 0 : 1);
      write(film.caught(k), to);
      if (!older) {
        write(film.gloss().softened(k), to);
        write(film.gloss().leftOut(k), to);
      }
    }
    for (int tile = 0; tile < film.tiles(); tile++) {
      to.writeInt(film.guides().samples(tile));
    }
    float[] guides = film.guides().sums();
    for (int at = 0; at < guides.length; at += FeatureBuffer.VALUES) {
      write(Arrays.copyOfRange(guides, at, at + (older ? 8 : FeatureBuffer.VALUES)), to);
    }
    to.writeInt(film.guides().covers() == null ? 0 : 1);
    write(film.guides().covers(), to);
    to.writeInt((int) checked.getChecksum().getValue());
    return bytes.toByteArray();
  }

  private static void write(float[] values, DataOutputStream to) throws IOException {
    for (int i = 0; values != null && i < values.length; i++) {
      to.writeFloat(values[i]);
    }
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void aFilmInTheFormOfBeforeIsReadAndTracedFurther(boolean older) throws IOException {
    Film film = film();
    trace(film, 2);
    Film again = read(writtenBefore(film, older));
    trace(film, 3);
    trace(again, 3);
    for (int k = 0; k < film.layers(); k++) {
      assertThat(again.sums(k)).containsExactly(film.sums(k));
      assertThat(again.even(k)).containsExactly(film.even(k));
      if (film.caught(k) != null) {
        assertThat(again.caught(k)).containsExactly(film.caught(k));
      }
    }
    assertThat(again.guides().covers()).containsExactly(film.guides().covers());
    for (int at = 0; at < film.guides().sums().length; at += FeatureBuffer.VALUES) {
      for (int v = 0; v < 8; v++) {
        assertThat(again.guides().sums()[at + v]).isEqualTo(film.guides().sums()[at + v]);
      }
    }
  }

  private static byte[] written(Film film) {
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    FilmBytes.write(film, (bytes, count) -> to.write(bytes, 0, count));
    return to.toByteArray();
  }

  private static Film read(byte[] bytes) {
    return read(bytes, ROOM);
  }

  private static Film read(byte[] bytes, long room) {
    ByteArrayInputStream from = new ByteArrayInputStream(bytes);
    return FilmBytes.read((to, count) -> from.readNBytes(to, 0, count) == count, room);
  }

  private static void same(Film a, Film b) {
    assertThat(Arrays.equals(written(a), written(b))).isTrue();
  }

  @Test
  void aFilmReadBackIsResumedWithTheBitsOfOneMadeInOneGo() {
    for (Film begun : List.of(film(), film().keeping(EnumSet.allOf(Component.class)))) {
      Film whole = begun.keepsComponents() ? begun.keeping(begun.components()) : film();
      trace(whole, 5);
      trace(begun, 2);
      Film back = read(written(begun));
      same(back, begun);
      trace(back, 5);
      same(back, whole);
      assertThat(back.samples()).isEqualTo(5);
    }
  }

  /** Guides of before have eight values a pixel, and count as those in which nothing varies. */
  @Test
  void guidesWithoutSquaresAreThoseOfPixelsInWhichNothingVaries() {
    float[] old = {3, 1.5f, 0, 0, 0, 3, 0.6f, 3, 0, 0, 0, 0, 0, 0, 0, 0};
    float[] now = FeatureBuffer.withSquares(old);
    assertThat(now).hasSize(2 * FeatureBuffer.VALUES);
    assertThat(now).startsWith(3, 1.5f, 0, 0, 0, 3, 0.6f, 3, 3, 0.75f, 0, 0, 0, 3);
    for (int k = 0; k < FeatureBuffer.COUNT; k++) {
      float mean = now[k] / 3;
      assertThat(now[FeatureBuffer.COUNT + 1 + k] / 3 - mean * mean).isCloseTo(0, within(1e-6f));
      assertThat(now[FeatureBuffer.VALUES + k]).isZero();
    }
  }

  @Test
  void aHarmedFilmIsRefused() {
    Film film = film();
    trace(film, 1);
    byte[] bytes = written(film);
    byte[] other = bytes.clone();
    other[bytes.length / 2] ^= 1;
    assertThatThrownBy(() -> read(other)).isInstanceOf(FilmBytes.Damaged.class);
    assertThatThrownBy(() -> read(Arrays.copyOf(bytes, bytes.length - 9)))
        .isInstanceOf(FilmBytes.Damaged.class)
        .hasMessageContaining("cut short");
    assertThatThrownBy(() -> read(new byte[64])).hasMessageContaining("no film");
    byte[] huge = bytes.clone();
    huge[5] = 0x40;
    assertThatThrownBy(() -> read(huge)).isInstanceOf(FilmBytes.Damaged.class);
    assertThatThrownBy(() -> read(bytes, 1000)).hasMessageContaining("more than 1000");
  }

  @Test
  void tilesTracedApartComeTogetherToTheBitsOfOneFilm() {
    Film whole = film(), some = film(), others = film();
    trace(whole, 3);
    trace(some, 3);
    trace(others, 3);
    // Of each film every other tile is thrown away.
    Film empty = film();
    for (int tile = 0; tile < whole.tiles(); tile++) {
      for (int k = 0; k < whole.layers(); k++) {
        (tile % 2 == 0 ? some : others).take(empty, k, tile);
      }
      (tile % 2 == 0 ? some : others).guides().take(empty.guides(), tile, empty.grid());
    }
    assertThat(some.samples()).isZero();
    FilmMerge.take(others, some);
    for (int k = 0; k < whole.layers(); k++) {
      assertThat(some.sums(k)).containsExactly(whole.sums(k));
      assertThat(some.even(k)).containsExactly(whole.even(k));
    }
    assertThat(some.guides().sums()).containsExactly(whole.guides().sums());
    assertThatThrownBy(() -> FilmMerge.take(new Film(3, 3, 1), some))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void componentsAddUpToTheWhole() {
    Film film = film().keeping(EnumSet.allOf(Component.class));
    trace(film, 8);
    double[] totals = new double[Component.values().length];
    for (int k = 0; k < film.layers(); k++) {
      float[] whole = film.sums(k);
      for (int i = 0; i < whole.length; i++) {
        double sum = 0, size = 0;
        for (Component c : Component.values()) {
          sum += film.sums(k, c)[i];
          size += Math.abs(film.sums(k, c)[i]);
          totals[c.ordinal()] += Math.abs(film.sums(k, c)[i]);
        }
        assertThat(sum).isCloseTo(whole[i], within(2e-6 * size + 1e-7));
      }
    }
    for (Component c : Component.values()) {
      // A cut out picture takes its catchers' shadows into its alpha.
      assertThat(totals[c.ordinal()] > 0).as(c.name()).isEqualTo(c != Component.CAUGHT_SHADOW);
    }
  }

  @Test
  void keepingComponentsChangesNoBitOfTheWhole() {
    Film plain = film(), split = film().keeping(EnumSet.of(Component.SPECULAR_DIRECT));
    trace(plain, 3);
    trace(split, 3);
    for (int k = 0; k < plain.layers(); k++) {
      assertThat(split.sums(k)).containsExactly(plain.sums(k));
    }
    assertThat(split.sums(0, Component.EMISSION)).isNull();
    assertThat(split.bytes()).isGreaterThan(plain.bytes());
  }
}
