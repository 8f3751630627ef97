package levelember.app.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import levelember.app.FreshHome;
import levelember.app.SmallShoot;
import levelember.app.shoot.Shoots;
import levelember.formats.document.ShootDifference;
import levelember.formats.exchange.ShootPackage;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.ContextConfiguration;

/** Proofs that come with the demo, of a small shoot. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@ContextConfiguration(initializers = FreshHome.class)
class FirstProofsTest {
  @Autowired private FirstProofs first;
  @Autowired private Proofs proofs;
  @Autowired private Shoots shoots;

  private static double mean(byte[] png) throws Exception {
    var image = ImageIO.read(new ByteArrayInputStream(png));
    double sum = 0;
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        sum += image.getRGB(x, y) >> 8 & 0xFF;
      }
    }
    return sum / image.getWidth() / image.getHeight();
  }

  @Test
  void oneTraceGivesTheStrongestLightAloneDownAndAsItIs() throws Exception {
    String id =
        shoots
            .add(new ShootPackage(SmallShoot.ball(new Look("k", "K", 2, 0.5, 3)), new TreeMap<>()))
            .id();
    first.take(id, -1);
    List<Proofs.Proof> taken = proofs.of(id);
    assertThat(taken)
        .extracting(Proofs.Proof::name)
        .allSatisfy(name -> assertThat(name).isNotBlank())
        .last()
        .isEqualTo("As it is lit");
    assertThat(taken).hasSize(3);
    assertThat(taken.getFirst().name()).endsWith(" alone");
    assertThat(taken.getFirst().note()).contains(" % of the picture");
    assertThat(taken.getLast().star()).isTrue();
    assertThat(taken).allSatisfy(p -> assertThat(p.layerBytes()).isPositive());
    double down = mean(proofs.picture(taken.get(1).id()));
    double lit = mean(proofs.picture(taken.get(2).id()));
    assertThat(lit).isGreaterThan(20);
    assertThat(down).isLessThan(0.9 * lit);
    // Its settings are those that it shows, so that one can go back to them.
    assertThat(proofs.changed(taken.getLast().id())).isEmpty();
    assertThat(proofs.changed(taken.get(1).id()))
        .extracting(ShootDifference.Change::place)
        .singleElement()
        .asString()
        .endsWith("levelStops");
  }
}
