package levelember.app.meter;

import static java.nio.charset.StandardCharsets.UTF_8;
import static levelember.app.ApiClient.json;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URLEncoder;
import java.net.http.HttpResponse;
import levelember.app.ApiClient;
import levelember.app.FreshHome;
import levelember.app.SmallShoot;
import levelember.formats.document.ShootDocument;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The meter over HTTP. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {"ember.samples=8"})
@ContextConfiguration(initializers = FreshHome.class)
class MeterApiTest {
  @LocalServerPort private int port;
  private String shoot;

  @BeforeEach
  void bringIn() throws Exception {
    byte[] ball = ShootDocument.write(SmallShoot.ball(new Look("k", "K", 2, 0.5, 3)));
    shoot = "shoots/" + json(send("POST", "shoots", ball)).get("id").stringValue();
    waitForAPicture();
  }

  private void waitForAPicture() throws Exception {
    assertThat(send("GET", shoot + "/live/picture.png", null).statusCode()).isEqualTo(200);
  }

  private HttpResponse<byte[]> send(String method, String path, byte[] body) throws Exception {
    return new ApiClient(port).send(method, path, "application/json", body);
  }

  private JsonNode get(String path) throws Exception {
    return json(send("GET", path, null));
  }

  private void edit(String operations) throws Exception {
    long revision = get(shoot).get("revision").longValue();
    String body =
        "{\"revision\": %d, \"label\": \"Edit\", \"operations\": %s}"
            .formatted(revision, operations);
    assertThat(send("POST", shoot + "/edits", body.getBytes(UTF_8)).statusCode()).isEqualTo(200);
    waitForAPicture();
  }

  private JsonNode pinned(double x, double y) throws Exception {
    JsonNode pin = get(shoot + "/meter/pin?x=" + x + "&y=" + y);
    edit("[{\"op\": \"add\", \"path\": \"/meter/pins/-\", \"value\": " + pin + "}]");
    return pin;
  }

  @Test
  void aPinReadsLuminanceStopsAndWhatEveryLightGives() throws Exception {
    JsonNode pin = pinned(0.5, 0.6);
    assertThat(pin.get("piece").stringValue()).isIn("ball", "floor");
    JsonNode read = get(shoot + "/meter").get("pins").get(0);
    assertThat(read.get("state").stringValue()).isEqualTo("SEEN");
    assertThat(read.get("x").doubleValue()).isCloseTo(0.5, within(0.01));
    double luminance = read.get("luminance").doubleValue();
    assertThat(luminance).isPositive();
    assertThat(read.get("stops").doubleValue())
        .isCloseTo(Math.log(luminance / (0.18 * 1.2 * 4)) / Math.log(2), within(1e-3));
    double sum = 0;
    for (JsonNode part : read.get("lights")) {
      sum += part.get("value").doubleValue();
    }
    assertThat(sum).isCloseTo(luminance, within(1e-3 * luminance));
  }

  @Test
  void incidentReadingsSplitByLightAndSayARatio() throws Exception {
    String id = pinned(0.5, 0.95).get("id").stringValue();
    JsonNode incident = get(shoot + "/meter/incident?pin=" + id);
    JsonNode dome = incident.get("halfSphere");
    assertThat(dome.get("lux").doubleValue()).isPositive();
    assertThat(dome.get("lights")).hasSizeGreaterThan(1);
    assertThat(dome.get("strongestToRest").doubleValue()).isPositive();
    assertThat(incident.get("error").doubleValue()).isLessThan(0.05);
    assertThat(send("GET", shoot + "/meter/incident?pin=none", null).statusCode()).isEqualTo(404);
  }

  @Test
  void aTargetIsMetByTheLevelsOfTheSolution() throws Exception {
    String id = pinned(0.5, 0.6).get("id").stringValue();
    double before = get(shoot + "/meter").get("pins").get(0).get("stops").doubleValue();
    edit(
        """
        [{"op": "add", "path": "/meter/targets/-",
          "value": {"id": "t", "kind": "stops", "pin": "%s", "stops": %s}}]
        """
            .formatted(id, before + 1));
    JsonNode solved = json(send("POST", shoot + "/meter/solution", null));
    JsonNode outcome = solved.get("solution").get("outcomes").get(0);
    assertThat(outcome.get("before").doubleValue()).isCloseTo(before, within(0.02));
    assertThat(outcome.get("met").booleanValue()).isTrue();
    edit(solved.get("operations").toString());
    assertThat(get(shoot + "/meter").get("pins").get(0).get("stops").doubleValue())
        .isCloseTo(before + 1, within(0.05));
  }

  @Test
  void aReferenceIsMatchedByLevels() throws Exception {
    byte[] before = send("GET", shoot + "/live/picture.png", null).body();
    edit("[{\"op\": \"replace\", \"path\": \"/lights/0/levelStops\", \"value\": -1.5}]");
    HttpResponse<byte[]> answer =
        new ApiClient(port).send("POST", shoot + "/meter/match", "image/png", before);
    JsonNode matched = json(answer);
    assertThat(matched.get("match").get("after").doubleValue())
        .isLessThan(0.5 * matched.get("match").get("before").doubleValue());
    edit(matched.get("operations").toString());
    JsonNode lights = get(shoot).get("document").get("lights");
    assertThat(lights.get(0).get("levelStops").doubleValue()).isCloseTo(0, within(0.3));
    assertThat(
            new ApiClient(port)
                .send("POST", shoot + "/meter/match", "image/png", new byte[] {1, 2, 3})
                .statusCode())
        .isBetween(400, 422);
  }

  @Test
  void thePictureIsReadWithoutALightAndByItAlone() throws Exception {
    pinned(0.5, 0.6);
    JsonNode whole = get(shoot + "/meter");
    JsonNode part = whole.get("pins").get(0).get("lights").get(0);
    String light = part.get("light").stringValue();
    double luminance = whole.get("pins").get(0).get("luminance").doubleValue();
    double own = part.get("value").doubleValue();
    JsonNode alone = get(shoot + "/meter?only=" + light).get("pins").get(0);
    assertThat(alone.get("luminance").doubleValue()).isCloseTo(own, within(0.02 * luminance));
    assertThat(alone.get("lights").size()).isEqualTo(1);
    JsonNode without = get(shoot + "/meter?without=" + light).get("pins").get(0);
    assertThat(without.get("luminance").doubleValue())
        .isCloseTo(luminance - own, within(0.02 * luminance));
    assertThat(get(shoot + "/meter?denoised=false").get("meanLuminance").doubleValue())
        .isCloseTo(whole.get("meanLuminance").doubleValue(), within(0.2 * luminance));
    assertThat(send("GET", shoot + "/meter?only=nobody", null).statusCode()).isEqualTo(404);
  }

  @Test
  void regionsThatArePairedAreMatchedAndOtherWishesRefused() throws Exception {
    byte[] picture = send("GET", shoot + "/live/picture.png", null).body();
    edit("[{\"op\": \"replace\", \"path\": \"/lights/0/levelStops\", \"value\": 2}]");
    String pair =
        "[{\"x\": 0.5, \"y\": 0.6, \"referenceX\": 0.5, \"referenceY\": 0.6, \"size\": 0.2}]";
    JsonNode matched = json(match("pairs=" + URLEncoder.encode(pair, UTF_8), picture));
    assertThat(matched.get("turn").isNull()).isTrue();
    assertThat(matched.get("match").get("after").doubleValue()).isLessThan(0.1);
    for (String wish :
        new String[] {
          "turn=key", "turn=nobody", "pairs=x", "pairs=" + URLEncoder.encode("[{\"x\": 2}]", UTF_8)
        }) {
      HttpResponse<byte[]> refused = match(wish, picture);
      assertThat(refused.statusCode()).as(wish).isEqualTo(422);
    }
  }

  private HttpResponse<byte[]> match(String query, byte[] picture) throws Exception {
    return new ApiClient(port).send("POST", shoot + "/meter/match?" + query, "image/png", picture);
  }

  @Test
  void withoutTargetsThereIsNothingToSolve() throws Exception {
    HttpResponse<byte[]> refused = send("POST", shoot + "/meter/solution", null);
    assertThat(refused.statusCode()).isEqualTo(409);
    assertThat(new String(refused.body(), UTF_8)).contains("no target");
  }

  @Test
  void pinsOfAnotherShapeAreRefused() throws Exception {
    ObjectNode state = (ObjectNode) get(shoot);
    String body =
        "{\"revision\": %d, \"label\": \"Edit\", \"operations\": [%s]}"
            .formatted(
                state.get("revision").longValue(),
                "{\"op\": \"add\", \"path\": \"/meter/pins/-\", \"value\": {\"id\": \"p\","
                    + " \"position\": [0, 0, 0], \"radius\": -1}}");
    assertThat(send("POST", shoot + "/edits", body.getBytes(UTF_8)).statusCode()).isEqualTo(422);
  }
}
