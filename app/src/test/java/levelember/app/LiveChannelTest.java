package levelember.app;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Collections;
import java.util.function.Predicate;
import levelember.app.LivePage.Frame;
import levelember.app.shoot.ShootEdits;
import levelember.app.shoot.Shoots;
import levelember.formats.exchange.ShootPackage;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The live channel, with a WebSocket as a page has it. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {"ember.samples=2", "ember.film-megabytes=64"})
@ContextConfiguration(initializers = FreshHome.class)
class LiveChannelTest {
  @LocalServerPort private int port;
  @Autowired private Shoots shoots;
  @Autowired private ShootEdits edits;
  private String id;
  private LivePage page;

  @BeforeEach
  void connect() {
    Shoot shoot = SmallShoot.ball(new Look("k", "K", 2, 0.5, 3));
    id = shoots.add(new ShootPackage(shoot, new java.util.TreeMap<>())).id();
    page = new LivePage(port, id);
    say("{\"type\":\"size\",\"width\":160,\"height\":90}");
  }

  @AfterEach
  void leave() {
    page.close();
  }

  private void say(String json) {
    page.say(json);
  }

  private Frame frame(Predicate<JsonNode> wanted) throws InterruptedException {
    return page.frame(wanted);
  }

  private JsonNode message(Predicate<JsonNode> wanted) throws InterruptedException {
    return page.message(wanted);
  }

  private Frame finished() throws InterruptedException {
    return frame(h -> h.get("samples").intValue() == 2 && h.get("width").intValue() == 160);
  }

  private static double mean(Frame f) {
    byte[] rgb = f.rgb();
    assertThat(rgb)
        .hasSize(3 * f.head().get("columns").intValue() * f.head().get("rows").intValue());
    double sum = 0;
    for (int i = 1; i < rgb.length; i += 3) {
      sum += rgb[i] & 0xFF;
    }
    return 3 * sum / rgb.length;
  }

  @Test
  void coarseFramesComeFirstAndTheFullOneLast() throws Exception {
    Frame first = frame(h -> h.get("width").intValue() == 160);
    assertThat(first.head().get("step").intValue()).isGreaterThan(1);
    Frame last = finished();
    assertThat(last.head().get("step").intValue()).isEqualTo(1);
    assertThat(mean(last)).isBetween(10.0, 240.0);
    JsonNode done = message(m -> m.path("state").stringValue("").equals("done"));
    assertThat(done.at("/shares/a").doubleValue() + done.at("/shares/b").doubleValue())
        .isCloseTo(1, org.assertj.core.api.Assertions.within(1e-9));
  }

  @Test
  void whatIsTriedShowsWithItsMarkWithoutARayAndIsNotKept() throws Exception {
    double before = mean(finished());
    say(
        "{\"type\":\"try\",\"mark\":7,\"operations\":[{\"op\":\"replace\",\"path\":\"/lights/0/muted\",\"value\":true}]}");
    Frame tried = frame(h -> h.get("mark").intValue() == 7);
    assertThat(tried.head().get("rays").longValue()).isZero();
    assertThat(mean(tried)).isLessThan(before - 3);
    assertThat(shoots.state(id).document().at("/lights/0/muted").booleanValue()).isFalse();
    say("{\"type\":\"untry\"}");
    Frame back = frame(h -> h.get("mark").intValue() == 0);
    assertThat(mean(back)).isCloseTo(before, org.assertj.core.api.Assertions.within(0.01));
  }

  @Test
  void anEditIsToldToEveryPage() throws Exception {
    finished();
    edits.edit(
        id,
        1,
        "Up",
        JsonMapper.shared()
            .readTree("[{\"op\":\"replace\",\"path\":\"/masterStops\",\"value\":2}]"));
    assertThat(
            message(m -> m.get("type").stringValue().equals("changed")).get("revision").intValue())
        .isEqualTo(2);
    assertThat(frame(h -> h.get("revision").intValue() == 2).head().get("rays").longValue())
        .isZero();
  }

  @Test
  void theEndOfAShootIsToldToEveryPage() throws Exception {
    say(
        "{\"type\":\"try\",\"mark\":3,\"operations\":[{\"op\":\"replace\",\"path\":\"/lights/0/muted\",\"value\":true}]}");
    frame(h -> h.get("mark").intValue() == 3);
    shoots.delete(id);
    message(m -> m.get("type").stringValue().equals("deleted"));
  }

  @Test
  void aPlaceInThePictureIsRead() throws Exception {
    finished();
    say("{\"type\":\"probe\",\"x\":0.3,\"y\":0.9}");
    JsonNode r = message(m -> m.get("type").stringValue().equals("reading"));
    assertThat(r.get("luminance").doubleValue()).isPositive();
    assertThat(r.get("light").stringValue()).isEqualTo("Lamp b");
  }

  @Test
  void nonsenseIsRefusedAndTheChannelGoesOn() throws Exception {
    finished();
    say("{nonsense");
    say("{\"type\":\"dance\"}");
    say(
        "{\"type\":\"try\",\"operations\":[{\"op\":\"replace\",\"path\":\"/lights/0/levelStops\",\"value\":99}]}");
    for (int i = 0; i < 3; i++) {
      message(m -> m.get("type").stringValue().equals("refused"));
    }
    say("{\"type\":\"probe\",\"x\":0.5,\"y\":0.5}");
    message(m -> m.get("type").stringValue().equals("reading"));
  }

  @Test
  void aLongTryIsReadWholeAndOneBeyondTheLimitEndsThePagesChannel() throws Exception {
    finished();
    String operation = "{\"op\":\"replace\",\"path\":\"/masterStops\",\"value\":1}";
    String most = String.join(",", Collections.nCopies(2_000, operation));
    say("{\"type\":\"try\",\"mark\":7,\"operations\":[" + most + "]}");
    assertThat(frame(h -> h.get("mark").longValue() == 7).body()).isNotEmpty();
    String beyond = " ".repeat(1 << 20);
    assertThatThrownBy(
            () -> {
              for (int i = 0; i < 100; i++) {
                page.part(beyond);
              }
            })
        .hasRootCauseInstanceOf(IOException.class);
  }

  /** Another page shows the shoot in the same session: nothing happens to it. */
  @Test
  void aTryThatNeedsAFileThatIsNotThereIsRefusedToItsPageAlone() throws Exception {
    finished();
    try (LivePage other = new LivePage(port, id)) {
      other.say("{\"type\":\"size\",\"width\":160,\"height\":90}");
      other.message(m -> m.path("state").stringValue("").equals("done"));
      say(
          "{\"type\":\"try\",\"operations\":[{\"op\":\"replace\",\"path\":\"/lights/0/emitter\","
              + "\"value\":{\"kind\":\"environment\",\"picture\":\"gone.hdr\"}}]}");
      assertThat(
              message(m -> m.get("type").stringValue().equals("refused"))
                  .get("detail")
                  .stringValue())
          .contains("gone.hdr");
      other.say("{\"type\":\"probe\",\"x\":0.5,\"y\":0.5}");
      JsonNode next = other.message(m -> !m.path("type").stringValue("").equals("progress"));
      assertThat(next.get("type").stringValue()).isIn("page", "reading");
    }
  }

  @Test
  void aStillAndALayerCanBeFetched() throws Exception {
    finished();
    try (HttpClient client = HttpClient.newHttpClient()) {
      for (String name : new String[] {"picture.png", "picture.exr", "layers/a.jpg"}) {
        HttpResponse<byte[]> r =
            client.send(
                HttpRequest.newBuilder(
                        URI.create(
                            "http://localhost:" + port + "/api/shoots/" + id + "/live/" + name))
                    .build(),
                HttpResponse.BodyHandlers.ofByteArray());
        assertThat(r.statusCode()).as(new String(r.body(), UTF_8)).isEqualTo(200);
        assertThat(r.body().length).isGreaterThan(500);
      }
    }
  }

  @Test
  void thePageSaysHowCleanThePictureMustBeAndHearsHowCleanItIs() throws Exception {
    finished();
    say("{\"type\": \"noise\", \"percent\": 25}");
    JsonNode said =
        message(m ->
            m.path("wantedPercent").doubleValue(0) == 25
                && m.path("state").stringValue("").equals("done"));
    assertThat(said.get("samples").doubleValue()).isEqualTo(2);
    assertThat(said.get("noisePercent").doubleValue()).isPositive();
  }

  @Test
  void thePageSaysWhenThePictureIsDenoisedAndTheFrameSaysThatItIs() throws Exception {
    finished();
    say("{\"type\": \"denoise\", \"when\": \"always\"}");
    Frame clean = frame(f -> f.get("denoised").booleanValue() && f.get("step").intValue() == 1);
    say("{\"type\": \"denoise\", \"when\": \"never\"}");
    Frame raw = frame(f -> !f.get("denoised").booleanValue());
    assertThat(roughness(clean)).isLessThan(0.7 * roughness(raw));
    assertThat(raw.head().get("rays").longValue()).isEqualTo(clean.head().get("rays").longValue());
    say("{\"type\": \"denoise\", \"when\": \"sometimes\"}");
    assertThat(
            message(m -> m.path("type").stringValue("").equals("refused"))
                .get("detail")
                .stringValue())
        .contains("one of never, noisy, always");
  }

  @Test
  void aPictureTooLargeForTheMemoryOfFilmsIsMadeSmaller() throws Exception {
    say("{\"type\":\"size\",\"width\":2560,\"height\":1440}");
    Frame f = frame(h -> h.get("width").intValue() > 160);
    assertThat(f.head().get("width").intValue()).isBetween(550, 650);
    JsonNode said = message(m -> m.path("filmBytes").longValue(0) > 10_000_000);
    assertThat(said.get("filmBytes").longValue()).isLessThanOrEqualTo(64 << 20);
    assertThat(said.get("mostFilmBytes").longValue()).isEqualTo(64 << 20);
  }

  /** Mean difference between neighbours of a row, in codes. */
  private static double roughness(Frame frame) {
    double sum = 0;
    byte[] rgb = frame.rgb();
    for (int i = 3; i < rgb.length; i++) {
      sum += Math.abs((rgb[i] & 255) - (rgb[i - 3] & 255));
    }
    return sum / rgb.length;
  }
}
