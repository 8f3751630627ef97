package levelember.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Two real pages on one shoot. */
class SeveralPagesTest extends ChromiumTest {
  private Page other;

  @BeforeEach
  void openAnother() {
    other = newPage();
    other.navigate(address());
    finished();
    other.waitForCondition(() -> pixel(other) > 0);
  }

  @AfterEach
  void closeTheOther() {
    other.close();
  }

  /** A checksum of the shown picture; 0 before there is one. */
  private static double pixel(Page of) {
    Object value =
        of.evaluate(
            """
            () => {
              const c = document.querySelector('main canvas');
              if (!c || !c.width) return 0;
              const d = c.getContext('2d').getImageData(0, 0, c.width, c.height).data;
              let s = 0;
              for (let i = 0; i < d.length; i += 4) s += d[i] * (1 + (i / 4) % 7);
              return s / d.length;
            }
            """);
    return ((Number) value).doubleValue();
  }

  private static void choose(Page in, String menu, String item) {
    in.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("^" + menu + ": ")))
        .click();
    in.getByRole(
            AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^" + item)))
        .first()
        .click();
  }

  @Test
  void eachPageHasItsOwnShot() {
    double front = pixel(page);
    choose(other, "Shot", "Scales, close");
    other.waitForCondition(() -> Math.abs(pixel(other) - front) > 0.5);
    double close = pixel(other);
    button("Mute Key softbox").click();
    page.waitForCondition(() -> Math.abs(pixel(page) - front) > 0.2);
    // Both follow the edit, each in its own shot.
    other.waitForCondition(() -> Math.abs(pixel(other) - close) > 0.2);
    org.assertj.core.api.Assertions.assertThat(pixel(page)).isNotEqualTo(pixel(other));
    assertThat(
            other.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo: Mute Key softbox")))
        .isVisible();
  }

  @Test
  void eachPageHasItsOwnViewAndPause() {
    double traced = pixel(page);
    choose(other, "View", "Pieces");
    other.waitForCondition(() -> Math.abs(pixel(other) - traced) > 0.5);
    pill().click();
    assertThat(pill()).hasAttribute("aria-label", Pattern.compile(".*paused"));
    org.assertj.core.api.Assertions.assertThat(pixel(page)).isEqualTo(traced);
    assertThat(other.getByTestId("pill"))
        .not()
        .hasAttribute("aria-label", Pattern.compile(".*paused"));
  }

  @Test
  void whatIsSavedIsWhatThePageShows() {
    choose(other, "Shot", "Scales, close");
    other.waitForCondition(() -> !other.getByTestId("pill").innerText().contains("size"));
    other.waitForCondition(() ->
        Integer.toString(SAMPLES).equals(other.getByTestId("pill").getAttribute("data-samples")));
    other
        .getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("^Save the picture")))
        .click();
    var download =
        other.waitForDownload(() ->
            other
                .getByRole(
                    AriaRole.MENUITEM,
                    new Page.GetByRoleOptions().setName("PNG, 8 bit").setExact(true))
                .click());
    assertThat(download.suggestedFilename()).endsWith("-scale.png");
  }
}
