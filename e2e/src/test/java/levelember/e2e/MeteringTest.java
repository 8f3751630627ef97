package levelember.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** An artist reads a place, asks for another reading and takes the levels for it, in Chromium. */
class MeteringTest extends ChromiumTest {
  private Locator inDetails(String name) {
    return page.getByRole(AriaRole.COMPLEMENTARY)
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
  }

  private void tab(String name) {
    page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name)).click();
  }

  private Locator undo(String what) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo: " + what));
  }

  private void pin(double x, double y) {
    BoundingBox box = page.locator("main canvas").first().boundingBox();
    inDetails("Add pin").click();
    page.mouse().click(box.x + x * box.width, box.y + y * box.height);
  }

  @Test
  void aPinIsReadATargetIsMetAndThePictureLookedOver() {
    finished();
    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Proofs"))
        .click();
    tab("Meter");
    pin(0.5, 0.92);
    Locator pins = page.getByRole(AriaRole.LISTBOX, new Page.GetByRoleOptions().setName("Pins"));
    assertThat(pins.getByRole(AriaRole.OPTION)).hasCount(1);
    assertThat(pins).containsText(Pattern.compile("[+−]\\d\\.\\d\\d st"));
    inDetails("Measure").click();
    assertThat(page.getByText(Pattern.compile("on a half-sphere .* k?lx"))).isVisible();
    tab("Targets");
    inDetails("Add target").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Level at a pin"))
        .click();
    Locator wanted = page.getByLabel(Pattern.compile("^Wanted"));
    wanted.focus();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("ArrowDown");
    page.keyboard().press("ArrowDown");
    assertThat(undo("Change target")).isVisible();
    inDetails("Find levels").click();
    Locator outcomes =
        page.getByRole(
            AriaRole.LIST, new Page.GetByRoleOptions().setName("Targets before and after"));
    assertThat(outcomes).containsText("met");
    inDetails("Take").click();
    assertThat(undo("Meet targets")).isVisible();
    tab("Second look");
    assertThat(
            page.getByText(
                Pattern.compile("findings? in this shot|Nothing stands out in the light")))
        .isVisible();
  }
}
