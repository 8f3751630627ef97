package levelember.printing.frame;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicInteger;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import levelember.document.ImpossibleValue;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.exr.TinyExrReader;
import levelember.formats.picture.PngFile;
import levelember.formats.picture.RadianceHdr;
import levelember.integrator.Renderer;
import levelember.look.Development;
import levelember.look.DisplayCurve;
import levelember.photometry.LayerWeights;
import levelember.printing.film.Bands;
import levelember.printing.film.PrintFilm;
import levelember.printing.film.PrintFolder;
import levelember.printing.film.PrintProgress;
import levelember.printing.film.PrintTarget;
import levelember.printing.film.PrintWatch;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintName;
import levelember.printing.order.PrintOrder;
import levelember.printing.order.PrintPass;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.w3c.dom.Node;

class PrintTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Ball",
       "pieces": [{"id": "floor", "shape": {"kind": "floor", "width": 6, "depth": 6}, "material": "m"},
                  {"id": "ball", "position": [0, 0.5, 0], "shape": {"kind": "sphere", "radius": 0.5}, "material": "g"}],
       "materials": [{"id": "m", "roughness": 0.4}, {"id": "g", "transmission": 1, "roughness": 0.1}],
       "lights": [{"id": "key", "name": "Key", "emitter": {"kind": "rectangle", "width": 1, "height": 1},
                   "position": [2, 2, 2], "brightness": {"value": 3000, "unit": "lm"}, "levelStops": -1},
                  {"id": "dome", "name": "Dome", "emitter": {"kind": "dome"}, "seenDirectly": true,
                   "brightness": {"value": 40, "unit": "cd/m2"}, "bank": "b"}],
       "banks": [{"id": "b", "name": "Sky"}],
       "shots": [{"id": "wide", "name": "Wide", "position": [0, 1, 4], "aim": [0, 0.5, 0], "look": "k"}],
       "looks": [{"id": "k", "ev": 7}]}
      """;

  private static final int WIDTH = 40, HEIGHT = 230;

  @TempDir Path folder;

  private static ShootPackage pack() {
    return ShootPackage.read(SHOOT.getBytes(UTF_8));
  }

  private static PrintOrder order(PrintPass... passes) {
    TreeSet<PrintFormat> formats = new TreeSet<>(List.of(PrintFormat.values()));
    return PrintOrder.still("wide", WIDTH, HEIGHT, 10)
        .with(o ->
            o.passes(new TreeSet<>(List.of(passes)))
                .formats(formats)
                .exrDepth(PrintOrder.ExrDepth.FLOAT)
                .pattern("p"));
  }

  /** A print in bands of so many rows. */
  private PrintFilm film(Path at, int rows, PrintOrder order) {
    Shoot shoot = pack().shoot();
    Shot shot = shoot.shots().getFirst().withCutOut(order.cutOut());
    View view = View.of(shoot, shot, pack().files());
    return new PrintFilm(
        view,
        new Bands(WIDTH, HEIGHT, rows),
        PrintPass.components(order.passes()),
        new PrintFolder(at, 1 << 30),
        LayerWeights.of(shoot),
        DisplayCurve.fullScale(shoot.lookOf(shot).ev()));
  }

  /** Stops when it has been asked so many times, which is once for every sample of a tile. */
  private static PrintWatch watch(int stopAfter) {
    return new PrintWatch() {
      private final AtomicInteger asked = new AtomicInteger();

      @Override
      public boolean stop() {
        return asked.incrementAndGet() > stopAfter;
      }

      @Override
      public void traced(Film film, PrintProgress progress) {
        assertThat(progress.done()).isBetween(0.0, 1.0);
        assertThat(progress.factor()).isGreaterThan(1);
      }
    };
  }

  private static void trace(PrintFilm film, PrintTarget target) {
    try (Renderer renderer = new Renderer(2, 64, 1)) {
      assertThat(film.trace(renderer, target, watch(Integer.MAX_VALUE))).isTrue();
    }
  }

  private static float[] picture(PrintFilm film) {
    Film whole = film.rows(0, HEIGHT);
    return LayerMix.picture(whole, LayerWeights.of(pack().shoot())).rgb();
  }

  @ParameterizedTest
  @CsvSource({"10, 0", "200, 0.015"})
  void bandsAndStopsDoNotChangeABit(int samples, double noise) {
    PrintTarget target = new PrintTarget(samples, noise, 0);
    PrintFilm whole = film(folder.resolve("a"), HEIGHT, order());
    trace(whole, target);
    PrintFilm banded = film(folder.resolve("b"), 96, order());
    trace(banded, target);
    assertThat(picture(banded)).isEqualTo(picture(whole));
    // Stopped again and again, in the middle of rounds, and gone on with by an object that knows
    // the folder alone.
    boolean done = false;
    int times = 0;
    try (Renderer renderer = new Renderer(2, 64, 1)) {
      for (; !done && times < 500; times++) {
        done =
            film(folder.resolve("c"), 96, order()).trace(renderer, target, watch(20 + times % 7));
      }
    }
    assertThat(done).isTrue();
    assertThat(times).isGreaterThan(2);
    assertThat(picture(film(folder.resolve("c"), 96, order()))).isEqualTo(picture(whole));
    if (noise > 0) {
      assertThat(whole.noise()).isLessThanOrEqualTo(noise);
      assertThat(whole.samples()).isBetween(9.0, 199.0);
    }
  }

  @Test
  void aPrintIsTracedFurtherFromWhatItHas() {
    PrintFilm film = film(folder, HEIGHT, order());
    trace(film, new PrintTarget(4, 0, 0));
    long before = film.rays().all();
    PrintFilm further = film(folder, HEIGHT, order());
    trace(further, new PrintTarget(10, 0, 0));
    assertThat(further.rays().all()).isBetween(before, 2 * before);
    PrintFilm straight = film(folder.resolve("other"), HEIGHT, order());
    trace(straight, new PrintTarget(10, 0, 0));
    assertThat(picture(further)).isEqualTo(picture(straight));
  }

  private List<Path> written(PrintFilm film, PrintOrder order) throws Exception {
    Shoot shoot = pack().shoot();
    return new PrintFiles(
            film,
            shoot,
            shoot.looks().getFirst(),
            pack().files().luts(),
            order,
            LayerWeights.of(shoot),
            Map.of("shoot", "Ball", "samples", "10"))
        .write(folder.resolve("out/p"));
  }

  private static void sum(SortedMap<String, float[]> exr, String whole, List<String> parts) {
    for (String c : List.of("R", "G", "B")) {
      float[] all = exr.get(whole.isEmpty() ? c : whole + "." + c);
      for (int i = 0; i < all.length; i++) {
        double sum = 0;
        for (String part : parts) {
          sum += exr.get(part + "." + c)[i];
        }
        assertThat(sum)
            .as(parts + " " + c + " " + i)
            .isCloseTo(all[i], within(1e-4 + 1e-5 * all[i]));
      }
    }
  }

  /** Every pass, by bands, read by another reader; documented sums hold to float rounding. */
  @ParameterizedTest
  @CsvSource({"false, false", "true, false", "false, true"})
  void passesAddUpInAReaderThatIsNotOurs(boolean denoise, boolean cutOut) throws Exception {
    PrintOrder order = order(PrintPass.values()).with(o -> o.denoise(denoise).cutOut(cutOut));
    PrintFilm film = film(folder.resolve("films"), 96, order);
    trace(film, order.target());
    written(film, order);
    SortedMap<String, float[]> exr = TinyExrReader.read(folder.resolve("out/p.exr"));
    sum(exr, "", List.of("Key", "Dome"));
    sum(exr, "", List.of("bank.Sky", "bank.none"));
    List<String> components =
        EnumSet.allOf(PrintPass.class).stream()
            .filter(p -> p.component() != null)
            .map(PrintPass::layer)
            .toList();
    sum(exr, denoise ? "traced" : "", components);
    int middle = HEIGHT / 2 * WIDTH + WIDTH / 2, top = WIDTH / 2;
    assertThat(exr.get("depth.Z")[middle]).isCloseTo(3.5f, within(0.1f));
    assertThat(exr.get("normal.Z")[middle]).isCloseTo(1f, within(0.1f));
    assertThat(exr.get("position.Z")[middle]).isCloseTo(0.5f, within(0.05f));
    assertThat(exr.get("piece_id00.R")[middle])
        .isEqualTo(Float.intBitsToFloat(IdMatte.bits("ball")));
    assertThat(exr.get("piece_id00.G")[middle]).isEqualTo(1);
    assertThat(exr.get("depth.Z")[top]).isZero();
    assertThat(exr.get("piece_id00.G")[top]).isZero();
    assertThat(exr.get("ambient_occlusion.Y")[top]).isEqualTo(1);
    assertThat(exr.containsKey("A")).isEqualTo(cutOut);
    if (cutOut) {
      assertThat(exr.get("A")[top]).isZero();
      assertThat(exr.get("A")[middle]).isEqualTo(1);
    }
    String head = new String(Files.readAllBytes(folder.resolve("out/p.exr")), 0, 8000, UTF_8);
    assertThat(head).contains("\"ball\":\"").contains("samples").contains("MurmurHash3_32");
  }

  /** At an edge the shares of the pieces of a pixel and of what lies behind make a whole. */
  @Test
  void idsTellHowMuchOfAPixelEachPieceFills() throws Exception {
    PrintOrder order = order(PrintPass.PIECE_IDS, PrintPass.MATERIAL_IDS);
    PrintFilm film = film(folder.resolve("films"), HEIGHT, order);
    trace(film, new PrintTarget(1, 0, 0));
    written(film, order);
    SortedMap<String, float[]> exr = TinyExrReader.read(folder.resolve("out/p.exr"));
    int edges = 0;
    for (int i = 0; i < WIDTH * HEIGHT; i++) {
      float first = exr.get("piece_id00.G")[i], second = exr.get("piece_id00.A")[i];
      assertThat(first).isGreaterThanOrEqualTo(second);
      assertThat(first + second).isLessThanOrEqualTo(1);
      edges += second > 0 ? 1 : 0;
      assertThat(exr.get("material_id00.G")[i]).isEqualTo(first);
    }
    assertThat(edges).isBetween(20, 400);
  }

  @Test
  void hashesAreThoseOfThePublishedFunction() {
    assertThat(IdMatte.murmur("")).isZero();
    assertThat(IdMatte.murmur("hello")).isEqualTo(0x248BFA47);
    assertThat(IdMatte.murmur("hello, world")).isEqualTo(0x149BBB7F);
    assertThat(IdMatte.murmur("The quick brown fox jumps over the lazy dog")).isEqualTo(0x2E4FF723);
  }

  @Test
  void everyFormatHoldsThePicture() throws Exception {
    PrintOrder order = order();
    PrintFilm film = film(folder.resolve("films"), 96, order);
    trace(film, order.target());
    List<Path> files = written(film, order);
    assertThat(files.stream().map(f -> f.getFileName().toString()))
        .containsExactlyInAnyOrder("p.png", "p-16.png", "p.jpg", "p.tif", "p.exr", "p.hdr");
    Picture whole = new Picture(WIDTH, HEIGHT, picture(film));
    Development look = new Development(pack().shoot().looks().getFirst());
    byte[] png = Files.readAllBytes(folder.resolve("out/p.png"));
    BufferedImage expected = ImageIO.read(new ByteArrayInputStream(PngFile.write(whole, look, 8)));
    BufferedImage eight = ImageIO.read(new ByteArrayInputStream(png));
    BufferedImage tiff = ImageIO.read(folder.resolve("out/p.tif").toFile());
    BufferedImage deep = ImageIO.read(folder.resolve("out/p-16.png").toFile());
    BufferedImage jpeg = ImageIO.read(folder.resolve("out/p.jpg").toFile());
    double apart = 0;
    for (int y = 0; y < HEIGHT; y++) {
      for (int x = 0; x < WIDTH; x++) {
        assertThat(eight.getRGB(x, y)).isEqualTo(expected.getRGB(x, y));
        for (int k = 0; k < 3; k++) {
          int fine = deep.getRaster().getSample(x, y, k);
          assertThat(tiff.getRaster().getSample(x, y, k)).isEqualTo(fine);
          assertThat(fine / 257.0).isCloseTo(eight.getRGB(x, y) >> 16 - 8 * k & 255, within(1.0));
        }
        apart += Math.abs((jpeg.getRGB(x, y) >> 8 & 255) - (eight.getRGB(x, y) >> 8 & 255));
      }
    }
    assertThat(apart / WIDTH / HEIGHT).isLessThan(4);
    assertThat(chunks(png)).contains("sRGB").contains("shoot");
    assertThat(Files.readString(folder.resolve("out/p.hdr"), ISO_8859_1))
        .startsWith("#?RADIANCE\n# ")
        .contains("# shoot: ");
    assertThat(RadianceHdr.read(Files.readAllBytes(folder.resolve("out/p.hdr"))).width())
        .isEqualTo(WIDTH);
    assertThat(Files.readString(folder.resolve("out/p.jpg"), ISO_8859_1)).contains("shoot: ");
  }

  /** What the PNG says besides its pixels. */
  private static String chunks(byte[] png) throws Exception {
    ImageReader reader = ImageIO.getImageReadersByFormatName("png").next();
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(png))) {
      reader.setInput(in);
      Node root = reader.getImageMetadata(0).getAsTree("javax_imageio_png_1.0");
      StringBuilder to = new StringBuilder();
      for (Node n = root.getFirstChild(); n != null; n = n.getNextSibling()) {
        to.append(n.getNodeName()).append(' ');
        for (Node e = n.getFirstChild(); e != null; e = e.getNextSibling()) {
          to.append(e.getAttributes().getNamedItem("keyword").getNodeValue()).append(' ');
        }
      }
      return to.toString();
    } finally {
      reader.dispose();
    }
  }

  private static final PrintName.Values VALUES =
      new PrintName.Values(
          "Tide lens", "Lens, close", "Dusk", 3840, 2160, LocalDateTime.of(2026, 3, 4, 15, 6), 12);

  @ParameterizedTest
  @CsvSource({
    "'{shoot}/{shot}-{width}x{height}', tide-lens/lens-close-3840x2160",
    "'{date}_{time}-{look}-{job}', 2026-03-04_1506-dusk-12"
  })
  void patternsAreFilledIn(String pattern, String name) {
    assertThat(PrintName.in(folder, pattern, VALUES)).isEqualTo(folder.resolve(name));
  }

  @ParameterizedTest
  @CsvSource({
    "../{shot}",
    "/etc/{shot}",
    "'{shoot}/../../x'",
    "'{colour}'",
    "'a:b'",
    "'x/'",
    "'.'"
  })
  void patternsThatLeaveTheFolderOrAreNoNamesAreRefused(String pattern) {
    assertThatThrownBy(() -> PrintName.in(folder, pattern, VALUES))
        .isInstanceOf(ImpossibleValue.class);
  }

  @Test
  void aFilmThatWasHarmedIsNotGoneOnWith() throws Exception {
    PrintFilm film = film(folder, HEIGHT, order());
    trace(film, new PrintTarget(2, 0, 0));
    Path kept = folder.resolve("film-0.bin");
    byte[] bytes = Files.readAllBytes(kept);
    bytes[bytes.length / 2] ^= 4;
    Files.write(kept, bytes);
    try (Renderer renderer = new Renderer(1, 64, 1)) {
      assertThatThrownBy(() ->
              film(folder, HEIGHT, order()).trace(renderer, new PrintTarget(3, 0, 0), watch(9)))
          .hasMessageContaining("harmed");
    }
  }
}
