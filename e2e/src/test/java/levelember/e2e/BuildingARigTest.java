package levelember.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.Test;

/** An artist builds a rig in Chromium: lights, patterns, links, places by effect, on the plan. */
class BuildingARigTest extends ChromiumTest {
  private void add(String kind) {
    page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Master"))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Light"))
        .click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(kind).setExact(true))
        .click();
    assertThat(strip(kind)).isVisible();
  }

  private Locator option(String name) {
    return page.getByRole(
        AriaRole.OPTION, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private Locator tab(String name) {
    return page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private void undo(String what) {
    page.waitForResponse(r -> r.url().endsWith("/undo"), () -> button("Undo: " + what).click());
  }

  @Test
  void aSpotWithAPatternShapesThePictureAndOneClickSwapsIt() {
    add("Spot");
    button("Solo Spot").click();
    finished();
    double open = shown()[0];
    option("Grid").click();
    assertThat(button("Undo: Pattern of Spot")).isVisible();
    page.waitForCondition(() -> shown()[0] < 0.97 * open);
    double grid = shown()[0];
    option("Slit").click();
    page.waitForCondition(() -> shown()[0] < 0.8 * grid);
    assertThat(option("Slit")).hasAttribute("aria-selected", "true");
    undo("Pattern of Spot");
    undo("Pattern of Spot");
    undo("Solo Spot");
    undo("Add Spot");
  }

  @Test
  void aLightStruckFromAPieceOnTheBoardNoLongerLightsIt() {
    finished();
    button("Solo Key softbox").click();
    double before = shown()[0];
    tab("Links").click();
    Locator cell =
        page.getByRole(
            AriaRole.GRIDCELL,
            new Page.GetByRoleOptions()
                .setName("Paper sweep by Key softbox: lit, and casts its shadow")
                .setExact(true));
    cell.focus();
    // Lit alone, then shadows alone: the paper goes dark.
    page.keyboard().press("Enter");
    Locator alone =
        page.getByRole(
            AriaRole.GRIDCELL,
            new Page.GetByRoleOptions()
                .setName("Paper sweep by Key softbox: lit, casts no shadow"));
    alone.focus();
    page.keyboard().press("Enter");
    page.waitForCondition(() -> shown()[0] < 0.7 * before);
    tab("Desk").click();
    assertThat(strip("Key softbox").getByLabel("linked to less than everything")).isVisible();
    undo("Links");
    undo("Links");
    undo("Solo Key softbox");
  }

  @Test
  void aHighlightIsPlacedByPointingAndLeftByEscape() {
    finished();
    strip("Rim strip").click();
    Locator x = page.getByLabel("Position X", new Page.GetByLabelOptions().setExact(true));
    String was = x.inputValue();
    BoundingBox box = page.locator("main canvas").boundingBox();
    double middleX = box.x + 0.5 * box.width, middleY = box.y + 0.4 * box.height;
    button("What the light shall make: Place by pointing").click();
    choose("A highlight");
    page.mouse().move(middleX, middleY);
    page.mouse().move(middleX + 3, middleY + 2);
    page.waitForCondition(() -> !x.inputValue().equals(was));
    page.keyboard().press("Escape");
    page.waitForCondition(() -> x.inputValue().equals(was));
    button("What the light shall make: Place by pointing").click();
    choose("A highlight");
    page.mouse().click(middleX, middleY);
    assertThat(button("Undo: The highlight of Rim strip")).isVisible();
    undo("The highlight of Rim strip");
    page.waitForCondition(() -> x.inputValue().equals(was));
  }

  /** Where something is once it has stopped moving, as a plan does when its outlines come. */
  private BoundingBox settled(Locator what) {
    BoundingBox was = what.boundingBox();
    for (int i = 0; i < 60; i++) {
      page.waitForTimeout(700);
      BoundingBox now = what.boundingBox();
      if (now.x == was.x && now.y == was.y) {
        return now;
      }
      was = now;
    }
    throw new AssertionError("it never stopped moving");
  }

  @Test
  void aLightIsDraggedOnThePlan() {
    finished();
    tab("Both").click();
    Locator mark = page.locator("[data-light-mark=rim]");
    strip("Rim strip").click();
    BoundingBox box = settled(mark.locator("circle").first());
    String was =
        page.getByLabel("Position X", new Page.GetByLabelOptions().setExact(true)).inputValue();
    double x = box.x + box.width / 2, y = box.y + box.height / 2;
    page.mouse().move(x, y);
    page.mouse().down();
    page.mouse().move(x + 30, y + 5);
    page.mouse().move(x + 60, y + 10);
    assertThat(page.getByText("m to its aim"))
        .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(WAIT));
    page.mouse().up();
    assertThat(button("Undo: Move Rim strip")).isVisible();
    double now =
        Double.parseDouble(
            page.getByLabel("Position X", new Page.GetByLabelOptions().setExact(true))
                .inputValue());
    assertThat(now).isGreaterThan(Double.parseDouble(was) + 0.1);
    undo("Move Rim strip");
    tab("Picture").click();
  }

  @Test
  void theOtherSideFollowsItsSoftboxAndIsSetFree() {
    finished();
    strip("Fill softbox").click();
    assertThat(page.getByText("Mirror image of Key softbox")).isVisible();
    button("Unlink").click();
    assertThat(page.getByLabel("Position X", new Page.GetByLabelOptions().setExact(true)))
        .hasValue("1.25");
    undo("Unlink Fill softbox");
    assertThat(page.getByText("Mirror image of Key softbox")).isVisible();
  }

  @Test
  void aMaterialLetGoOverAPieceDressesIt() {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Set").setExact(true))
        .click();
    finished();
    tab("Materials").click();
    Locator card = page.locator("[data-material=copper]").last();
    card.scrollIntoViewIfNeeded();
    Locator picture = page.locator("main canvas");
    BoundingBox box = picture.boundingBox();
    card.dragTo(
        picture,
        new Locator.DragToOptions()
            .setForce(true)
            .setTargetPosition(0.15 * box.width, 0.3 * box.height));
    assertThat(
            page.getByRole(
                AriaRole.BUTTON,
                new Page.GetByRoleOptions()
                    .setName(java.util.regex.Pattern.compile("^Undo: Dress Paper sweep in .*"))))
        .isVisible(
            new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                .setTimeout(WAIT));
    page.keyboard().press("Control+z");
  }
}
