package levelember.cli;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import levelember.demo.DemoModels;
import levelember.film.Film;
import levelember.film.FirstHits;
import levelember.film.LayerMix;
import levelember.firsthit.FirstHitTracer;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.grade.CdlFile;
import levelember.formats.grade.CubeFile;
import levelember.formats.picture.OpenExr;
import levelember.formats.picture.PictureFile;
import levelember.formats.picture.PngFile;
import levelember.integrator.Renderer;
import levelember.look.Development;
import levelember.look.LookInputsMaker;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.look.ContactShade;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;
import levelember.shoot.look.Optics;
import levelember.shoot.look.Tone;
import levelember.texture.Picture;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class RenderCommandTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Ball",
       "pieces": [{"id": "floor", "shape": {"kind": "floor", "width": 6, "depth": 6}, "material": "m"},
                  {"id": "ball", "position": [0, 0.5, 0], "shape": {"kind": "sphere", "radius": 0.5}, "material": "m"}],
       "materials": [{"id": "m", "specular": 0}],
       "lights": [{"id": "key", "name": "Key", "emitter": {"kind": "rectangle", "width": 1, "height": 1},
                   "position": [2, 2, 2], "brightness": {"value": 3000, "unit": "lm"}},
                  {"id": "dome", "name": "Dome", "emitter": {"kind": "dome"}, "seenDirectly": true,
                   "brightness": {"value": 40, "unit": "cd/m2"}}],
       "shots": [{"id": "wide", "name": "Wide", "position": [0, 1, 4], "aim": [0, 0.5, 0], "look": "k"},
                 {"id": "top", "name": "From above", "position": [0, 5, 0.1], "look": "k"}],
       "looks": [{"id": "k", "ev": 7}]}
      """;

  private static final String SAIL = new String(DemoModels.sail(), UTF_8);

  @TempDir Path folder;
  private final StringWriter err = new StringWriter();
  private final StringWriter said = new StringWriter();
  private Path shoot;

  @BeforeEach
  void write() throws Exception {
    shoot = folder.resolve("ball.json");
    Files.writeString(shoot, SHOOT);
  }

  private int ember(String... args) {
    var line = Main.line();
    line.setErr(new PrintWriter(err, true));
    line.setOut(new PrintWriter(said, true));
    return line.execute(args);
  }

  private Path render(String name, String... more) {
    return rendered("48x32", name, more);
  }

  private Path rendered(String size, String name, String... more) {
    Path out = folder.resolve(name);
    String[] args = {
      "render", shoot.toString(), "--size", size, "--samples", "2", "--out", out.toString()
    };
    String[] all = java.util.Arrays.copyOf(args, args.length + more.length);
    System.arraycopy(more, 0, all, args.length, more.length);
    assertThat(ember(all)).as(err.toString()).isZero();
    return out;
  }

  private static final String MOVES =
      """
      "motion": {"framesPerSecond": 10, "firstFrame": 5, "lastFrame": 6, "tracks": [
        {"place": "lights/dome/levelStops", "keys": [
          {"seconds": 0, "value": 0}, {"seconds": 1, "value": -2}]},
        {"place": "shots/wide/position", "keys": [
          {"seconds": 0, "value": [0, 1, 4]}, {"seconds": 1, "value": [1, 1, 4]}]}]},
      """;

  @Test
  void framesAreTheShootAsItsKeysHaveItAtTheirTimes() throws Exception {
    Path rest = render("rest.png");
    Files.writeString(shoot, SHOOT.replaceFirst("\\{", "{" + MOVES));
    render("f{frame}.png", "--frames", "all");
    int[] clay = pixels(render("clay.png", "--frames", "5", "--clay", "0.4"));
    assertThat(folder.resolve("f0005.png")).exists();
    assertThat(folder.resolve("f0006.png")).exists();
    assertThat(Files.readAllBytes(render("still.png"))).isEqualTo(Files.readAllBytes(rest));
    assertThat(Files.readAllBytes(render("first.png", "--frames", "0")))
        .isEqualTo(Files.readAllBytes(rest));
    // Half a second on: a stop less, and half a metre to the side.
    String there =
        SHOOT
            .replace("\"seenDirectly\": true,", "\"seenDirectly\": true, \"levelStops\": -1,")
            .replace("\"position\": [0, 1, 4]", "\"position\": [0.5, 1, 4]");
    assertThat(there).isNotEqualTo(SHOOT);
    Files.writeString(shoot, there);
    assertThat(Files.readAllBytes(render("there.png")))
        .isEqualTo(Files.readAllBytes(folder.resolve("f0005.png")));
    assertThat(pixels(render("there-clay.png", "--clay", "0.4"))).isEqualTo(clay);
  }

  private static int[] pixels(Path png) throws Exception {
    BufferedImage image = ImageIO.read(png.toFile());
    return image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
  }

  private static final String LEVELS =
      """
      "motion": {"framesPerSecond": 10, "tracks": [
        {"place": "lights/dome/levelStops", "keys": [
          {"seconds": 0, "value": 0}, {"seconds": 1, "value": -2}]}]},
      """;

  @Test
  void framesThatDifferInLevelsAloneAreNotTracedAgain() throws Exception {
    Files.writeString(shoot, SHOOT.replaceFirst("\\{", "{" + LEVELS));
    Path stats = folder.resolve("stats.json");
    render("g{frame}.png", "--frames", "1-3", "--stats", stats.toString());
    JsonNode figures = JsonMapper.shared().readTree(Files.readString(stats));
    assertThat(figures.get(0).get("rays").longValue()).isPositive();
    assertThat(figures.get(1).get("rays").longValue()).isZero();
    assertThat(figures.get(2).get("rays").longValue()).isZero();
    // The noise that is said of it is that of the frame that was traced.
    int[] third = pixels(folder.resolve("g0003.png"));
    assertThat(third).isNotEqualTo(pixels(folder.resolve("g0001.png")));
    assertThat(pixels(render("alone.png", "--frames", "3"))).isEqualTo(third);
  }

  @Test
  void framesMakeAFilm() throws Exception {
    Files.writeString(shoot, SHOOT.replaceFirst("\\{", "{" + LEVELS));
    Path film = render("film.gif", "--frames", "1-3");
    javax.imageio.ImageReader reader = ImageIO.getImageReadersByFormatName("gif").next();
    try (var in = ImageIO.createImageInputStream(film.toFile())) {
      reader.setInput(in);
      assertThat(reader.getNumImages(true)).isEqualTo(3);
    }
    assertThat(Files.size(render("film.mp4", "--frames", "1-3"))).isPositive();
    assertThat(ember("render", shoot.toString(), "--out", folder.resolve("a.mp4").toString()))
        .isEqualTo(2);
    assertThat(err.toString()).contains("a film needs --frames");
  }

  @Test
  void framesThatCannotBeAreSaidBeforeWork() throws Exception {
    Files.writeString(shoot, SHOOT.replaceFirst("\\{", "{" + MOVES));
    String out = folder.resolve("f.png").toString();
    for (String frames : new String[] {"x", "3-1", "1-100001", "1-2"}) {
      assertThat(ember("render", shoot.toString(), "--frames", frames, "--out", out)).isEqualTo(2);
    }
    assertThat(err.toString())
        .contains("--frames is x; wanted: A-B as 1-72, one frame, or all")
        .contains("--frames is 3-1; wanted: from 1 to 100000 of them")
        .contains("of several frames --out needs {frame} in it");
    assertThat(folder.resolve("f.png")).doesNotExist();
  }

  @Test
  void theLayersOfAnExrAddUpToThePicture() throws Exception {
    OpenExr.Channels exr = OpenExr.read(Files.readAllBytes(render("a.exr", "--layers")));
    assertThat(exr.channels())
        .containsOnlyKeys("R", "G", "B", "Key.R", "Key.G", "Key.B", "Dome.R", "Dome.G", "Dome.B");
    for (String c : new String[] {"R", "G", "B"}) {
      for (int i = 0; i < 48 * 32; i++) {
        float sum = exr.channels().get("Key." + c)[i] + exr.channels().get("Dome." + c)[i];
        float whole = exr.channels().get(c)[i];
        assertThat(whole).isCloseTo(sum, within(1e-5f * (1 + whole)));
      }
    }
  }

  @Test
  void aShotThatIsCutOutIsWrittenWithAlpha() throws Exception {
    Files.writeString(
        shoot,
        SHOOT
            .replace("\"look\": \"k\"}", "\"look\": \"k\", \"cutOut\": true}")
            .replace(
                "\"id\": \"floor\",",
                "\"id\": \"floor\", \"visibility\": {\"shadowCatcher\": true},"));
    OpenExr.Channels exr = OpenExr.read(Files.readAllBytes(render("a.exr", "--layers")));
    float[] alpha = exr.channels().get("A");
    int nothing = 0, whole = 0, shade = 0;
    for (int i = 0; i < alpha.length; i++) {
      nothing += alpha[i] == 0 ? 1 : 0;
      whole += alpha[i] == 1 ? 1 : 0;
      if (alpha[i] > 0.02 && alpha[i] < 0.9 && exr.channels().get("G")[i] == 0) {
        shade++;
      }
    }
    assertThat(nothing).isGreaterThan(300);
    assertThat(whole).isGreaterThan(100);
    assertThat(shade).isGreaterThan(30);
    float[] bands =
        OpenExr.read(Files.readAllBytes(render("b.exr", "--memory", "0.03"))).channels().get("A");
    assertThat(bands).containsExactly(alpha);
    var png = ImageIO.read(render("c.png").toFile());
    for (int i = 0; i < alpha.length; i++) {
      int code = png.getRGB(i % 48, i / 48) >>> 24;
      assertThat(code / 255.0).isGreaterThan(alpha[i] - 0.003);
    }
  }

  private static int[] codes(byte[] png) throws IOException {
    BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
    return image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
  }

  @Test
  void filesSayWhatTheyAreOf() throws Exception {
    String png = new String(Files.readAllBytes(render("a.png", "--seed", "7")), ISO_8859_1);
    assertThat(png).contains("Shoot", "Ball", "Samples", "Seed", "Level Ember");
    String hdr = new String(Files.readAllBytes(render("a.hdr", "--seed", "7")), ISO_8859_1);
    assertThat(hdr).contains("# Shoot: Ball", "# Seed: 7");
  }

  @Test
  void oneLightAloneIsItsLayer() throws Exception {
    OpenExr.Channels all = OpenExr.read(Files.readAllBytes(render("a.exr", "--layers")));
    Path stats = folder.resolve("solo.json");
    Path file = render("b.exr", "--solo", "Key", "--stats", stats.toString());
    OpenExr.Channels key = OpenExr.read(Files.readAllBytes(file));
    assertThat(key.layer("").rgb()).containsExactly(all.layer("Key").rgb());
    JsonNode said = JsonMapper.shared().readTree(Files.readAllBytes(stats));
    assertThat(said.get("layers").intValue()).as("no other light is traced").isOne();
    assertThat(said.get("overGlossPercent").propertyNames()).containsExactly("Key");
  }

  @Test
  void goesOnUntilTheNoiseAskedForIsReached() throws Exception {
    Path stats = folder.resolve("noise.json");
    String out = folder.resolve("n.png").toString();
    String[] wanted = {"--noise", "6", "--samples", "4000", "--size", "48x32"};
    String[] files = {"render", shoot.toString(), "--stats", stats.toString(), "--out", out};
    assertThat(ember(Stream.of(files, wanted).flatMap(Stream::of).toArray(String[]::new))).isZero();
    JsonNode said = JsonMapper.shared().readTree(Files.readAllBytes(stats));
    assertThat(said.get("noisePercent").doubleValue()).isLessThanOrEqualTo(6);
    assertThat(said.get("samples").doubleValue()).isBetween(8.0, 3000.0);
  }

  @Test
  void threadsDoNotChangeABitAndTheSeedDoes() throws Exception {
    byte[] one = Files.readAllBytes(render("a.exr", "--threads", "1"));
    assertThat(Files.readAllBytes(render("b.exr", "--threads", "3"))).isEqualTo(one);
    assertThat(Files.readAllBytes(render("c.exr", "--seed", "2"))).isNotEqualTo(one);
  }

  @Test
  void aPngIsWrittenThroughTheLookAndAnHdrIsNot() throws Exception {
    var png = ImageIO.read(render("a.png", "--shot", "From above").toFile());
    assertThat(png.getWidth()).isEqualTo(48);
    var deep = ImageIO.read(render("b.png", "--bits", "16").toFile());
    assertThat(deep.getColorModel().getComponentSize(0)).isEqualTo(16);
    Picture hdr = PictureFile.read(Files.readAllBytes(render("c.hdr")));
    Picture exr = PictureFile.read(Files.readAllBytes(render("d.exr")));
    assertThat(hdr.get(2, 2, 1)).isCloseTo(exr.get(2, 2, 1), within(0.01f * exr.get(2, 2, 1)));
    assertThat(exr.get(2, 2, 1)).isCloseTo(40, within(1f));
  }

  /** The shoot with a look that has a bit of everything. */
  private ShootPackage dressed() throws Exception {
    ShootPackage pack = ShootPackage.read(SHOOT.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    Shoot s = pack.shoot();
    List<Look> looks = new ArrayList<>(s.looks());
    looks.add(
        looks
            .getFirst()
            .named("evening", "Evening")
            .with(Tone.of(Tone.Curve.SLIDE, 3))
            .with(
                Glow.bloom("g", "All", 0.4, 5).from(Glow.Source.PICTURE, -4, 1),
                Glow.bloom("h", "Lamps", 0.4, 5).from(Glow.Source.EMISSION, -4, 1).beyondFrame(),
                Glow.bloom("i", "Key", 0.3, 9)
                    .from(
                        new Glow.Source(
                            Glow.Source.Kind.LIGHTS, List.of(s.lights().getFirst().id())),
                        -4,
                        1))
            .with(new ContactShade(0.8, 0.5))
            .with(
                Optics.NONE.with(o ->
                    o.vignette(0.5)
                        .distortion(0.05)
                        .fringing(0.1)
                        .sharpening(0.3)
                        .sharpeningSize(0.5)
                        .grain(0.01)
                        .grainSize(0.8))));
    return new ShootPackage(
        new Shoot(
            s.name(),
            s.pieces(),
            s.materials(),
            s.lights(),
            s.banks(),
            s.bounce(),
            s.masterStops(),
            s.shots(),
            looks),
        pack.assets());
  }

  @Test
  void aPngThroughAnotherLookIsWhatTheRendererAndTheLookMakeOfIt() throws Exception {
    ShootPackage pack = dressed();
    Files.write(shoot, pack.write());
    byte[] png = Files.readAllBytes(render("a.png", "--look", "Evening"));
    assertThat(png).isNotEqualTo(Files.readAllBytes(render("b.png")));
    Shoot s = pack.shoot();
    View view = View.of(s, s.shots().getFirst(), pack.files());
    Film film = new Film(48, 32, view.layers());
    try (Renderer renderer = new Renderer(1, Renderer.USUAL_BOUNCES, 1)) {
      renderer.trace(view, film, 2, () -> false);
    }
    Look look = s.looks().getLast();
    float[] weights = LayerWeights.of(s);
    LookInputsMaker maker = new LookInputsMaker(s, look, 48, 32, weights);
    FirstHits hits =
        new FirstHits(
            FirstHits.Band.whole(48, 32),
            LookInputsMaker.margin(look, 32),
            view.layers(),
            ContactShade.MAX_REACH);
    for (int i = 0; i < hits.enough(); i++) {
      new FirstHitTracer(view).sample(hits, () -> false);
    }
    maker.take(hits, 0, 32, null);
    Picture picture = LayerMix.picture(film, weights);
    List<Picture> mixed = maker.mixes().stream().map(w -> LayerMix.picture(film, w)).toList();
    assertThat(mixed).hasSize(1);
    byte[] made =
        PngFile.write(picture, maker.inputs(picture, mixed, true), new Development(look), 8);
    assertThat(codes(png)).containsExactly(codes(made));
    // In as little memory as can be the look is the same.
    assertThat(Files.readAllBytes(render("c.png", "--look", "evening", "--memory", "0.05")))
        .isEqualTo(png);
    assertThat(ember("render", shoot.toString(), "--look", "none", "--out", folder + "/d.png"))
        .isEqualTo(2);
    assertThat(err.toString()).contains("no look is called 'none'").contains("Evening");
  }

  @Test
  void aGradeIsTakenOutAsLutAndAsCdl() throws Exception {
    Files.write(shoot, dressed().write());
    Path cube = folder.resolve("g.cube"), cdl = folder.resolve("g.cdl");
    assertThat(ember("grade", shoot.toString(), "--out", cube.toString())).isZero();
    assertThat(CubeFile.read(Files.readAllBytes(cube)).size()).isEqualTo(33);
    String[] more = {"grade", shoot.toString(), "--look", "evening", "--out", cdl.toString()};
    assertThat(ember(more)).isZero();
    assertThat(CdlFile.read(Files.readAllBytes(cdl)).saturation()).isEqualTo(1);
    assertThat(ember("grade", shoot.toString(), "--out", folder + "/g.txt")).isEqualTo(2);
    assertThat(err.toString()).contains(".cube or .cdl");
  }

  @Test
  void statsSayWhatTheRunTook() throws Exception {
    Path stats = folder.resolve("stats.json");
    render("a.png", "--stats", stats.toString());
    JsonNode s = JsonMapper.shared().readTree(Files.readAllBytes(stats));
    assertThat(s.get("primaryRays").longValue()).isEqualTo(48 * 32 * 2);
    assertThat(s.get("rays").longValue())
        .isEqualTo(
            s.get("primaryRays").longValue()
                + s.get("bouncedRays").longValue()
                + s.get("shadowRays").longValue());
    assertThat(s.get("layers").intValue()).isEqualTo(2);
  }

  @ParameterizedTest
  @CsvSource({
    "--size, 0x10, --size is",
    "--size, big, --size is",
    "--samples, 0, --samples is 1",
    "--noise, 120, --noise is a percentage",
    "--threads, 0, --threads is 1",
    "--shot, Nowhere, no shot is called 'Nowhere'",
    "--solo, Nobody, no light is called 'Nobody'",
    "--bits, 12, --bits is 8 or 16",
  })
  void wrongUsageExitsWithTwoAndSaysWhatIsAllowed(String option, String value, String said) {
    int code =
        ember(
            "render", shoot.toString(), option, value, "--out", folder.resolve("a.png").toString());
    assertThat(code).isEqualTo(2);
    assertThat(err.toString()).contains(said);
    assertThat(folder.resolve("a.png")).doesNotExist();
  }

  @Test
  void aRefusedOrMissingFileExitsWithOneAndSaysWhy() throws Exception {
    Files.writeString(shoot, SHOOT.replace("\"radius\": 0.5", "\"radius\": -2"));
    String out = folder.resolve("a.png").toString();
    assertThat(ember("render", shoot.toString(), "--out", out)).isEqualTo(1);
    assertThat(err.toString()).contains("pieces[1].shape.radius is -2.0, allowed is");
    assertThat(ember("render", folder.resolve("no.json").toString(), "--out", out)).isEqualTo(1);
    assertThat(err.toString()).contains("no such file");
    assertThat(ember("render", shoot.toString(), "--out", folder.resolve("a.gif").toString()))
        .isEqualTo(2);
  }

  @Test
  void aDemoShootIsWrittenAndRendersAgain() {
    Path file = folder.resolve("armillary.ember");
    assertThat(ember("demo", "armillary", "--out", file.toString())).isZero();
    assertThat(ember("demo", "nothing", "--out", file.toString())).isEqualTo(2);
    shoot = file;
    render("a.png", "--shot", "scale");
  }

  @Test
  void inLittleMemoryAPictureIsMadeInBandsWithTheSameBits() throws Exception {
    byte[] whole = Files.readAllBytes(rendered("64x80", "whole.exr", "--layers"));
    Path stats = folder.resolve("stats.json");
    Path bands =
        rendered("64x80", "bands.exr", "--layers", "--memory", "0.24", "--stats", stats.toString());
    assertThat(Files.readAllBytes(bands)).isEqualTo(whole);
    JsonNode figures = JsonMapper.shared().readTree(Files.readString(stats));
    assertThat(figures.get("bands").intValue()).isEqualTo(3);
    assertThat(figures.get("filmBytes").longValue()).isLessThan(240_000);
  }

  @Test
  void denoisedBandsAreThePictureDenoisedInOnePiece() throws Exception {
    Picture whole =
        PictureFile.read(Files.readAllBytes(rendered("48x240", "whole.hdr", "--denoise")));
    Picture bands =
        PictureFile.read(
            Files.readAllBytes(rendered("48x240", "bands.hdr", "--denoise", "--memory", "0.8")));
    Picture noisy = PictureFile.read(Files.readAllBytes(rendered("48x240", "noisy.hdr")));
    double seam = 0, noise = 0;
    for (int i = 0; i < whole.rgb().length; i++) {
      seam = Math.max(seam, Math.abs(whole.rgb()[i] - bands.rgb()[i]) / (1 + whole.rgb()[i]));
      noise = Math.max(noise, Math.abs(whole.rgb()[i] - noisy.rgb()[i]) / (1 + whole.rgb()[i]));
    }
    assertThat(seam).isLessThan(0.02);
    assertThat(noise).isGreaterThan(0.2);
  }

  @Test
  void aModelIsBroughtIntoAShootOrGetsOneOfItsOwn() throws Exception {
    Path sail = folder.resolve("sail.gltf");
    Files.writeString(sail, SAIL);
    Path own = folder.resolve("own.ember"), both = folder.resolve("both.ember");
    assertThat(ember("import", sail.toString(), "--out", own.toString())).isZero();
    assertThat(said.toString())
        .contains("came: 1 piece of 1 triangles", "size: 1.00 × 1.00 × 0.00 m");
    assertThat(
            ember("import", sail.toString(), "--into", shoot.toString(), "--out", both.toString()))
        .isZero();
    for (Path file : new Path[] {own, both}) {
      Path out = folder.resolve("sail.png");
      assertThat(
              ember(
                  "render",
                  file.toString(),
                  "--size",
                  "64x36",
                  "--samples",
                  "2",
                  "--out",
                  out.toString()))
          .isZero();
    }
    assertThat(ImageIO.read(folder.resolve("sail.png").toFile()).getWidth()).isEqualTo(64);
    assertThat(ember("import", shoot.toString(), "--out", own.toString())).isEqualTo(1);
    assertThat(err.toString()).contains("no glTF 2.0");
  }

  @Test
  void aShootGoesOutAsGltfAndComesBackTheSame() throws Exception {
    Path glb = folder.resolve("out.glb"), back = folder.resolve("back.ember");
    assertThat(ember("export", shoot.toString(), "--out", glb.toString())).isZero();
    assertThat(ember("export", glb.toString(), "--out", back.toString())).isZero();
    assertThat(ShootPackage.read(Files.readAllBytes(back)).shoot())
        .isEqualTo(ShootPackage.read(Files.readAllBytes(shoot)).shoot());
  }

  @Test
  void anObjIsBroughtIn() throws Exception {
    Path obj = folder.resolve("tri.obj"), own = folder.resolve("tri.ember");
    Files.writeString(obj, "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n");
    assertThat(ember("import", obj.toString(), "--out", own.toString())).isZero();
    assertThat(said.toString()).contains("came: 1 piece of 1 triangles");
    Files.writeString(obj, "v 0 0 0\nf 1 2 3\n");
    assertThat(ember("import", obj.toString(), "--out", own.toString())).isEqualTo(1);
    assertThat(err.toString()).contains("line 2 of the OBJ");
  }

  @Test
  void inClayEveryMaterialIsTheSameGreyAndGlassStaysUnlessAskedNotTo() throws Exception {
    String dark =
        SHOOT.replace(
            "{\"id\": \"m\", \"specular\": 0}",
            "{\"id\": \"m\", \"specular\": 0, \"colour\": [0.1, 0.01, 0.01]}");
    Files.writeString(shoot, dark);
    Picture own = PictureFile.read(Files.readAllBytes(render("own.hdr")));
    Picture clay = PictureFile.read(Files.readAllBytes(render("clay.hdr", "--clay", "0.5")));
    int below = 3 * (28 * 48 + 24);
    assertThat(own.rgb()[below] / own.rgb()[below + 1]).isGreaterThan(4);
    assertThat(clay.rgb()[below] / clay.rgb()[below + 1]).isCloseTo(1, within(0.02f));
    assertThat(clay.rgb()[below]).isGreaterThan(3 * own.rgb()[below]);
    Files.writeString(shoot, dark.replace("\"specular\": 0, ", "\"transmission\": 1, "));
    byte[] glass = Files.readAllBytes(render("glass.hdr"));
    byte[] kept = Files.readAllBytes(render("kept.hdr", "--clay", "0.5"));
    assertThat(kept).isEqualTo(glass);
    byte[] grey = Files.readAllBytes(render("grey.hdr", "--clay", "0.5", "--no-keep-glass"));
    assertThat(grey).isNotEqualTo(glass);
    assertThat(ember("render", shoot.toString(), "--clay", "7", "--out", folder + "/bad.png"))
        .isEqualTo(1);
    assertThat(err.toString()).contains("reflectance");
  }

  @Test
  void aPhotometricFileIsPrintedOrGivenToALight() throws Exception {
    Path lamp = folder.resolve("lamp.ies");
    Files.writeString(
        lamp,
        "IESNA:LM-63-2002\n[LUMINAIRE] Reading lamp\nTILT=NONE\n1 800 1.0 3 1 1 2 0.1 0.1 0.1\n"
            + "1.0 1.0 9\n0 45 90\n0\n100 90 20\n");
    assertThat(ember("profile", lamp.toString())).as(err.toString()).isZero();
    JsonNode printed = JsonMapper.shared().readTree(said.toString());
    assertThat(printed.get("candela").size()).isEqualTo(3);
    Path lit = folder.resolve("lit.json"), to = folder.resolve("to.ember");
    Files.writeString(
        lit,
        SHOOT.replace(
            "\"kind\": \"rectangle\", \"width\": 1, \"height\": 1", "\"kind\": \"point\""));
    String[] into = {"--light", "Key", "--out", to.toString()};
    assertThat(
            ember(
                "profile",
                lamp.toString(),
                "--shoot",
                lit.toString(),
                into[0],
                into[1],
                into[2],
                into[3]))
        .as(err.toString())
        .isZero();
    Emitter.Point point =
        (Emitter.Point)
            ShootPackage.read(Files.readAllBytes(to)).shoot().lights().getFirst().emitter();
    assertThat(point.profile().at(45, 0)).isEqualTo(90);
    assertThat(
            ember(
                "profile",
                lamp.toString(),
                "--shoot",
                lit.toString(),
                "--light",
                "Dome",
                into[2],
                into[3]))
        .isEqualTo(2);
  }
}
