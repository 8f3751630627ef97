package levelember.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import levelember.demo.DemoModels;
import levelember.formats.document.ShootDocument;
import levelember.formats.picture.OpenExr;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

/** An artist lights a ball in Chromium. */
class LightingAShootTest extends ChromiumTest {
  private static final String SAIL = new String(DemoModels.sail(), UTF_8);

  @Test
  void aMutedLightTakesJustItsShareAndNoRayIsTraced() {
    finished();
    double before = shown()[0];
    Locator share = strip("Key softbox").getByTestId("share");
    assertThat(share).not().hasText("0.0 %");
    button("Mute Key softbox").click();
    assertThat(share).hasText("0.0 %");
    assertThat(pill()).hasAttribute("data-rays", "0");
    page.waitForCondition(() -> shown()[0] < before - 5);
    button("Mute Key softbox").click();
    assertThat(share).not().hasText("0.0 %");
    page.waitForCondition(() -> Math.abs(shown()[0] - before) < 0.5);
    assertThat(pill()).hasAttribute("data-rays", "0");
  }

  @Test
  void aFaderMovedByKeysShowsInThePictureWithoutTracing() {
    finished();
    double before = shown()[0];
    Locator fader =
        page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Key softbox level"));
    fader.press("PageUp");
    assertThat(fader).hasAttribute("aria-valuetext", "+1 stops");
    page.waitForCondition(() -> shown()[0] > before + 3);
    assertThat(pill()).hasAttribute("data-rays", "0");
    page.keyboard().press("Control+z");
    assertThat(fader).hasAttribute("aria-valuetext", "0 stops");
  }

  @Test
  void aTypedBrightnessWithUnitIsKeptAndCanBeUndoneAfterAReload() {
    strip("Top light").click();
    Locator field =
        page.getByLabel("Brightness", new Page.GetByLabelOptions().setExact(true))
            .locator("visible=true")
            .last();
    String was = field.inputValue();
    field.fill("1.2 klm");
    field.press("Enter");
    assertThat(field).hasValue("1200");
    assertThat(button("Undo: Brightness of Top light")).isEnabled();
    page.reload();
    strip("Top light").click();
    assertThat(field).hasValue("1200");
    button("Undo: Brightness of Top light").click();
    assertThat(field).hasValue(was);
  }

  @Test
  void anImpossibleNumberIsRefusedWhereItStands() {
    strip("Top light").click();
    Locator field = page.getByLabel("Temperature", new Page.GetByLabelOptions().setExact(true));
    field.fill("90 K");
    field.press("Enter");
    assertThat(page.getByRole(AriaRole.ALERT)).hasText("1000 to 40000 K");
    field.press("Escape");
    assertThat(field).hasValue("5400");
  }

  @Test
  void aLightIsAddedDuplicatedAndDeleted() {
    Locator strips = page.locator("[data-light]");
    strips.first().waitFor();
    int before = strips.count();
    button("Light").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Sphere light"))
        .last()
        .click();
    assertThat(strips).hasCount(before + 1);
    button("Duplicate this light").click();
    assertThat(strips).hasCount(before + 2);
    button("Delete this light").click();
    assertThat(strips).hasCount(before + 1);
    strip("Sphere light").click();
    button("Delete this light").click();
    assertThat(strips).hasCount(before);
  }

  @Test
  void draggingInThePictureOrbitsTheCamera() {
    page.waitForFunction(
        "() => document.querySelector('main canvas')?.style.visibility === 'visible'");
    var box = page.locator("main canvas").boundingBox();
    page.mouse().move(box.x + 200, box.y + 200);
    page.mouse().down();
    page.mouse()
        .move(
            box.x + 260, box.y + 200, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(6));
    page.mouse().up();
    Locator undo = button("Undo: Orbit the camera");
    assertThat(undo).isEnabled();
    undo.click();
  }

  @Test
  void aShootIsBroughtInAndItsPictureArrivesAndGetsFiner() throws Exception {
    Path file = Files.createTempFile(home, "shoot", ".ember");
    Files.write(file, TestStudio.named("Winter window").write());
    page.getByLabel("Shoot to import", new Page.GetByLabelOptions().setExact(true))
        .setInputFiles(file);
    assertThat(page).hasTitle("Winter window · Level Ember");
    assertThat(page).hasURL(Pattern.compile(".*#/winter-window.*"));
    page.waitForFunction(
        "() => document.querySelector('main canvas')?.style.visibility === 'visible'");
    double[] first = shown();
    assertThat(first[0]).as("not black, not white").isBetween(20.0, 235.0);
    assertThat(first[1]).as("not one even grey").isGreaterThan(10);
    finished();
    page.waitForCondition(() -> !java.util.Arrays.equals(shown(), first));
    assertThat(shown()[0]).as("the same exposure").isCloseTo(first[0], within(12.0));
  }

  @Test
  void aModelIsBroughtInDressedAndTakenBack() throws Exception {
    finished();
    button("Set").click();
    Path file = Files.createTempFile("sail", ".gltf");
    Files.writeString(file, SAIL);
    page.getByLabel("Model to import", new Page.GetByLabelOptions().setExact(true))
        .setInputFiles(file);
    Locator report = page.getByRole(AriaRole.DIALOG);
    assertThat(report.innerText()).contains("1 piece of 1 triangles", "1 × 1 × 0 m");
    button("Keep").click();
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^Sail")))
        .click();
    Locator roughness =
        page.getByLabel("Roughness of the material", new Page.GetByLabelOptions().setExact(true));
    roughness.fill("0.2");
    roughness.press("Enter");
    assertThat(button("Undo: Material Canvas")).isEnabled();
    assertThat(roughness).hasValue("0.2");
    button("Delete this piece").click();
    Locator sail =
        page.getByRole(
            AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^Sail")));
    assertThat(sail).hasCount(0);
    button("Undo: Delete Sail").click();
    assertThat(sail).hasCount(1);
    button("Undo: Material Canvas").click();
    page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("Undo: Import .*sail.*")))
        .click();
    assertThat(sail).hasCount(0);
  }

  @Test
  void aSetPieceIsBuiltAndItsMaterialGetsACopyOfItsOwn() {
    button("Set").click();
    button("Piece").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Cylinder")).click();
    assertThat(button("Undo: Build Cylinder")).isEnabled();
    Locator height = page.getByLabel("Height", new Page.GetByLabelOptions().setExact(true));
    height.fill("12 cm");
    height.press("Enter");
    assertThat(height).hasValue("0.12");
    assertThat(button("Own copy")).isDisabled();
    button("Duplicate this piece").click();
    assertThat(page.getByText("Used by 2 pieces")).isVisible();
    button("Own copy").click();
    assertThat(page.getByText("Used by 1 piece")).isVisible();
    button("Make it a light").click();
    button("Rig").click();
    assertThat(page.locator("[data-light]")).hasCount(7);
    for (String done :
        new String[] {
          "Make .* a light", "A material of its own .*", "Duplicate .*", "Dimensions .*", "Build .*"
        }) {
      page.getByRole(
              AriaRole.BUTTON,
              new Page.GetByRoleOptions().setName(Pattern.compile("Undo: " + done)))
          .click();
    }
    assertThat(page.locator("[data-light]")).hasCount(6);
  }

  @Test
  void aPieceIsChosenByPointingMovedByItsHandleAndMirrored() {
    finished();
    button("Set").click();
    BoundingBox box = page.locator("main canvas").boundingBox();
    page.mouse().click(box.x + box.width * 0.5, box.y + box.height * 0.95);
    assertThat(button("Mirror a copy")).isVisible();
    Locator x = page.getByLabel("Position X", new Page.GetByLabelOptions().setExact(true));
    assertThat(x).hasValue("0");
    BoundingBox grip = page.locator("[data-handle=X] rect").boundingBox();
    page.mouse().move(grip.x + grip.width / 2, grip.y + grip.height / 2);
    page.mouse().down();
    for (int i = 1; i <= 6; i++) {
      page.mouse().move(grip.x + grip.width / 2 + 8 * i, grip.y + grip.height / 2);
    }
    page.mouse().up();
    assertThat(button("Undo: Move Plinth")).isEnabled();
    double moved = Double.parseDouble(x.inputValue());
    assertThat(moved).isBetween(0.01, 0.2);
    button("Mirror a copy").click();
    assertThat(button("Undo: Mirror Plinth")).isEnabled();
    assertThat(x).hasValue(Pattern.compile("^-" + x.inputValue().replace("-", "")));
    button("Undo: Mirror Plinth").click();
    button("Undo: Move Plinth").click();
  }

  @Test
  void theSetIsSeenWithoutItsLightAndInClay() {
    finished();
    double traced = shown()[1];
    for (String view : new String[] {"Mesh", "Pieces", "Shaded", "Clay"}) {
      page.getByRole(
              AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^View: ")))
          .click();
      double before = shown()[0];
      page.getByRole(
              AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^" + view)))
          .click();
      page.waitForCondition(() -> Math.abs(shown()[0] - before) > 0.5);
    }
    page.keyboard().press("Escape");
    finished();
    assertThat(Math.abs(shown()[1] - traced)).isGreaterThan(0.5);
    button("View: Clay").click();
    page.getByRole(
            AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Traced")))
        .click();
  }

  @Test
  void aMaterialGetsAPictureFromTheShelfWhichGoesWithUndo() {
    button("Set").click();
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^Plinth")))
        .first()
        .click();
    button("Add a picture: Colour").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Walnut grain")).click();
    Locator laid =
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Colour picture"));
    assertThat(laid).isVisible();
    assertThat(
            page.getByLabel(
                "Across a metre, colour picture", new Page.GetByLabelOptions().setExact(true)))
        .hasValue("1.667");
    button("Undo: Pictures of Marsh green lacquer").click();
    assertThat(laid).hasCount(0);
  }

  @Test
  void aBrokenShootIsRefusedInWords() throws Exception {
    Path file = Files.createTempFile(home, "broken", ".ember");
    String document = new String(ShootDocument.write(TestStudio.named("Broken").shoot()), UTF_8);
    Files.writeString(file, document.replaceFirst("\"name\"", "\"gloom\" : 1, \"name\""));
    page.getByLabel("Shoot to import", new Page.GetByLabelOptions().setExact(true))
        .setInputFiles(file);
    assertThat(page.getByText(Pattern.compile("gloom is unknown"))).isVisible();
  }

  @Test
  void thePictureIsSavedAsPngAndAsExrWhoseLayersAddUp() throws Exception {
    finished();
    BufferedImage png = ImageIO.read(saved("PNG, 8 bit").toFile());
    assertThat(png.getWidth()).isGreaterThan((int) (600 * SCREEN_SCALE));
    int middle = png.getRGB(png.getWidth() / 2, png.getHeight() / 8);
    assertThat(middle & 0xFF).isBetween(20, 250);
    OpenExr.Channels exr = OpenExr.read(Files.readAllBytes(saved("OpenEXR with all layers")));
    Picture whole = exr.layer("");
    assertThat(exr.channels()).hasSize(3 * 7);
    double[] sum = new double[whole.rgb().length];
    exr.channels().keySet().stream()
        .filter(name -> name.endsWith(".R"))
        .map(name -> exr.layer(name.substring(0, name.length() - 2)))
        .forEach(layer -> {
          for (int i = 0; i < sum.length; i++) {
            sum[i] += layer.rgb()[i];
          }
        });
    for (int i = 0; i < sum.length; i += 97) {
      assertThat((double) whole.rgb()[i]).isCloseTo(sum[i], within(1e-4 * (1 + sum[i])));
    }
  }

  private Path saved(String item) {
    page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("^Save the picture")))
        .click();
    Download download =
        page.waitForDownload(() ->
            page.getByRole(
                    AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(item).setExact(true))
                .click());
    return download.path();
  }
}
