package levelember.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** An artist begins with an empty shoot in Chromium. */
class BeginningAShootTest extends ChromiumTest {
  private void shootMenu() {
    page.getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Shoot: ")))
        .click();
  }

  @Test
  void anEmptyShootIsBegunNamedBuiltInAndDeleted() {
    finished();
    shootMenu();
    choose("New shoot");
    assertThat(page).hasURL(Pattern.compile(".*#/new-shoot.*"));
    shootMenu();
    Locator name =
        page.getByLabel("Name of the shoot", new Page.GetByLabelOptions().setExact(true));
    name.fill("Still life");
    name.press("Enter");
    assertThat(button("Undo: Name the shoot Still life")).isVisible();
    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set"))
        .click();
    assertThat(page.getByText("Nothing stands here yet")).isVisible();
    button("Piece").click();
    choose("Lathe");
    assertThat(button("Undo: Build Lathe")).isVisible();
    finished();
    double before = shown()[1];

    // The third corner of the profile is drawn out.
    Locator corner = page.getByTestId("profile").locator("circle").nth(2);
    corner.scrollIntoViewIfNeeded();
    BoundingBox dot = corner.boundingBox();
    page.mouse().move(dot.x + dot.width / 2, dot.y + dot.height / 2);
    page.mouse().down();
    page.mouse().move(dot.x + 60, dot.y + dot.height / 2);
    page.mouse().up();
    assertThat(button("Undo: Profile of Lathe")).isVisible();
    page.waitForCondition(() -> Math.abs(shown()[1] - before) > 0.3);

    shootMenu();
    choose("Delete this shoot …");
    button("Delete the shoot").click();
    assertThat(
            page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Shoot: "))))
        .not()
        .hasText("Still life");
    // Another shoot is opened, and its picture comes.
    page.waitForCondition(() -> shown()[0] > 5);
    finished();
  }
}
