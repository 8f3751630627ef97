package levelember.app.motion;

import static java.nio.charset.StandardCharsets.UTF_8;
import static levelember.app.ApiClient.json;
import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import javax.imageio.ImageIO;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
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

/** Moves, sounds and small frames over HTTP. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {"ember.samples=1"})
@ContextConfiguration(initializers = FreshHome.class)
class MotionApiTest {
  @LocalServerPort private int port;
  private String id;

  @BeforeEach
  void bringIn() throws Exception {
    byte[] ball = ShootDocument.write(SmallShoot.ball(new Look("k", "K", 2, 0.5, 3)));
    id = "/" + json(send("POST", "", "application/json", ball)).get("id").stringValue();
  }

  private HttpResponse<byte[]> send(String method, String path, String type, byte[] body)
      throws IOException, InterruptedException {
    return new ApiClient(port).send(method, "shoots" + path, type, body);
  }

  private HttpResponse<byte[]> move(String body) throws Exception {
    return send("POST", id + "/motion/moves", "application/json", body.getBytes(UTF_8));
  }

  private JsonNode kept(JsonNode keyed) throws Exception {
    String edit = "{\"revision\": 1, \"label\": \"Keys\", \"operations\": %s}";
    byte[] body = edit.formatted(keyed.get("operations")).getBytes(UTF_8);
    return json(send("POST", id + "/edits", "application/json", body));
  }

  private BufferedImage frame(int number) throws Exception {
    String path = id + "/motion/frames/" + number + ".jpg?shot=s&width=96";
    HttpResponse<byte[]> response = send("GET", path, "application/json", null);
    assertThat(response.statusCode()).isEqualTo(200);
    return ImageIO.read(new ByteArrayInputStream(response.body()));
  }

  private static double mean(BufferedImage image) {
    double sum = 0;
    for (int rgb :
        image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth())) {
      sum += (rgb >> 8) & 0xff;
    }
    return sum / image.getWidth() / image.getHeight();
  }

  @Test
  void aMoveIsAnEditWhoseFramesCanBeLookedAt() throws Exception {
    JsonNode keyed =
        json(
            move(
                """
                {"kind": "FADE_OUT", "of": "a", "firstFrame": 1, "lastFrame": 25, "numbers": {}}
                """));
    assertThat(keyed.get("places").toString()).contains("lights/a/levelStops", "lights/a/muted");
    JsonNode tracks = kept(keyed).get("document").get("motion").get("tracks");
    assertThat(tracks).hasSize(2);
    double first = mean(frame(1)), middle = mean(frame(14)), last = mean(frame(25));
    assertThat(middle).isBetween(last, first);
    assertThat(first - last).isGreaterThan(5);
    assertThat(frame(1).getWidth()).isEqualTo(96);
  }

  @Test
  void whatCannotMoveIsSaid() throws Exception {
    String[] bad = {
      "{\"kind\": \"WATER\", \"of\": \"ball\", \"firstFrame\": 1, \"lastFrame\": 5, \"numbers\": {\"speed\": 1}}",
      "{\"kind\": \"TURNTABLE\", \"of\": \"nothing\", \"firstFrame\": 1, \"lastFrame\": 5, \"numbers\": {\"turns\": 1}}",
      "{\"kind\": \"TURNTABLE\", \"of\": \"ball\", \"firstFrame\": 1, \"lastFrame\": 5, \"numbers\": {}}",
      "{\"kind\": \"TURNTABLE\", \"of\": \"ball\", \"firstFrame\": 5, \"lastFrame\": 5, \"numbers\": {\"turns\": 1}}",
    };
    String[] said = {"a piece of water", "by its id", "numbers.turns", "after the first"};
    for (int i = 0; i < bad.length; i++) {
      HttpResponse<byte[]> response = move(bad[i]);
      assertThat(response.statusCode()).as(bad[i]).isBetween(400, 422);
      assertThat(new String(response.body(), UTF_8)).contains(said[i]);
    }
  }

  @Test
  void aLevelFollowsASoundAndNoSoundIsRefused() throws Exception {
    byte[] samples = new byte[2 * 8000];
    for (int i = 0; i < 4000; i++) {
      short v = (short) (20_000 * Math.sin(i / 3.0));
      samples[2 * i] = (byte) v;
      samples[2 * i + 1] = (byte) (v >> 8);
    }
    ByteArrayOutputStream wav = new ByteArrayOutputStream();
    AudioFormat format = new AudioFormat(8000, 16, 1, true, false);
    AudioSystem.write(
        new AudioInputStream(new ByteArrayInputStream(samples), format, 8000),
        AudioFileFormat.Type.WAVE,
        wav);
    String path = id + "/motion/sound?light=b&stops=4&firstFrame=1&lastFrame=24";
    String type = "application/octet-stream";
    JsonNode keyed = json(send("POST", path, type, wav.toByteArray()));
    JsonNode keys = kept(keyed).get("document").get("motion").get("tracks").get(0).get("keys");
    assertThat(keys.get(0).get("value").doubleValue()).isGreaterThan(-0.5);
    assertThat(keys.get(keys.size() - 1).get("value").doubleValue()).isEqualTo(-4);
    assertThat(send("POST", path, type, new byte[100]).statusCode()).isBetween(400, 422);
  }

  @Test
  void framesOfShotsOrSizesThatCannotBeAreRefused() throws Exception {
    String frame = id + "/motion/frames/1.jpg";
    assertThat(send("GET", frame + "?shot=none", "application/json", null).statusCode())
        .isEqualTo(404);
    assertThat(send("GET", frame + "?shot=s&width=9", "application/json", null).statusCode())
        .isBetween(400, 422);
  }
}
