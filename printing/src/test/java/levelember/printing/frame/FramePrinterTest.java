package levelember.printing.frame;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeSet;
import javax.imageio.ImageIO;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.printing.film.FilmStore;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FramePrinterTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Ball",
       "pieces": [{"id": "floor", "shape": {"kind": "floor", "width": 6, "depth": 6}, "material": "m"},
                  {"id": "ball", "position": [0, 0.5, 0], "shape": {"kind": "sphere", "radius": 0.5}, "material": "m"}],
       "materials": [{"id": "m", "roughness": 0.4}],
       "lights": [{"id": "key", "emitter": {"kind": "rectangle", "width": 1, "height": 1},
                   "position": [2, 2, 2], "brightness": {"value": 3000, "unit": "lm"}}],
       "shots": [{"id": "wide", "position": [0, 1, 4], "aim": [0, 0.5, 0], "look": "k"}],
       "looks": [{"id": "k", "ev": 7}],
       "motion": {"framesPerSecond": 1, "tracks": [
         {"place": "lights/key/levelStops", "keys": [
           {"seconds": 0, "value": 0}, {"seconds": 2, "value": -2}]}]}}
      """;

  private final ShootPackage pack = ShootPackage.read(SHOOT.getBytes(UTF_8));
  private final Renderer renderer = new Renderer(2, Renderer.USUAL_BOUNCES, 1);
  @TempDir Path folder;

  @AfterEach
  void close() {
    renderer.close();
  }

  private static PrintOrder order(boolean denoise) {
    return PrintOrder.still("wide", 48, 32, 4)
        .with(o -> o.denoise(denoise).formats(new TreeSet<>(List.of(PrintFormat.PNG))));
  }

  private FramePrinter printer() {
    return new FramePrinter(pack.files(), 1 << 30, FramePrinterTest.class);
  }

  private FramePrinter.PrintedFrame printed(FramePrinter by, int frame, boolean denoise) {
    return by.print(
        FramePrinter.Frame.of(pack.shoot(), frame, order(denoise)),
        order(denoise),
        (bands, kept) -> FilmStore.NONE,
        film -> film.trace(renderer, order(denoise).target(), () -> false));
  }

  @Test
  void aFrameAfterOthersHasTheBitsOfOneByItself() throws IOException {
    FramePrinter one = printer();
    printed(one, 0, true).write(folder.resolve("a"));
    FramePrinter.PrintedFrame second = printed(one, 1, true);
    assertThat(second.made().rays().all()).as("rays for another level").isZero();
    Path after = second.write(folder.resolve("b")).getFirst();
    Path alone = printed(printer(), 1, true).write(folder.resolve("c")).getFirst();
    assertThat(codes(after)).isEqualTo(codes(alone));
  }

  private static int[] codes(Path file) throws IOException {
    return ImageIO.read(file.toFile()).getRGB(0, 0, 48, 32, null, 0, 48);
  }

  @Test
  void framesAreMeasuredWhereTheyAreDenoised() throws IOException {
    FramePrinter one = printer();
    one.measureWith(new SequenceFilter(pack.shoot(), "wide"), false);
    FramePrinter.PrintedFrame printed = printed(one, 1, true);
    assertThat(printed.light()).as("before files are written").isNull();
    printed.write(folder.resolve("a"));
    assertThat(printed.light().frame()).isEqualTo(1);
    FramePrinter.PrintedFrame noisy = printed(one, 0, false);
    noisy.write(folder.resolve("b"));
    assertThat(noisy.light()).isNull();
  }

  @Test
  void aFrameIsOfItsTimeAndKnowsTheOneAfterIt() {
    FramePrinter.Frame frame = FramePrinter.Frame.of(pack.shoot(), 1, order(false));
    assertThat(frame.shoot().lights().getFirst().levelStops()).isEqualTo(-1);
    assertThat(frame.next().lights().getFirst().levelStops()).isEqualTo(-2);
    Shoot still = pack.shoot();
    FramePrinter.Frame rest = FramePrinter.Frame.still(still, still.shots().getFirst());
    assertThat(rest.next()).isNull();
    assertThat(rest.moments()).isEmpty();
  }
}
