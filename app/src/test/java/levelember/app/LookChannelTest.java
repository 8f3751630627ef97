package levelember.app;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.List;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import levelember.app.LivePage.Frame;
import levelember.app.shoot.ShootEdits;
import levelember.app.shoot.Shoots;
import levelember.film.Film;
import levelember.film.FirstHits;
import levelember.film.LayerMix;
import levelember.firsthit.FirstHitTracer;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.grade.CdlFile;
import levelember.formats.picture.PngFile;
import levelember.integrator.Renderer;
import levelember.look.Development;
import levelember.look.LookInputsMaker;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.look.ContactShade;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;
import levelember.shoot.look.Optics;
import levelember.shoot.look.Tone;
import levelember.shoot.shelf.GradeShelf;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The look over the live channel and over HTTP. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {"ember.samples=2", "ember.film-megabytes=64"})
@ContextConfiguration(initializers = FreshHome.class)
class LookChannelTest {
  private static final HttpClient CLIENT = HttpClient.newHttpClient();

  @LocalServerPort private int port;
  @Autowired private Shoots shoots;
  @Autowired private ShootEdits edits;
  private String id;
  private LivePage page;
  private Shoot shoot;

  private static Look rich() {
    return new Look("k", "Evening", 2, 0.5, 3)
        .with(Tone.of(Tone.Curve.NEGATIVE, 3).shaped(0.002, 1.1, 1.1))
        .with(
            Glow.bloom("g", "All", 0.4, 5).from(Glow.Source.PICTURE, -3, 1),
            Glow.bloom("h", "Lamps", 0.4, 5).from(Glow.Source.EMISSION, -2, 1).beyondFrame())
        .with(new ContactShade(0.8, 0.5))
        .with(
            Optics.NONE.with(o ->
                o.vignette(0.5).sharpening(0.3).sharpeningSize(0.5).grain(0.01).grainSize(0.8)))
        .with(GradeShelf.all().get(1).grade());
  }

  @BeforeEach
  void connect() {
    shoot = SmallShoot.ball(rich(), new Look("plain", "Plain", 2, 0.5, 3));
    id = shoots.add(new ShootPackage(shoot, new TreeMap<>())).id();
    page = new LivePage(port, id);
    page.say("{\"type\":\"size\",\"width\":160,\"height\":90}");
    page.say("{\"type\":\"denoise\",\"when\":\"never\"}");
  }

  @AfterEach
  void leave() {
    page.close();
  }

  private HttpResponse<byte[]> http(String method, String path, byte[] body) throws Exception {
    return CLIENT.send(
        HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
            .header("content-type", "application/json")
            .method(
                method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(body))
            .build(),
        BodyHandlers.ofByteArray());
  }

  private byte[] got(String path) throws Exception {
    HttpResponse<byte[]> r = http("GET", path, null);
    assertThat(r.statusCode()).as(new String(r.body(), UTF_8)).isEqualTo(200);
    return r.body();
  }

  private JsonNode json(String path) throws Exception {
    return JsonMapper.shared().readTree(got(path));
  }

  private String live(String name) {
    return "/api/shoots/" + id + "/live/" + name;
  }

  /** The picture as a print of the same samples makes it. */
  private byte[] printed(Look look) {
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    Film film = new Film(160, 90, view.layers());
    try (Renderer renderer = new Renderer(2, Renderer.USUAL_BOUNCES, 1)) {
      renderer.trace(view, film, 2, () -> false);
    }
    float[] weights = LayerWeights.of(shoot);
    Picture picture = LayerMix.picture(film, weights);
    LookInputsMaker maker = new LookInputsMaker(shoot, look, 160, 90, weights);
    FirstHits hits =
        new FirstHits(
            FirstHits.Band.whole(160, 90),
            LookInputsMaker.margin(look, 90),
            view.layers(),
            ContactShade.MAX_REACH);
    for (int i = 0; i < hits.enough(); i++) {
      new FirstHitTracer(view).sample(hits, () -> false);
    }
    maker.take(hits, 0, 90, null);
    return PngFile.write(picture, maker.inputs(picture, List.of(), true), new Development(look), 8);
  }

  @Test
  void theFileOfThePageTheFrameAndAPrintAgreeBitForBit() throws Exception {
    byte[] png = got(live("picture.png"));
    assertThat(png).isEqualTo(printed(rich()));
    // The last frame that the page got shows the same codes.
    var image = ImageIO.read(new java.io.ByteArrayInputStream(png));
    byte[] codes = new byte[160 * 90 * 3];
    for (int i = 0; i < 160 * 90; i++) {
      int rgb = image.getRGB(i % 160, i / 160);
      codes[3 * i] = (byte) (rgb >> 16);
      codes[3 * i + 1] = (byte) (rgb >> 8);
      codes[3 * i + 2] = (byte) rgb;
    }
    page.forget();
    page.say("{\"type\":\"untry\"}");
    page.say("{\"type\":\"denoise\",\"when\":\"never\"}");
    Frame last = page.frame(h -> h.get("samples").intValue() == 2);
    assertThat(last.rgb()).isEqualTo(codes);
  }

  @Test
  void everyPartOfTheLookChangesThePictureWithoutARay() throws Exception {
    got(live("picture.png"));
    page.forget();
    String[] parts = {
      "ev|4",
      "contrast|1.4",
      "glows/0/bloom/level|0.9",
      "glows/0/on|false",
      "contact/amount|0.1",
      "contact/reach|1.5",
      "optics/vignette|2",
      "balance/kelvin|3000",
      "grade/amount|0",
      "curve|\"slide\""
    };
    page.say("{\"type\":\"denoise\",\"when\":\"never\"}");
    byte[] before = page.frame(h -> h.get("samples").intValue() == 2).rgb();
    int mark = 0;
    for (String part : parts) {
      int now = ++mark;
      String[] words = part.split("\\|");
      page.say(
          "{\"type\":\"try\",\"mark\":%d,\"operations\":[{\"op\":\"replace\",\"path\":\"/looks/0/%s\",\"value\":%s}]}"
              .formatted(now, words[0], words[1]));
      Frame frame = page.frame(h -> h.get("mark").intValue() == now);
      assertThat(frame.head().get("rays").longValue()).as(part).isZero();
      assertThat(frame.rgb()).as(part).isNotEqualTo(before);
    }
  }

  @Test
  void whatALookMustKnowOfTheSetIsFoundThoughThePageRests() throws Exception {
    // From another place, in a look that need not know anything of the set.
    String wear =
        "{\"op\":\"replace\",\"path\":\"/shots/0/look\",\"value\":\"plain\"},"
            + "{\"op\":\"replace\",\"path\":\"/shots/0/position/0\",\"value\":0.7}";
    page.say("{\"type\":\"try\",\"mark\":1,\"operations\":[%s]}".formatted(wear));
    page.frame(h -> h.get("mark").intValue() == 1 && h.get("samples").intValue() == 2);
    page.message(m -> m.path("state").stringValue("").equals("done"));
    page.say("{\"type\":\"pause\",\"paused\":true}");
    String shade = "{\"op\":\"replace\",\"path\":\"/looks/1/contact/amount\",\"value\":1}";
    page.say("{\"type\":\"try\",\"mark\":2,\"operations\":[%s,%s]}".formatted(wear, shade));
    byte[] first = page.frame(h -> h.get("mark").intValue() == 2).rgb();
    Frame shaded = page.frame(h -> h.get("mark").intValue() == 2);
    assertThat(shaded.rgb()).isNotEqualTo(first);
    assertThat(shaded.head().get("rays").longValue()).isZero();
  }

  @Test
  void scopesComeWhenAskedForAndStopWhenNot() throws Exception {
    page.say("{\"type\":\"scopes\",\"of\":\"shown\"}");
    Frame shown = page.scopes(h -> h.get("of").stringValue().equals("shown"));
    int columns = shown.head().get("columns").intValue();
    int levels = shown.head().get("levels").intValue();
    assertThat(shown.body()).hasSize(4 * columns * levels + levels * levels);
    JsonNode curve = shown.head().get("curve");
    assertThat(curve.size()).isEqualTo(3 * (16 * 8 + 1));
    assertThat(curve.get(0).doubleValue()).isLessThan(curve.get(curve.size() - 1).doubleValue());
    page.say("{\"type\":\"scopes\",\"of\":\"light\"}");
    page.scopes(h -> h.get("of").stringValue().equals("light"));
    page.say("{\"type\":\"scopes\",\"of\":\"smell\"}");
    assertThat(
            page.message(m -> m.path("type").stringValue("").equals("refused"))
                .get("detail")
                .stringValue())
        .contains("off, shown, light");
  }

  @Test
  void stopsAndClippingAreViews() throws Exception {
    got(live("picture.png"));
    page.say("{\"type\":\"view\",\"kind\":\"stops\"}");
    JsonNode bands = json("/api/stops");
    assertThat(bands.size()).isEqualTo(14);
    java.util.Set<String> known = new java.util.HashSet<>();
    bands.forEach(b -> known.add(b.get("colour").stringValue()));
    byte[] stops = page.frame(h -> h.get("samples").intValue() == 2).rgb();
    // Frames from before the view changed may have been on their way.
    while (!known.containsAll(colours(stops))) {
      stops = page.frame(h -> h.get("samples").intValue() == 2).rgb();
    }
    assertThat(colours(stops)).hasSizeGreaterThan(3);
    page.forget();
    page.say("{\"type\":\"view\",\"kind\":\"clipped\"}");
    assertThat(page.frame(h -> true).rgb()).isNotEqualTo(stops);
  }

  private static java.util.Set<String> colours(byte[] rgb) {
    java.util.Set<String> colours = new java.util.HashSet<>();
    for (int i = 0; i < rgb.length; i += 3) {
      colours.add(String.format("#%02x%02x%02x", rgb[i] & 255, rgb[i + 1] & 255, rgb[i + 2] & 255));
    }
    return colours;
  }

  @Test
  void thePictureSuggestsExposuresAndAWhite() throws Exception {
    JsonNode m = json(live("metering?x=0.3&y=0.9"));
    assertThat(m.get("average").doubleValue()).isBetween(-10.0, 12.0);
    assertThat(m.get("highlights").doubleValue()).isGreaterThan(m.get("average").doubleValue());
    JsonNode white = json(live("neutral?x=0.3&y=0.9"));
    // Neutral lamps on a grey floor.
    assertThat(white.get("kelvin").doubleValue()).isCloseTo(6504, within(150.0));
    assertThat(http("GET", live("neutral?x=0.5&y=0.001"), null).statusCode()).isEqualTo(409);
  }

  @Test
  void looksAndGradesAreSeenOnAWall() throws Exception {
    byte[] own = got(live("looks/k.jpg")), plain = got(live("looks/plain.jpg"));
    byte[] graded = got(live("looks/plain.jpg?grade=silver-print"));
    assertThat(own).isNotEqualTo(plain);
    assertThat(graded).isNotEqualTo(plain);
    var image = ImageIO.read(new java.io.ByteArrayInputStream(graded));
    assertThat(image.getWidth()).isEqualTo(40);
    assertThat(http("GET", live("looks/none.jpg"), null).statusCode()).isEqualTo(404);
    assertThat(http("GET", live("looks/k.jpg?grade=none"), null).statusCode()).isEqualTo(404);
    assertThat(json("/api/shelf/grades").size()).isGreaterThanOrEqualTo(10);
  }

  @Test
  void aLookIsKeptForAllShootsWithItsLut() throws Exception {
    String cube = "LUT_1D_SIZE 2\n1 1 1\n0 0 0\n";
    HttpResponse<byte[]> added =
        http("POST", "/api/shoots/" + id + "/assets?name=turn.cube", cube.getBytes(UTF_8));
    assertThat(added.statusCode()).isEqualTo(201);
    edits.edit(
        id,
        1,
        "LUT",
        JsonMapper.shared()
            .readTree(
                "[{\"op\":\"replace\",\"path\":\"/looks/1/grade/lut\",\"value\":\"turn.cube\"}]"));
    String keep = "{\"shoot\":\"%s\",\"look\":\"plain\"}".formatted(id);
    HttpResponse<byte[]> kept = http("POST", "/api/shelf/looks", keep.getBytes(UTF_8));
    assertThat(kept.statusCode()).isEqualTo(201);
    String shelf = JsonMapper.shared().readTree(kept.body()).get("id").stringValue();
    byte[] turned = got(live("looks/k.jpg?kept=" + shelf));
    assertThat(turned).isNotEqualTo(got(live("looks/k.jpg")));
    String other = shoots.add(new ShootPackage(shoot, new TreeMap<>())).id();
    HttpResponse<byte[]> taken =
        http("POST", "/api/shoots/" + other + "/looks/from-shelf/" + shelf, null);
    JsonNode look = JsonMapper.shared().readTree(taken.body());
    assertThat(look.at("/grade/lut").stringValue()).isEqualTo("turn.cube");
    assertThat(json("/api/shoots/" + other + "/assets").toString()).contains("turn.cube");
    assertThat(http("DELETE", "/api/shelf/looks/" + shelf, null).statusCode()).isEqualTo(204);
    assertThat(http("DELETE", "/api/shelf/looks/" + shelf, null).statusCode()).isEqualTo(404);
  }

  @Test
  void gradesGoOutAndComeInAndBrokenOnesAreRefusedWithTheLine() throws Exception {
    String path = "/api/shoots/" + id + "/looks/k/";
    assertThat(new String(got(path + "grade.cube"), UTF_8)).contains("LUT_3D_SIZE 33");
    byte[] cdl = got(path + "grade.cdl");
    assertThat(CdlFile.read(cdl).saturation())
        .isCloseTo(rich().grade().wheels().saturation(), within(1e-5));
    HttpResponse<byte[]> read = http("POST", "/api/cdl", cdl);
    assertThat(JsonMapper.shared().readTree(read.body()).get("gain").size()).isEqualTo(3);
    HttpResponse<byte[]> broken =
        http(
            "POST",
            "/api/shoots/" + id + "/assets?name=bad.cube",
            "LUT_1D_SIZE 2\n0 0 0\n1 x 1\n".getBytes(UTF_8));
    assertThat(broken.statusCode()).isEqualTo(422);
    assertThat(new String(broken.body(), UTF_8)).contains("line 3");
    HttpResponse<byte[]> worse = http("POST", "/api/cdl", "<a>".getBytes(UTF_8));
    assertThat(worse.statusCode()).isEqualTo(422);
  }

  @Test
  void aLookThatNamesALutThatIsNotThereIsRefusedAndNothingIsLost() throws Exception {
    String edit =
        "{\"revision\":1,\"label\":\"L\",\"operations\":[{\"op\":\"replace\",\"path\":\"/looks/0/grade/lut\",\"value\":\"gone.cube\"}]}";
    HttpResponse<byte[]> r = http("POST", "/api/shoots/" + id + "/edits", edit.getBytes(UTF_8));
    assertThat(r.statusCode()).isBetween(400, 499);
    assertThat(new String(r.body(), UTF_8)).contains("gone.cube");
    assertThat(shoots.state(id).revision()).isEqualTo(1);
    page.say(
        "{\"type\":\"try\",\"mark\":3,\"operations\":[{\"op\":\"replace\",\"path\":\"/looks/0/grade/lut\",\"value\":\"gone.cube\"}]}");
    page.message(m -> m.path("type").stringValue("").matches("refused|failed"));
    page.say("{\"type\":\"untry\"}");
    page.frame(h -> h.get("samples").intValue() == 2);
  }
}
