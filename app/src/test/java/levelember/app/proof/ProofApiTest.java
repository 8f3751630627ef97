package levelember.app.proof;

import static java.nio.charset.StandardCharsets.UTF_8;
import static levelember.app.ApiClient.json;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import javax.imageio.ImageIO;
import levelember.app.ApiClient;
import levelember.app.FreshHome;
import levelember.app.LivePage;
import levelember.app.SmallShoot;
import levelember.formats.document.ShootDocument;
import levelember.shoot.look.Look;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Proofs over HTTP. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {"ember.samples=4"})
@ContextConfiguration(initializers = FreshHome.class)
class ProofApiTest {
  @LocalServerPort private int port;
  private String shoot;

  @BeforeEach
  void bringIn() throws Exception {
    byte[] ball = ShootDocument.write(SmallShoot.ball(new Look("k", "K", 2, 0.5, 3)));
    String id = json(send("POST", "shoots", ball)).get("id").stringValue();
    shoot = "shoots/" + id;
    // Waits for the first picture of full size.
    assertThat(send("GET", shoot + "/live/picture.png", null).statusCode()).isEqualTo(200);
  }

  private HttpResponse<byte[]> send(String method, String path, byte[] body)
      throws IOException, InterruptedException {
    return new ApiClient(port).send(method, path, "application/json", body);
  }

  private JsonNode get(String path) throws Exception {
    return json(send("GET", path, null));
  }

  private JsonNode edit(JsonNode operations) throws Exception {
    long revision = get(shoot).get("revision").longValue();
    String body =
        "{\"revision\": %d, \"label\": \"Edit\", \"operations\": %s}"
            .formatted(revision, operations);
    return json(send("POST", shoot + "/edits", body.getBytes(UTF_8)));
  }

  private JsonNode edit(String operations) throws Exception {
    return edit(JsonMapper.shared().readTree(operations));
  }

  @Test
  void aProofKeepsPictureLayersSettingsNoiseAndTime() throws Exception {
    JsonNode proof = json(send("POST", shoot + "/proofs", null));
    assertThat(proof.get("name").stringValue()).isEqualTo("Proof 1");
    assertThat(proof.get("samples").doubleValue()).isPositive();
    assertThat(proof.get("tracedSeconds").doubleValue()).isPositive();
    assertThat(proof.get("layerBytes").longValue()).isPositive();
    assertThat(proof.get("bytes").longValue()).isGreaterThan(proof.get("layerBytes").longValue());
    byte[] png = send("GET", "proofs/" + proof.get("id").longValue() + "/picture.png", null).body();
    var image = ImageIO.read(new ByteArrayInputStream(png));
    assertThat(image.getWidth()).isEqualTo(proof.get("width").intValue());
    assertThat(json(send("POST", shoot + "/proofs", null)).get("name").stringValue())
        .isEqualTo("Proof 2");
    assertThat(get(shoot + "/proofs")).hasSize(2);
    assertThat(get(shoot + "/proofs").get(0).get("id")).isEqualTo(proof.get("id"));
  }

  @Test
  void whatChangedIsSaidAndGoesBackWholeOrInParts() throws Exception {
    JsonNode before = get(shoot).get("document");
    long id = json(send("POST", shoot + "/proofs", null)).get("id").longValue();
    assertThat(get("proofs/" + id + "/changes")).isEmpty();
    edit(
        "[{\"op\": \"replace\", \"path\": \"/lights/0/levelStops\", \"value\": 2},"
            + "{\"op\": \"replace\", \"path\": \"/looks/0/ev\", \"value\": 4}]");
    JsonNode changes = get("proofs/" + id + "/changes");
    assertThat(changes).hasSize(2);
    String light = before.at("/lights/0/id").stringValue();
    assertThat(changes.get(0).get("place").stringValue())
        .isEqualTo("lights/" + light + "/levelStops");
    assertThat(changes.get(0).get("now").doubleValue()).isEqualTo(2);
    assertThat(changes.get(0).get("other").doubleValue()).isZero();
    JsonNode taken = edit(changes.get(0).get("operations"));
    assertThat(taken.at("/document/lights/0/levelStops").doubleValue()).isZero();
    assertThat(get("proofs/" + id + "/operations?part=rig")).isEmpty();
    assertThat(edit(get("proofs/" + id + "/operations?part=look")).get("document"))
        .isEqualTo(before);
    assertThat(send("GET", "proofs/" + id + "/operations?part=sky", null).statusCode())
        .isEqualTo(422);
  }

  @Test
  void itsNameNoteAndStarAreWrittenAndItsSpaceGivenBack() throws Exception {
    long id = json(send("POST", shoot + "/proofs", null)).get("id").longValue();
    String written = "{\"name\": \"Warmer key\", \"note\": \"better\", \"star\": true}";
    JsonNode proof = json(send("PUT", "proofs/" + id, written.getBytes(UTF_8)));
    assertThat(proof.get("name").stringValue()).isEqualTo("Warmer key");
    assertThat(proof.get("star").booleanValue()).isTrue();
    JsonNode lighter = json(send("DELETE", "proofs/" + id + "/layers", null));
    assertThat(lighter.get("layerBytes").longValue()).isZero();
    assertThat(send("GET", "proofs/" + id + "/picture.png", null).statusCode()).isEqualTo(200);
    String nameless = "{\"name\": \" \", \"note\": \"\", \"star\": false}";
    assertThat(send("PUT", "proofs/" + id, nameless.getBytes(UTF_8)).statusCode()).isEqualTo(422);
    assertThat(send("DELETE", "proofs/" + id, null).statusCode()).isEqualTo(204);
    assertThat(send("GET", "proofs/" + id + "/picture.png", null).statusCode()).isEqualTo(404);
    assertThat(send("DELETE", "proofs/" + id, null).statusCode()).isEqualTo(404);
  }

  @Test
  void proofsGoWithTheirShoot() throws Exception {
    long id = json(send("POST", shoot + "/proofs", null)).get("id").longValue();
    assertThat(send("DELETE", shoot, null).statusCode()).isLessThan(300);
    assertThat(send("GET", "proofs/" + id + "/changes", null).statusCode()).isEqualTo(404);
  }

  private double brightness(byte[] file) throws IOException {
    var image = ImageIO.read(new ByteArrayInputStream(file));
    double sum = 0;
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        sum += image.getRGB(x, y) >> 8 & 0xFF;
      }
    }
    return sum / image.getWidth() / image.getHeight();
  }

  private byte[] file(String path) throws Exception {
    HttpResponse<byte[]> response = send("GET", path, null);
    assertThat(response.statusCode()).as(path).isEqualTo(200);
    return response.body();
  }

  @Test
  void itsLayersAreSetAsTheShootIsNowAndMeasuredAgainstOthers() throws Exception {
    long id = json(send("POST", shoot + "/proofs", null)).get("id").longValue();
    double was = brightness(file("proofs/" + id + "/picture.png"));
    assertThat(brightness(file("proofs/" + id + "/developed.jpg")))
        .as("nothing has changed")
        .isCloseTo(was, Offset.offset(1.0));
    edit("[{\"op\": \"replace\", \"path\": \"/masterStops\", \"value\": 1}]");
    assertThat(brightness(file("proofs/" + id + "/developed.jpg"))).isGreaterThan(was + 5);
    file(shoot + "/live/picture.png");
    long other = json(send("POST", shoot + "/proofs", null)).get("id").longValue();
    byte[] up = file("proofs/" + id + "/difference.png?other=" + other);
    byte[] down = file("proofs/" + other + "/difference.png?other=" + id);
    byte[] same = file("proofs/" + id + "/difference.png?other=" + id);
    assertThat(brightness(same)).isCloseTo(118, Offset.offset(0.1));
    // One stop: half way from grey to ember, or to teal.
    assertThat(brightness(up)).isLessThan(117);
    var image = ImageIO.read(new ByteArrayInputStream(up));
    int middle = image.getRGB(image.getWidth() / 2, image.getHeight() / 2);
    assertThat(middle >> 16 & 0xFF).isBetween(160, 195);
    assertThat(brightness(down)).isLessThan(brightness(same));
    file("proofs/" + id + "/difference.png");
    json(send("DELETE", "proofs/" + id + "/layers", null));
    assertThat(send("GET", "proofs/" + id + "/developed.jpg", null).statusCode()).isEqualTo(409);
  }

  @Test
  void aShootThatMovesIsKeptAtTheTimeThatThePageShows() throws Exception {
    edit(
        "[{\"op\": \"add\", \"path\": \"/motion/tracks/-\", \"value\": {\"place\": \"masterStops\","
            + " \"keys\": [{\"seconds\": 0, \"value\": 0}, {\"seconds\": 2, \"value\": 4}]}}]");
    try (LivePage page = new LivePage(port, shoot.substring("shoots/".length()))) {
      String id =
          page.message(m -> m.path("type").stringValue("").equals("page")).get("id").stringValue();
      double still = brightness(file(shoot + "/live/picture.png?page=" + id));
      page.say("{\"type\": \"time\", \"seconds\": 1}");
      long end = System.nanoTime() + 30_000_000_000L;
      while (brightness(file(shoot + "/live/picture.png?page=" + id)) < still + 5) {
        assertThat(System.nanoTime()).isLessThan(end);
      }
      JsonNode proof = json(send("POST", shoot + "/proofs?page=" + id, null));
      assertThat(proof.get("seconds").doubleValue()).isEqualTo(1);
      long number = proof.get("id").longValue();
      double was = brightness(file("proofs/" + number + "/picture.png"));
      assertThat(was).isGreaterThan(still + 5);
      assertThat(brightness(file("proofs/" + number + "/developed.jpg")))
          .isCloseTo(was, Offset.offset(1.0));
      assertThat(get("proofs/" + number + "/changes")).isEmpty();
    }
  }

  @Test
  void theMeterReadsAProofAtThePinsOfNow() throws Exception {
    JsonNode pin = get(shoot + "/meter/pin?x=0.5&y=0.55");
    edit("[{\"op\": \"add\", \"path\": \"/meter/pins/-\", \"value\": %s}]".formatted(pin));
    long lit = json(send("POST", shoot + "/proofs", null)).get("id").longValue();
    JsonNode before = get("proofs/" + lit + "/readings");
    JsonNode now = get(shoot + "/meter");
    double stops = before.get("pins").get(0).get("stops").doubleValue();
    assertThat(stops)
        .isCloseTo(now.get("pins").get(0).get("stops").doubleValue(), Offset.offset(0.1));
    assertThat(before.get("pins").get(0).get("lights")).isNotEmpty();
    edit("[{\"op\": \"replace\", \"path\": \"/masterStops\", \"value\": -2}]");
    long dark = json(send("POST", shoot + "/proofs", null)).get("id").longValue();
    JsonNode after = get("proofs/" + dark + "/readings");
    assertThat(after.get("pins").get(0).get("stops").doubleValue())
        .isCloseTo(stops - 2, Offset.offset(0.1));
    assertThat(after.get("meanStops").doubleValue())
        .isCloseTo(before.get("meanStops").doubleValue() - 2, Offset.offset(0.1));
    send("DELETE", "proofs/" + dark + "/layers", null);
    assertThat(send("GET", "proofs/" + dark + "/readings", null).statusCode()).isEqualTo(409);
  }
}
