package levelember.printing.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import levelember.document.Variants;
import levelember.edit.Outline;
import levelember.gel.GelShelf;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;

/**
 * The rig on paper, so that a set can be lit again or in a real studio: a plan to scale with
 * distances, a table of the lights, the shots with their cameras and the looks.
 */
public final class LightReport {
  private static final float[] COLUMNS = {36, 60, 178, 268, 340, 392, 506, 616, 672, 728};
  private static final String[] HEADS = {
    "No.",
    "Light",
    "Kind",
    "Brightness",
    "Level",
    "Colour",
    "Position x, z m",
    "Height m",
    "To aim m",
    "Of picture"
  };
  private static final float ROW = 15, SMALL = 8;

  private final Shoot shoot;
  private final List<Outline> outlines;
  private final Map<String, Double> shares;
  private final Sheet sheet;

  private LightReport(
      Shoot shoot, List<Outline> outlines, Map<String, Double> shares, Sheet sheet) {
    this.shoot = shoot;
    this.outlines = outlines;
    this.shares = shares;
    this.sheet = sheet;
  }

  /**
   * The report as PDF.
   *
   * @param view of the shoot, whose outlines are drawn
   * @param shares of the picture of the view's shot by a light's id, 0…1; empty when not known
   */
  public static byte[] write(View view, Map<String, Double> shares) throws IOException {
    Shoot shoot = view.shoot();
    try (Sheet sheet = new Sheet(shoot.name() + ": light report")) {
      LightReport report = new LightReport(shoot, Outline.of(view), shares, sheet);
      report.plan();
      report.lights();
      report.shots();
      return sheet.bytes();
    }
  }

  /** The plan from above, as large as fits with a scale of a round number. */
  private void plan() throws IOException {
    sheet.page();
    double left = Double.MAX_VALUE, right = -left, top = left, bottom = -left;
    List<double[]> spots = new ArrayList<>();
    for (Light light : shoot.lights()) {
      if (light.emitter().placed()) {
        Light in = TracedLight.inWorld(shoot, light);
        spots.add(new double[] {in.position().x(), in.position().z()});
        spots.add(new double[] {in.aim().x(), in.aim().z()});
      }
    }
    for (Shot shot : shoot.shots()) {
      spots.add(new double[] {shot.position().x(), shot.position().z()});
    }
    double reach = spots.stream().mapToDouble(s -> Math.hypot(s[0], s[1])).max().orElse(2) + 1;
    for (double[] s : spots) {
      left = Math.min(left, s[0] - 0.3);
      right = Math.max(right, s[0] + 0.3);
      top = Math.min(top, s[1] - 0.3);
      bottom = Math.max(bottom, s[1] + 0.3);
    }
    if (spots.isEmpty()) {
      left = top = -2;
      right = bottom = 2;
    }
    float wide = Sheet.WIDTH - 2 * Sheet.MARGIN, high = Sheet.HEIGHT - 60 - Sheet.MARGIN;
    double metre = Math.min(wide / (right - left), high / (bottom - top));
    int scale = scale(72 / 0.0254 / metre);
    metre = 72 / 0.0254 / scale;
    Plan plan =
        new Plan(
            Sheet.MARGIN + wide / 2 - (float) (metre * (left + right) / 2),
            50 + high / 2 - (float) (metre * (top + bottom) / 2),
            metre);
    sheet.grey(
        Sheet.MARGIN,
        44,
        SMALL,
        "Plan from above, 1:" + scale + " on A4, +Z downwards; distances to what lights aim at");
    for (Outline outline : outlines) {
      for (double[] corners : outline.top()) {
        outline(plan, corners, reach);
      }
    }
    for (Shot shot : shoot.shots()) {
      camera(plan, shot);
    }
    int number = 0;
    for (Light light : shoot.lights()) {
      number++;
      if (light.emitter().placed()) {
        lamp(plan, TracedLight.inWorld(shoot, light), number);
      }
    }
    float y = Sheet.HEIGHT - 22;
    sheet.line(Sheet.MARGIN, y, Sheet.MARGIN + (float) metre, y, 1, 0);
    sheet.text(Sheet.MARGIN + (float) metre + 5, y + 3, SMALL, "1 m");
  }

  /** The next round scale: 1:5, 1:10, 1:20, 1:25, 1:50 … */
  private static int scale(double least) {
    int[] steps = {10, 20, 25, 50};
    for (int tens = 1; ; tens *= 10) {
      for (int step : steps) {
        if (step * tens / 10.0 * 5 >= least) {
          return (int) Math.max(1, Math.round(step * tens / 10.0 * 5));
        }
      }
    }
  }

  /**
   * Where metres lie on the paper.
   *
   * @param x of the world's origin, points
   * @param y of the world's origin, points
   * @param metre in points
   */
  private record Plan(float x, float y, double metre) {
    float[] at(double worldX, double worldZ) {
      return new float[] {x + (float) (metre * worldX), y + (float) (metre * worldZ)};
    }
  }

  private void outline(Plan plan, double[] corners, double reach) throws IOException {
    List<float[]> to = new ArrayList<>();
    for (int i = 0; i < corners.length; i += 2) {
      double x = corners[i], z = corners[i + 1], far = Math.hypot(x, z);
      double near = far > reach ? reach / far : 1;
      to.add(plan.at(x * near, z * near));
    }
    sheet.outline(to, 0.5f, 0.65f);
  }

  private void camera(Plan plan, Shot shot) throws IOException {
    float[] at = plan.at(shot.position().x(), shot.position().z());
    Vec3 way = shot.aim().minus(shot.position());
    double half = Math.atan(shot.sensorWidthMm() / 2 / shot.focalLengthMm());
    double to = Math.atan2(way.z(), way.x());
    for (int side = -1; side <= 1; side += 2) {
      double angle = to + side * half;
      float x = at[0] + (float) (34 * Math.cos(angle)), y = at[1] + (float) (34 * Math.sin(angle));
      sheet.line(at[0], at[1], x, y, 0.7f, 0.3f);
    }
    sheet.grey(at[0] + 4, at[1] - 4, 7, shot.name());
  }

  private void lamp(Plan plan, Light light, int number) throws IOException {
    float[] at = plan.at(light.position().x(), light.position().z());
    float[] aim = plan.at(light.aim().x(), light.aim().z());
    sheet.line(at[0], at[1], aim[0], aim[1], 0.4f, 0.5f);
    sheet.dot(at[0], at[1], 3, 0);
    sheet.text(at[0] + 5, at[1] + 3, SMALL, number + "  " + light.name());
    String metres = metres(light.aim().minus(light.position()).length()) + " m";
    sheet.grey((at[0] + aim[0]) / 2 + 3, (at[1] + aim[1]) / 2 - 2, 6.5f, metres);
  }

  private void lights() throws IOException {
    float y = Float.MAX_VALUE;
    int number = 0;
    for (Light light : shoot.lights()) {
      if (y > Sheet.HEIGHT - Sheet.MARGIN) {
        sheet.page();
        for (int c = 0; c < HEADS.length; c++) {
          sheet.grey(COLUMNS[c], 56, SMALL, HEADS[c]);
        }
        sheet.line(Sheet.MARGIN, 61, Sheet.WIDTH - Sheet.MARGIN, 61, 0.5f, 0.5f);
        y = 61 + ROW;
      }
      List<String> cells = cells(light, ++number);
      for (int c = 0; c < cells.size(); c++) {
        float end = c + 1 < COLUMNS.length ? COLUMNS[c + 1] : Sheet.WIDTH - Sheet.MARGIN;
        sheet.text(COLUMNS[c], y, SMALL, sheet.cut(cells.get(c), SMALL, end - COLUMNS[c] - 4));
      }
      y += ROW;
    }
  }

  private List<String> cells(Light light, int number) {
    Light in = TracedLight.inWorld(shoot, light);
    Light lamp = TracedLight.original(shoot, light);
    boolean stands = light.emitter().placed();
    String bank =
        shoot.banks().stream()
            .filter(b -> b.id().equals(light.bank()))
            .map(Bank::name)
            .findFirst()
            .orElse(null);
    Double share = shares.get(light.id());
    return List.of(
        Integer.toString(number),
        light.name() + (bank == null ? "" : " (" + bank + ")") + (light.muted() ? ", muted" : ""),
        kind(light.emitter()),
        number(lamp.brightness().value()) + " " + lamp.brightness().unit().symbol(),
        String.format(Locale.ROOT, "%+.2f st", light.levelStops()),
        colour(lamp),
        stands ? metres(in.position().x()) + ", " + metres(in.position().z()) : "",
        stands ? metres(in.position().y()) : "",
        stands ? metres(in.aim().minus(in.position()).length()) : "",
        share == null ? "" : String.format(Locale.ROOT, "%.1f %%", 100 * share));
  }

  /** The kind with its size, or with the cone of a spot. */
  private static String kind(Emitter emitter) {
    String size =
        emitter instanceof Emitter.Spot s
            ? Math.round(s.coneDegrees()) + "°"
            : emitter.extents().stream()
                .map(LightReport::metres)
                .collect(Collectors.joining(" × "));
    return (Variants.kind(emitter.getClass()).replace('-', ' ') + " " + size).strip();
  }

  private static String colour(Light light) {
    Rgb filter = light.colour().filter();
    String kelvin = Math.round(light.colour().kelvin()) + " K";
    String tint =
        light.colour().tint() == 0
            ? ""
            : String.format(Locale.ROOT, ", %+.0f tint", light.colour().tint());
    if (filter.equals(Rgb.WHITE)) {
      return kelvin + tint;
    }
    String gel =
        GelShelf.gels().stream()
            .filter(g -> g.filter().equals(filter))
            .map(GelShelf.Gel::name)
            .findFirst()
            .orElse(
                String.format(
                    Locale.ROOT, "filter %.2f %.2f %.2f", filter.r(), filter.g(), filter.b()));
    return kelvin + tint + ", " + gel;
  }

  private void shots() throws IOException {
    sheet.page();
    float y = 60;
    sheet.grey(Sheet.MARGIN, y, SMALL, "Shots");
    for (Shot shot : shoot.shots()) {
      y += ROW;
      Look look = shoot.lookOf(shot);
      sheet.text(
          Sheet.MARGIN,
          y,
          SMALL,
          sheet.cut(
              String.format(
                  Locale.ROOT,
                  "%s: %.0f mm on %.0f mm, f/%.1f, at %s, %s, height %s m; %s m to the aim; look %s, EV %.2f",
                  shot.name(),
                  shot.focalLengthMm(),
                  shot.sensorWidthMm(),
                  shot.fStop(),
                  metres(shot.position().x()),
                  metres(shot.position().z()),
                  metres(shot.position().y()),
                  metres(shot.aim().minus(shot.position()).length()),
                  look.name(),
                  look.ev()),
              SMALL,
              Sheet.WIDTH - 2 * Sheet.MARGIN));
    }
    y += 2 * ROW;
    sheet.grey(Sheet.MARGIN, y, SMALL, "Banks");
    for (Bank bank : shoot.banks()) {
      y += ROW;
      sheet.text(
          Sheet.MARGIN,
          y,
          SMALL,
          String.format(
              Locale.ROOT,
              "%s: %+.2f st%s",
              bank.name(),
              bank.levelStops(),
              bank.muted() ? ", muted" : ""));
    }
    y += 2 * ROW;
    sheet.text(
        Sheet.MARGIN, y, SMALL, String.format(Locale.ROOT, "Master %+.2f st", shoot.masterStops()));
  }

  private static String metres(double value) {
    return String.format(Locale.ROOT, "%.2f", value == 0 ? 0.0 : value);
  }

  private static String number(double value) {
    return value >= 100
        ? String.format(Locale.ROOT, "%.0f", value)
        : String.format(Locale.ROOT, "%.3g", value);
  }
}
