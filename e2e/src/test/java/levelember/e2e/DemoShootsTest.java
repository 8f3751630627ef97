package levelember.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every demo shoot opens in the page and shows a lit picture. */
class DemoShootsTest extends ChromiumTest {
  private static Application demo;

  @Override
  @BeforeEach
  void open() {
    if (demo == null) {
      demo = application(true);
    }
    page = newPage();
  }

  @Override
  @AfterEach
  void close() {
    page.close();
  }

  @ParameterizedTest
  @ValueSource(strings = {"armillary", "tide-lens", "reading-room", "night-terrace", "signal-lamp"})
  void aDemoShootShowsALitPicture(String id) {
    page.navigate(demo.url() + "#/" + id);
    page.waitForCondition(
        () -> {
          String shown = page.getByTestId("pill").innerText();
          return page.locator("main canvas").count() > 0
              && !shown.contains("1/8")
              && !shown.contains("1/4")
              && visible();
        },
        new Page.WaitForConditionOptions().setTimeout(WAIT));
    double[] picture = shown();
    assertThat(picture[0]).as("not black, not white").isBetween(3.0, 235.0);
    assertThat(picture[1]).as("not one even grey").isGreaterThan(3);
  }

  private boolean visible() {
    return (Boolean)
        page.evaluate(
            "() => document.querySelector('main canvas')?.style.visibility === 'visible'");
  }
}
