package levelember.app.live.reading;

import static levelember.app.ApiClient.json;
import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.net.http.HttpResponse;
import javax.imageio.ImageIO;
import levelember.app.ApiClient;
import levelember.app.FreshHome;
import levelember.app.SmallShoot;
import levelember.formats.document.ShootDocument;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;

/** The live picture with one thing otherwise. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {"ember.samples=4"})
@ContextConfiguration(initializers = FreshHome.class)
class VariantApiTest {
  @LocalServerPort private int port;

  private HttpResponse<byte[]> send(String method, String path, byte[] body) throws Exception {
    return new ApiClient(port).send(method, path, "application/json", body);
  }

  /** Mean of the green codes of a picture. */
  private double mean(String path) throws Exception {
    HttpResponse<byte[]> got = send("GET", path, null);
    assertThat(got.statusCode()).isEqualTo(200);
    BufferedImage image = ImageIO.read(new ByteArrayInputStream(got.body()));
    double sum = 0;
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        sum += image.getRGB(x, y) >> 8 & 255;
      }
    }
    return sum / image.getWidth() / image.getHeight();
  }

  @Test
  void aLightIsLeftOutOrAloneAndGlowAndLookComeOff() throws Exception {
    Look look =
        new Look("k", "K", 2, 0.5, 3)
            .with(Glow.bloom("g", "Glow", 0.6, 20).from(Glow.Source.PICTURE, -6, 1));
    byte[] ball = ShootDocument.write(SmallShoot.ball(look));
    String shoot = "shoots/" + json(send("POST", "shoots", ball)).get("id").stringValue();
    assertThat(send("GET", shoot + "/live/picture.png", null).statusCode()).isEqualTo(200);
    String light =
        json(send("GET", shoot, null)).get("document").get("lights").get(0).get("id").stringValue();
    String variant = shoot + "/live/variant.jpg";
    double all = mean(variant);
    double without = mean(variant + "?without=" + light);
    double alone = mean(variant + "?only=" + light);
    assertThat(without).isLessThan(all - 2);
    assertThat(alone).isLessThan(all - 2);
    assertThat(send("GET", variant + "?glow=false", null).body())
        .isNotEqualTo(send("GET", variant, null).body());
    assertThat(send("GET", variant + "?look=false", null).body())
        .isEqualTo(send("GET", variant + "?look=false&glow=false", null).body());
    assertThat(send("GET", variant + "?without=none", null).statusCode()).isEqualTo(404);
  }
}
