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
import org.junit.jupiter.api.Test;

/** An artist has light move and prints it as a film, in Chromium. */
class MovingAShootTest extends ChromiumTest {
  private void enter(String room) {
    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(room))
        .click();
  }

  private void fill(String label, String value) {
    Locator field = page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).first();
    field.fill(value);
    field.press("Enter");
  }

  private void select(String label, String option) {
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(label).setExact(true))
        .click();
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(option).setExact(true))
        .click();
  }

  private void toFrame(int frame) {
    Locator time =
        page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Time").setExact(true));
    time.focus();
    while (Integer.parseInt(time.getAttribute("aria-valuenow")) < frame) {
      time.press("ArrowRight");
    }
  }

  @Test
  void aLevelIsKeyedFromNothingAndThePictureFollowsTheTime() {
    finished();
    enter("Motion");
    assertThat(page.getByText("Nothing moves yet")).isVisible();
    button("Track").click();
    page.getByRole(AriaRole.MENUITEM).first().click();
    choose("Level");
    Locator key = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Key of"));
    assertThat(key).hasCount(1);
    String light = key.getAttribute("aria-label").replaceAll("Key of (.*), Level at .*", "$1");
    finished();
    double before = shown()[0];
    toFrame(13);
    enter("Rig");
    Locator level = strip(light).getByTestId("level");
    strip(light).getByTestId("level").click();
    page.keyboard().press("Shift+BracketRight");
    page.keyboard().press("Shift+BracketRight");
    assertThat(level).hasText("+2");
    page.waitForCondition(() -> shown()[0] > before + 2);
    assertThat(
            page.getByRole(
                AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName("Level of " + light + ": on a key")))
        .isVisible();
    enter("Motion");
    assertThat(key).hasCount(2);
    button("Key before").click();
    enter("Rig");
    assertThat(level).hasText("0");
    page.waitForCondition(() -> Math.abs(shown()[0] - before) < 2);
    // Two touches of the level, each a step of its own.
    page.keyboard().press("Control+z");
    page.keyboard().press("Control+z");
    enter("Motion");
    assertThat(key).hasCount(1);
  }

  @Test
  void aTurntableIsMadePrintedAsAFilmAndLookedThroughForFlicker() throws IOException {
    enter("Motion");
    select("Of", "Globe");
    fill("To frame", "4");
    button("Make keys").click();
    assertThat(page.getByText("Globe: Turn")).isVisible();
    fill("Last", "4");
    enter("Print");
    select("Of the motion", "Frames");
    fill("Width", "96");
    fill("Height", "64");
    select("Goes by", "samples");
    fill("Samples a pixel", "2");
    page.getByRole(AriaRole.COMPLEMENTARY)
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Print").setExact(true))
        .click();
    assertThat(page.getByText("1 to 4", new Page.GetByTextOptions().setExact(true))).isVisible();
    assertThat(page.locator("video"))
        .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(WAIT));
    assertThat(page.getByText("off their neighbours")).isVisible();
    Locator files = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Files"));
    Locator save = files.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save"));
    assertThat(save).hasCount(5);
    Download film = page.waitForDownload(() -> save.first().click());
    assertThat(film.suggestedFilename()).endsWith(".mp4");
    assertThat(Files.size(film.path())).isPositive();
    page.waitForCondition(
        () -> Boolean.TRUE.equals(page.evaluate("document.querySelector('video').duration > 0.1")));
  }
}
