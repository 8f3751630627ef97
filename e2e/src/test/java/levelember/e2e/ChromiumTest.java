package levelember.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** The packaged application with its demo, open in Chromium. */
abstract class ChromiumTest {
  static final int SAMPLES = 3;
  static final double WAIT = 120_000;

  @TempDir static Path home;
  private static Application application;
  private static Playwright playwright;
  private static Browser browser;
  Page page;

  @BeforeAll
  static void start() throws Exception {
    application = new Application(home, SAMPLES);
    playwright = Playwright.create();
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(
                        List.of(
                            "--no-sandbox",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync")));
  }

  @AfterAll
  static void stop() {
    playwright.close();
    application.close();
  }

  @BeforeEach
  void open() {
    page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
    page.setDefaultTimeout(WAIT);
    page.navigate(application.url() + "#/armillary");
  }

  @AfterEach
  void close() {
    page.close();
  }

  final Locator pill() {
    return page.getByTestId("pill");
  }

  final void finished() {
    page.waitForCondition(
        () -> Integer.toString(SAMPLES).equals(pill().getAttribute("data-samples")),
        new Page.WaitForConditionOptions().setTimeout(WAIT));
  }

  /** Mean and spread of the shown picture's codes. */
  final double[] shown() {
    Object values =
        page.evaluate(
            """
            () => {
              const c = document.querySelector('main canvas');
              const d = c.getContext('2d').getImageData(0, 0, c.width, c.height).data;
              let s = 0, q = 0, n = 0;
              for (let i = 0; i < d.length; i += 4) { const v = d[i] + d[i+1] + d[i+2]; s += v; q += v * v; n++; }
              return [s / n / 3, Math.sqrt(q / n - (s / n) ** 2) / 3, d[4 * (c.width * 100 + 300)]];
            }
            """);
    return ((List<?>) values).stream().mapToDouble(v -> ((Number) v).doubleValue()).toArray();
  }

  final Locator strip(String name) {
    return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  final Locator button(String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }
}
