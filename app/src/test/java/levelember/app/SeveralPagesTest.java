package levelember.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.TreeMap;
import levelember.app.LivePage.Frame;
import levelember.app.shoot.Shoots;
import levelember.formats.exchange.ShootPackage;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;

/** Two pages on one shoot: each with its own shot, size, view and pause. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = "ember.samples=6")
@ContextConfiguration(initializers = FreshHome.class)
class SeveralPagesTest {
  @LocalServerPort private int port;
  @Autowired private Shoots shoots;
  private String id;
  private LivePage one;
  private LivePage other;

  @BeforeEach
  void connect() {
    Shoot ball = SmallShoot.ball(new Look("k", "K", 2, 0.5, 3));
    Shot first = ball.shots().getFirst();
    Shot second =
        new Shot("near", "Near", first.position().times(0.6), first.aim(), 50, 36, 0, 0, "k");
    id = shoots.add(new ShootPackage(ball.with(List.of(first, second)), new TreeMap<>())).id();
    one = new LivePage(port, id);
    one.say(size(160, 90));
    other = new LivePage(port, id);
    other.say(size(160, 90));
  }

  @AfterEach
  void leave() {
    one.close();
    other.close();
  }

  private static String size(int width, int height) {
    return "{\"type\":\"size\",\"width\":%d,\"height\":%d}".formatted(width, height);
  }

  private static Frame finished(LivePage page, String shot, int width) throws InterruptedException {
    return page.frame(h ->
        h.get("samples").intValue() == 6
            && h.get("shot").stringValue().equals(shot)
            && h.get("width").intValue() == width);
  }

  @Test
  void theSameViewIsTracedOnceForBoth() throws Exception {
    Frame mine = finished(one, "s", 160), theirs = finished(other, "s", 160);
    assertThat(theirs.body()).isEqualTo(mine.body());
    // A film of its own would have begun anew: both count the same rays.
    assertThat(theirs.head().get("rays")).isEqualTo(mine.head().get("rays"));
  }

  @Test
  void eachHasItsOwnShotSizeAndView() throws Exception {
    finished(one, "s", 160);
    finished(other, "s", 160);
    other.say("{\"type\":\"shot\",\"id\":\"near\"}");
    other.say(size(96, 64));
    finished(other, "near", 96);
    one.forget();
    one.say("{\"type\":\"view\",\"kind\":\"clay\",\"clay\":0.5}");
    Frame clay = finished(one, "s", 160);
    assertThat(clay.head().get("shot").stringValue()).isEqualTo("s");
    one.say("{\"type\":\"view\",\"kind\":\"traced\"}");
    other.say("{\"type\":\"shot\",\"id\":\"s\"}");
    other.say(size(160, 90));
    assertThat(finished(other, "s", 160).body()).isEqualTo(finished(one, "s", 160).body());
  }

  @Test
  void onePageRestsWhileTheOtherGoesOn() throws Exception {
    finished(one, "s", 160);
    one.say("{\"type\":\"pause\",\"paused\":true}");
    one.message(m -> m.path("state").stringValue("").matches("paused|done"));
    other.say("{\"type\":\"shot\",\"id\":\"near\"}");
    finished(other, "near", 160);
    assertThat(other.message(m -> m.path("state").stringValue("").equals("done"))).isNotNull();
    // A level moves in the resting page's picture all the same.
    one.say(
        "{\"type\":\"try\",\"mark\":5,\"operations\":[{\"op\":\"replace\","
            + "\"path\":\"/lights/0/muted\",\"value\":true}]}");
    assertThat(one.frame(h -> h.get("mark").intValue() == 5).head().get("shot").stringValue())
        .isEqualTo("s");
  }

  private HttpResponse<byte[]> get(String path) throws IOException, InterruptedException {
    URI address = URI.create("http://localhost:" + port + "/api/shoots/" + id + "/live/" + path);
    return HttpClient.newHttpClient()
        .send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofByteArray());
  }

  @Test
  void aRequestIsAnsweredOfThePageThatMakesIt() throws Exception {
    String name =
        other.message(m -> m.path("type").stringValue("").equals("page")).get("id").stringValue();
    other.say(size(96, 64));
    finished(other, "s", 96);
    finished(one, "s", 160);
    byte[] png = get("picture.png?page=" + name).body();
    assertThat(javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(png)).getWidth())
        .isEqualTo(96);
  }

  @Test
  void anUnknownShotIsRefusedAndWhatIsShownStays() throws Exception {
    finished(one, "s", 160);
    one.say("{\"type\":\"shot\",\"id\":\"none\"}");
    assertThat(
            one.message(m -> m.path("type").stringValue("").equals("refused"))
                .get("detail")
                .stringValue())
        .contains("none");
  }
}
