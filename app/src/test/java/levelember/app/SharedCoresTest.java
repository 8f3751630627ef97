package levelember.app;

import static org.assertj.core.api.Assertions.assertThat;

import levelember.app.shoot.Shoots;
import levelember.demo.DemoShoots;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;

/** Two pages with two shoots on the same cores. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@ContextConfiguration(initializers = FreshHome.class)
class SharedCoresTest {
  private static final String SIZE = "{\"type\":\"size\",\"width\":320,\"height\":180}";
  @LocalServerPort private int port;
  @Autowired private Shoots shoots;

  private long rays(LivePage page) throws InterruptedException {
    return page.message(m -> m.path("type").stringValue("").equals("progress"))
        .get("rays")
        .longValue(0);
  }

  @Test
  void bothGetTheirShareAndAFirstPictureGoesBeforeAFinerOne() throws Exception {
    String one = shoots.add(DemoShoots.make("armillary")).id();
    String two = shoots.add(DemoShoots.make("armillary")).id();
    try (LivePage first = new LivePage(port, one)) {
      first.say(SIZE);
      first.message(m -> m.path("samples").doubleValue(0) >= 2);
      first.forget();
      long before = rays(first);
      try (LivePage second = new LivePage(port, two)) {
        second.say(SIZE);
        second.frame(h -> h.get("width").intValue() == 320 && h.get("step").intValue() <= 8);
        first.forget();
        long begin = rays(first);
        assertThat(begin - before).as("one slice may have been under way").isLessThan(3_000_000);
        long wanted = 4_000_000;
        long done =
            second.message(m -> m.path("rays").longValue(0) > wanted).get("rays").longValue();
        first.forget();
        // Progress is told now and then, so the first may be a slice further than the second.
        assertThat(rays(first) - begin).isBetween(done / 4, 4 * done + 3_000_000);

        // A page that rests costs nothing, and its picture does not go on by itself.
        first.say("{\"type\":\"pause\",\"paused\":true}");
        first.message(m -> m.path("state").stringValue("").equals("paused"));
        first.forget();
        second.message(m -> m.path("rays").longValue(0) > wanted + 2_000_000);
        first.say("{\"type\":\"probe\",\"x\":0.5,\"y\":0.5}");
        assertThat(first.message(m -> true).get("type").stringValue()).isEqualTo("reading");
      }
    }
  }
}
