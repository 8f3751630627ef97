package levelember.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** An artist keeps pictures, holds them against each other and goes back, in Chromium. */
class TakingProofsTest extends ChromiumTest {
  private void enter(String room) {
    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(room))
        .click();
  }

  private Locator inDetails(String button) {
    return page.getByRole(AriaRole.COMPLEMENTARY)
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(button).setExact(true));
  }

  @Test
  void aProofIsTakenHeldAgainstThePictureAndGoneBackTo() {
    finished();
    page.keyboard().press("p");
    assertThat(page.getByText("Proof 1 is kept")).isVisible();
    enter("Rig");
    Locator level = page.getByTestId("level").nth(1);
    level.click();
    page.keyboard().press("Shift+BracketRight");
    page.keyboard().press("Shift+BracketRight");
    assertThat(level).hasText("+2");
    enter("Proofs");
    Locator proof = page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Proof 1"));
    assertThat(proof).hasAttribute("aria-selected", "true");
    Locator wipe = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Wipe"));
    wipe.focus();
    page.keyboard().press("ArrowLeft");
    assertThat(wipe).hasAttribute("aria-valuenow", "48");
    assertThat(page.getByText("now +2 st, then 0 st")).isVisible();
    inDetails("Rig").click();
    assertThat(page.getByText("Nothing has changed since.")).isVisible();
    enter("Rig");
    assertThat(level).hasText("0");
    page.keyboard().press("Control+z");
    assertThat(level).hasText("+2");
  }
}
