package levelember.app.findings;

import static java.nio.charset.StandardCharsets.UTF_8;
import static levelember.app.ApiClient.json;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import levelember.app.ApiClient;
import levelember.app.FreshHome;
import levelember.app.LivePage;
import levelember.app.SmallShoot;
import levelember.formats.document.ShootDocument;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;

/** Second look over HTTP. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {"ember.samples=4"})
@ContextConfiguration(initializers = FreshHome.class)
class FindingApiTest {
  @LocalServerPort private int port;

  private HttpResponse<byte[]> send(String method, String path, byte[] body) throws Exception {
    return new ApiClient(port).send(method, path, "application/json", body);
  }

  private JsonNode edit(String shoot, String operations) throws Exception {
    long revision = json(send("GET", shoot, null)).get("revision").longValue();
    String body =
        "{\"revision\": %d, \"label\": \"Mend\", \"operations\": %s}"
            .formatted(revision, operations);
    JsonNode after = json(send("POST", shoot + "/edits", body.getBytes(UTF_8)));
    assertThat(send("GET", shoot + "/live/picture.png", null).statusCode()).isEqualTo(200);
    return after;
  }

  private JsonNode finding(String shoot, String key) throws Exception {
    for (JsonNode f : json(send("GET", shoot + "/findings", null)).get("findings")) {
      if (f.get("key").stringValue().equals(key)) {
        return f;
      }
    }
    return null;
  }

  @Test
  void aFindingIsMendedByItsOperationsAndCanBeSilenced() throws Exception {
    byte[] ball = ShootDocument.write(SmallShoot.ball(new Look("k", "K", 2, 0.5, 3)));
    String id = json(send("POST", "shoots", ball)).get("id").stringValue();
    try (LivePage page = new LivePage(port, id)) {
      // Small, so that it is traced at once.
      page.say("{\"type\":\"size\",\"width\":320,\"height\":180}");
      mendedAndSilenced("shoots/" + id);
    }
  }

  private void mendedAndSilenced(String shoot) throws Exception {
    edit(shoot, "[{\"op\": \"replace\", \"path\": \"/pieces/1/position/1\", \"value\": 0.58}]");
    JsonNode floating = finding(shoot, "floating:ball");
    assertThat(floating.get("what").stringValue()).contains("8 cm");
    assertThat(floating.get("region").get("width").doubleValue()).isPositive();
    assertThat(floating.get("silenced").isNull()).isTrue();
    edit(
        shoot,
        "[{\"op\": \"add\", \"path\": \"/meter/silenced/-\","
            + " \"value\": {\"finding\": \"floating:ball\", \"reason\": \"It is a balloon\"}}]");
    assertThat(finding(shoot, "floating:ball").get("silenced").stringValue())
        .isEqualTo("It is a balloon");
    JsonNode mended = edit(shoot, floating.get("mends").get(0).get("operations").toString());
    double y = mended.get("document").get("pieces").get(1).get("position").get(1).doubleValue();
    assertThat(y).isBetween(0.49, 0.51);
    assertThat(finding(shoot, "floating:ball")).isNull();
  }
}
