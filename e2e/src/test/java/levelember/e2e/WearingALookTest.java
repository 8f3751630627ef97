package levelember.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.file.Files;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** An artist gives a shot its look in Chromium. */
class WearingALookTest extends ChromiumTest {
  @BeforeEach
  void enter() {
    finished();
    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Look"))
        .click();
  }

  private static LocatorAssertions.IsVisibleOptions patient() {
    return new LocatorAssertions.IsVisibleOptions().setTimeout(WAIT);
  }

  private Locator tab(String name) {
    return page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private void undo(String what) {
    assertThat(button("Undo: " + what)).isVisible(patient());
    page.waitForResponse(r -> r.url().endsWith("/undo"), () -> button("Undo: " + what).click());
  }

  private void fill(String label, String value) {
    Locator field = page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    field.fill(value);
    field.press("Enter");
  }

  @Test
  void aSuggestedExposureIsTakenAndShownWithoutTracing() {
    double before = shown()[0];
    fill("EV at ISO 100", "11");
    page.waitForCondition(() -> shown()[0] < 0.8 * before);
    assertThat(pill()).hasAttribute("data-rays", "0");
    button("Meter").click();
    Locator suggested =
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Suggested exposure"));
    double dark = shown()[0];
    suggested.getByText("Average").click();
    assertThat(button("Undo: Exposure as metered")).isVisible(patient());
    page.waitForCondition(() -> shown()[0] > 1.05 * dark);
    undo("Exposure as metered");
    undo("Exposure");
  }

  @Test
  void aNumberFollowsTheHandAndIsKeptWhereItLetsGo() {
    Locator field = page.getByLabel("Contrast", new Page.GetByLabelOptions().setExact(true));
    double start = Double.parseDouble(field.inputValue());
    double before = shown()[0];
    BoundingBox at = inView(page.getByText("Contrast", new Page.GetByTextOptions().setExact(true)));
    double x = at.x + at.width / 2, y = at.y + at.height / 2;
    page.mouse().move(x, y);
    page.mouse().down();
    for (int pixels = 1; pixels <= 120; pixels++) {
      page.mouse().move(x + pixels, y);
    }
    // Four pixels a notch of two hundredths.
    page.waitForCondition(
        () -> Math.abs(Double.parseDouble(field.inputValue()) - start - 0.6) < 0.005);
    page.waitForCondition(() -> Math.abs(shown()[0] - before) > 2);
    page.mouse().up();
    assertThat(button("Undo: Contrast")).isVisible(patient());
    assertThat(Double.parseDouble(field.inputValue())).isCloseTo(start + 0.6, within(0.005));
    undo("Contrast");
    page.waitForCondition(() -> Math.abs(Double.parseDouble(field.inputValue()) - start) < 0.005);
    page.waitForCondition(() -> Math.abs(shown()[0] - before) < 1);
  }

  @Test
  void aGlowIsAddedSetAndSwitchedOff() {
    double before = shown()[0];
    button("A glow").click();
    assertThat(button("Undo: Add Glow 2")).isVisible(patient());
    fill("Threshold of Glow 2", "-6");
    fill("Level of the bloom", "0.9");
    page.waitForCondition(() -> Math.abs(shown()[0] - before) > 0.2);
    assertThat(pill()).hasAttribute("data-rays", "0");
    double lit = shown()[0];
    page.getByLabel("Glow 2 on", new Page.GetByLabelOptions().setExact(true)).click();
    page.waitForCondition(() -> Math.abs(shown()[0] - lit) > 0.2);
    undo("Glow 2 off");
    undo("Bloom of Glow 2");
    undo("Threshold of Glow 2");
    undo("Add Glow 2");
  }

  @Test
  void theGradesHangOnAWallAndOneIsTaken() {
    tab("Grades").click();
    Locator wall =
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Grades of the shelf"));
    assertThat(wall.getByRole(AriaRole.BUTTON)).hasCount(12);
    wall.getByText("Silver print").click();
    assertThat(button("Undo: Grade Silver print")).isVisible(patient());
    // Without colour: red and blue of a place in the brass are alike.
    page.waitForCondition(() -> Math.abs(colourOf(0) - colourOf(2)) < 2);
    undo("Grade Silver print");
    page.waitForCondition(() -> Math.abs(colourOf(0) - colourOf(2)) > 5);
  }

  /** Mean of a channel over the picture. */
  private double colourOf(int channel) {
    Object mean =
        page.evaluate(
            """
            (k) => {
              const c = document.querySelector('main canvas');
              const d = c.getContext('2d').getImageData(0, 0, c.width, c.height).data;
              let s = 0;
              for (let i = k; i < d.length; i += 4) s += d[i];
              return 4 * s / d.length;
            }
            """,
            channel);
    return ((Number) mean).doubleValue();
  }

  @Test
  void aLookIsCopiedWornComparedAndDeleted() {
    button("Duplicate look").click();
    assertThat(button("Undo: Copy the look Catalogue")).isVisible(patient());
    assertThat(page.getByLabel("Name of the look", new Page.GetByLabelOptions().setExact(true)))
        .hasValue("Catalogue 2");
    tab("Looks").click();
    Locator wall =
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Looks of this shoot"));
    assertThat(wall.getByRole(AriaRole.BUTTON)).hasCount(3);
    wall.getByText("Old brass").click();
    assertThat(button("Undo: Wear Old brass")).isVisible(patient());
    wall.getByText("Catalogue 2").click();
    assertThat(page.getByLabel("Name of the look", new Page.GetByLabelOptions().setExact(true)))
        .hasValue("Catalogue 2");
    button("Delete the look").click();
    assertThat(wall.getByRole(AriaRole.BUTTON)).hasCount(2);
    undo("Delete the look Catalogue 2");
    undo("Wear Catalogue 2");
    undo("Wear Old brass");
    undo("Copy the look Catalogue");
  }

  private static BoundingBox inView(Locator what) {
    what.scrollIntoViewIfNeeded();
    return what.boundingBox();
  }

  @Test
  void wheelsCurvesAndALutGradeAndGoOutAgain() throws Exception {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Grade")).last().click();
    double red = colourOf(0), blue = colourOf(2);
    BoundingBox wheel = inView(page.locator("[data-wheel=gain]"));
    page.mouse().move(wheel.x + wheel.width / 2, wheel.y + wheel.height / 2);
    page.mouse().down();
    Locator dot = page.locator("[data-wheel=gain] circle");
    String middle = dot.getAttribute("cx");
    page.mouse().move(wheel.x + wheel.width * 0.9, wheel.y + wheel.height / 2);
    // All of it already while the hand still holds the wheel.
    page.waitForCondition(() -> !dot.getAttribute("cx").equals(middle));
    page.waitForCondition(() -> colourOf(0) - colourOf(2) > red - blue + 5);
    page.mouse().up();
    undo("Gain of Catalogue");
    page.waitForCondition(() -> colourOf(0) - colourOf(2) < red - blue + 1);
    BoundingBox curve = inView(page.getByTestId("grade-curve"));
    double before = shown()[0];
    page.mouse().move(curve.x + curve.width / 2, curve.y + curve.height / 2);
    page.mouse().down();
    Locator line = page.getByTestId("grade-curve").locator("polyline");
    String straight = line.getAttribute("points");
    page.mouse().move(curve.x + curve.width / 2, curve.y + curve.height * 0.2);
    page.waitForCondition(() -> !line.getAttribute("points").equals(straight));
    page.waitForCondition(() -> shown()[0] > before + 5);
    page.mouse().up();
    undo("Curve of Catalogue");
    byte[] lut = "LUT_1D_SIZE 2\n1 1 1\n0 0 0\n".getBytes();
    Locator file = page.getByLabel("LUT or CDL file", new Page.GetByLabelOptions().setExact(true));
    file.setInputFiles(new FilePayload("turned.cube", "text/plain", lut));
    assertThat(button("Undo: LUT turned.cube")).isVisible(patient());
    page.waitForCondition(() -> Math.abs(shown()[0] - before) > 5);
    Download out =
        page.waitForDownload(() ->
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("As .cube"))
                .click());
    assertThat(Files.readString(out.path())).contains("LUT_3D_SIZE 33");
    undo("LUT turned.cube");
    byte[] broken = "LUT_1D_SIZE 2\n1 1 1\n0 zero 0\n".getBytes();
    file.setInputFiles(new FilePayload("broken.cube", "text/plain", broken));
    assertThat(page.getByText("in line 3").first()).isVisible(patient());
  }

  @Test
  void theScopesMeasureAndTheViewInStopsHasItsLegend() {
    Locator canvas = page.getByLabel("Waveform", new Page.GetByLabelOptions().setExact(true));
    assertThat(canvas).isVisible(patient());
    page.waitForCondition(() ->
        (Boolean)
            canvas.evaluate(
                "c => c.getContext('2d').getImageData(0, 0, c.width, c.height).data.some(v => v > 0)"));
    button("Light").click();
    assertThat(page.getByText("Stops from mid grey, -10 to +6.")).isVisible(patient());
    button("View: Traced").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Stops")).click();
    assertThat(
            page.getByLabel(
                "Stops from mid grey by colour", new Page.GetByLabelOptions().setExact(true)))
        .isVisible(patient());
    button("View: Stops").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Traced")).click();
  }
}
