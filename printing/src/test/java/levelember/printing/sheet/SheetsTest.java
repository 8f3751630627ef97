package levelember.printing.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import levelember.formats.exchange.ShootPackage;
import levelember.scene.View;
import levelember.shoot.Shoot;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

class SheetsTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Ball ☂",
       "pieces": [{"id": "ball", "position": [0, 0.5, 0], "shape": {"kind": "sphere", "radius": 0.5}, "material": "m"}],
       "materials": [{"id": "m"}],
       "banks": [{"id": "b", "name": "Fronts"}],
       "lights": [{"id": "key", "name": "Key", "emitter": {"kind": "rectangle", "width": 1.2, "height": 0.8},
                   "position": [3, 2, 0], "aim": [0, 2, -4], "brightness": {"value": 3000, "unit": "lm"},
                   "levelStops": -1.5, "bank": "b", "colour": {"kelvin": 3200}},
                  {"id": "dome", "name": "Dome", "emitter": {"kind": "dome"},
                   "brightness": {"value": 40, "unit": "cd/m2"}, "muted": true}],
       "shots": [{"id": "wide", "name": "Wide", "position": [0, 1, 4], "aim": [0, 1, 0], "focalLengthMm": 50, "look": "k"}],
       "looks": [{"id": "k", "name": "Plain", "ev": 7}]}
      """;

  private static String text(PDDocument document) throws Exception {
    return new PDFTextStripper().getText(document);
  }

  @Test
  void theReportSaysAllThatARigIsLitAgainBy() throws Exception {
    Shoot shoot =
        ShootPackage.read(SHOOT.getBytes(java.nio.charset.StandardCharsets.UTF_8)).shoot();
    View view = View.of(shoot, shoot.shots().getFirst(), levelember.texture.Pictures.NONE);
    byte[] pdf = LightReport.write(view, Map.of("key", 0.75, "dome", 0.25));
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertThat(document.getNumberOfPages()).isEqualTo(3);
      String said = text(document);
      assertThat(said)
          .contains("Ball ?: light report", "1:50 on A4")
          .contains("Key (Fronts)", "rectangle 1.20 × 0.80", "3000 lm", "-1.50 st", "3200 K")
          .contains("3.00, 0.00", "2.00", "5.00 m", "75.0 %")
          .contains("Dome, muted", "Wide: 50 mm", "4.00 m to the aim; look Plain, EV 7.00");
      // A metre at 1:50 is 2 cm, at 127 dpi 100 pixels.
      BufferedImage plan = new PDFRenderer(document).renderImageWithDPI(0, 127);
      int row = plan.getHeight() - Math.round(22 * 127 / 72f), longest = 0;
      for (int y = row - 2; y <= row + 2; y++) {
        int run = 0;
        for (int x = 0; x < plan.getWidth() / 4; x++) {
          run = (plan.getRGB(x, y) & 255) < 128 ? run + 1 : 0;
          longest = Math.max(longest, run);
        }
      }
      assertThat(longest).isBetween(98, 102);
    }
  }

  @Test
  void shotsLieSixOnAPage() throws Exception {
    List<ContactSheet.Frame> frames = new ArrayList<>();
    for (int i = 0; i < 7; i++) {
      BufferedImage picture = new BufferedImage(16, 9, BufferedImage.TYPE_INT_RGB);
      frames.add(new ContactSheet.Frame(picture, "Shot " + i, "50 mm, f/8"));
    }
    byte[] pdf = ContactSheet.write("Ball: shots", frames);
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertThat(document.getNumberOfPages()).isEqualTo(2);
      assertThat(text(document)).contains("Shot 0", "Shot 6", "50 mm, f/8", "page 2");
      int images = 0;
      for (PDPage page : document.getPages()) {
        for (var name : page.getResources().getXObjectNames()) {
          images += page.getResources().isImageXObject(name) ? 1 : 0;
        }
      }
      assertThat(images).isEqualTo(7);
    }
  }
}
