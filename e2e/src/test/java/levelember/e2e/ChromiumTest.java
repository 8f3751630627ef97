package levelember.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** The packaged application with its demo, open in Chromium. */
abstract class ChromiumTest {
  static final int SAMPLES = 1;
  static final double WAIT = 120_000;

  /** Pixels of the screen for one of the page. */
  static final double SCREEN_SCALE = 0.5;

  @TempDir static Path home;
  Page page;

  /** The copy of the test shoot that is the test's own. */
  private String shoot;

  /** One application and one browser for all tests; they end with the process. */
  private static final class Shared {
    static final Application APPLICATION = application(false);
    static final Playwright PLAYWRIGHT = Playwright.create();
    static final Browser BROWSER = chromium(PLAYWRIGHT);
    static final String STUDIO = APPLICATION.keep(TestStudio.named("Test studio").write());
  }

  static {
    // Machines that test are shared: what takes a moment alone may take long beside others.
    PlaywrightAssertions.setDefaultAssertionTimeout(30_000);
  }

  static Application application(boolean demo) {
    try {
      Path folder = Files.createTempDirectory("ember-e2e-");
      Application started = new Application(folder, SAMPLES, demo);
      Runtime.getRuntime().addShutdownHook(new Thread(started::close));
      return started;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static Browser chromium(Playwright playwright) {
    return playwright
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

  /** Where the application answers. */
  String url() {
    return Shared.APPLICATION.url();
  }

  static Application shared() {
    return Shared.APPLICATION;
  }

  /**
   * A page of its own, as small as all parts of the page fit, on a screen of few pixels: they are
   * what tracing costs.
   */
  final Page newPage() {
    Page made =
        Shared.BROWSER.newPage(
            new Browser.NewPageOptions()
                .setViewportSize(1024, 720)
                .setDeviceScaleFactor(SCREEN_SCALE));
    made.setDefaultTimeout(WAIT);
    return made;
  }

  /** The address of the test's own shoot. */
  String address() {
    if (shoot == null) {
      shoot = Shared.APPLICATION.copy(Shared.STUDIO);
    }
    return url() + "#/" + shoot;
  }

  @BeforeEach
  void open() {
    page = newPage();
    page.navigate(address());
  }

  @AfterEach
  void close() {
    page.close();
    if (shoot != null) {
      Shared.APPLICATION.ask("DELETE", "api/shoots/" + shoot, null);
    }
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

  /** Chooses from the menu that is open. */
  final void choose(String item) {
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(item).setExact(true))
        .click();
    // Until it is gone it takes what the mouse does.
    page.locator(".MuiMenu-root")
        .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
  }

  final Locator strip(String name) {
    return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  final Locator button(String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }
}
