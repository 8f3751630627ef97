package levelember.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** An artist orders finished pictures in Chromium. */
class PrintingTest extends ChromiumTest {
  @BeforeEach
  void enter() {
    finished();
    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Print"))
        .click();
  }

  private static LocatorAssertions.IsVisibleOptions patient() {
    return new LocatorAssertions.IsVisibleOptions().setTimeout(WAIT);
  }

  private void choose(String label, String option) {
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(label)).click();
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(option).setExact(true))
        .click();
  }

  private void fill(String label, String value) {
    Locator field = page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    field.fill(value);
    field.press("Enter");
  }

  private void order(String samples) {
    fill("Width", "160");
    fill("Height", "96");
    choose("Goes by", "samples");
    fill("Samples a pixel", samples);
    page.getByRole(AriaRole.COMPLEMENTARY)
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Print").setExact(true))
        .click();
  }

  @Test
  void aPrintWithPassesIsOrderedWatchedAndFetched() throws IOException {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Passes")).click();
    page.getByLabel("Every light", new Page.GetByLabelOptions().setExact(true)).check();
    page.getByLabel("Depth", new Page.GetByLabelOptions().setExact(true)).check();
    assertThat(page.getByLabel("OpenEXR", new Page.GetByLabelOptions().setExact(true))).isChecked();
    order("3");
    assertThat(page.getByText("Done").first()).isVisible(patient());
    assertThat(page.getByAltText("as far as it is")).isVisible(patient());
    Locator files = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Files"));
    Locator save = files.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save"));
    assertThat(save).hasCount(2);
    Download png = page.waitForDownload(() -> save.nth(1).click());
    // A file of an earlier print keeps its name: this one's then has a number.
    assertThat(png.suggestedFilename()).matches(".*160x96(-\\d+)?\\.png");
    assertThat(ImageIO.read(png.path().toFile()).getWidth()).isEqualTo(160);
    Download exr = page.waitForDownload(() -> save.nth(0).click());
    Path read = exr.path();
    assertThat(
            new String(
                Files.readAllBytes(read), 0, 2000, java.nio.charset.StandardCharsets.ISO_8859_1))
        .contains("depth.Z");
  }

  @Test
  void aLongPrintIsStoppedWhileLightingGoesOnAndItsFilesAreKept() {
    order("90000");
    assertThat(button("Pause")).isVisible(patient());
    // The hand has the picture meanwhile.
    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Look"))
        .click();
    double before = shown()[0];
    fill("EV at ISO 100", "9");
    page.waitForCondition(() -> Math.abs(shown()[0] - before) > 2);
    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Print"))
        .click();
    page.waitForCondition(
        () -> page.locator("dl").innerText().matches("(?s).*Traced\\s+[1-9].*"),
        new Page.WaitForConditionOptions().setTimeout(WAIT));
    button("Stop and keep").click();
    assertThat(page.getByText("Stopped").first()).isVisible(patient());
    assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Files")))
        .isVisible(patient());
    button("Delete").click();
    assertThat(page.getByText("Order a print")).isVisible(patient());
  }

  @Test
  void aNameThatLeavesTheFolderIsSaidBeforeAnythingIsOrdered() {
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("../{shot}");
    assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("stays in the folder");
    assertThat(
            page.getByRole(AriaRole.COMPLEMENTARY)
                .getByRole(
                    AriaRole.BUTTON,
                    new Locator.GetByRoleOptions().setName("Print").setExact(true)))
        .isDisabled();
  }
}
