package levelember.findings.inspection;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.firsthit.CameraHit;
import levelember.lens.Camera;
import levelember.lens.ThinLens;
import levelember.look.DisplayCurve;
import levelember.math.Colour;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.SceneAssets;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;

/**
 * A picture as it is looked at for findings: by layers, on a grid of cells, with what every cell
 * shows. No light is traced; one ray a cell says what stands there.
 */
public final class Inspection {
  private static final int MOST_COLUMNS = 160;

  public final View view;
  public final Shoot shoot;
  public final Shot shot;
  public final Look look;
  public final SceneAssets files;

  /** As traced, for what is said of its noise. */
  public final Film traced;

  public final float[] weights;
  public final int columns, rows;

  /** Linear red, green and blue of every cell, cd/m². */
  public final float[] light;

  /** Luminance by light and cell, cd/m². */
  public final float[][] byLight;

  /** Number of the piece that every cell shows, −1 for what is behind the set. */
  public final int[] piece;

  /** Where, in the world; null behind the set. */
  public final Vec3[] position;

  final Vec3[] normal;

  /** Metres along the line of sight in which the lens focuses; infinite behind the set. */
  public final double[] depth;

  /** Whether a cell shows the subject: what fills the middle of the picture. */
  public final boolean[] subject;

  private final DisplayCurve curve;
  private final int cellWidth, cellHeight;

  /**
   * Looks at a picture.
   *
   * @param shown the layers as shown, denoised or not
   * @param traced the layers as traced
   */
  public Inspection(View view, Shot shot, Film shown, Film traced, SceneAssets files) {
    this.view = view;
    this.files = files;
    this.traced = traced;
    this.shot = shot;
    shoot = view.shoot();
    look = shoot.lookOf(shot);
    curve = new DisplayCurve(look);
    weights = LayerWeights.of(shoot);
    cellWidth = cellHeight = Math.max(1, Math.ceilDiv(shown.width(), MOST_COLUMNS));
    columns = shown.width() / cellWidth;
    rows = shown.height() / cellHeight;
    int cells = columns * rows;
    light = new float[3 * cells];
    byLight = new float[shown.layers()][cells];
    piece = new int[cells];
    position = new Vec3[cells];
    normal = new Vec3[cells];
    depth = new double[cells];
    for (int k = 0; k < shown.layers(); k++) {
      mix(shown, k);
    }
    see(shown.width(), shown.height());
    subject = new Subject(this).cells();
  }

  private void mix(Film film, int layer) {
    float[] rgb = LayerMix.layer(film, layer, weights).rgb();
    float share = 1f / (cellWidth * cellHeight);
    for (int y = 0; y < rows * cellHeight; y++) {
      for (int x = 0; x < columns * cellWidth; x++) {
        int cell = y / cellHeight * columns + x / cellWidth;
        int i = 3 * (y * film.width() + x);
        byLight[layer][cell] += share * Colour.luminance(rgb[i], rgb[i + 1], rgb[i + 2]);
        for (int c = 0; c < 3; c++) {
          light[3 * cell + c] += share * rgb[i + c];
        }
      }
    }
  }

  private void see(int width, int height) {
    ThinLens lens = new ThinLens(view.shot(), width, height, 1);
    CameraHit hit = new CameraHit(view.scene());
    Camera.Ray ray = new Camera.Ray();
    for (int cell = 0; cell < piece.length; cell++) {
      int px = cell % columns * cellWidth + cellWidth / 2;
      int py = cell / columns * cellHeight + cellHeight / 2;
      lens.ray(px, py, 0.5f, 0.5f, 0, 0, ray);
      piece[cell] = -1;
      depth[cell] = Double.POSITIVE_INFINITY;
      if (hit.trace(ray)) {
        piece[cell] = hit.piece();
        position[cell] = hit.position().plus(view.origin());
        normal[cell] = hit.normal();
        depth[cell] = lens.depth(hit.position());
      }
    }
  }

  /** Number of the cell that a pixel belongs to; −1 in what is left over at the last borders. */
  public int cellOf(int x, int y) {
    int column = x / cellWidth, row = y / cellHeight;
    return column < columns && row < rows ? row * columns + column : -1;
  }

  public int cells() {
    return piece.length;
  }

  /** Luminance of a cell, cd/m². */
  public double luminance(int cell) {
    return Colour.luminance(light[3 * cell], light[3 * cell + 1], light[3 * cell + 2]);
  }

  /** Display value of a cell's brightest channel, 0…1, linear. */
  public double displayOfCell(int cell) {
    float most = Math.max(light[3 * cell], Math.max(light[3 * cell + 1], light[3 * cell + 2]));
    return curve.display(most);
  }

  /** Display value of a grey, 0…1, linear. */
  public double displayOf(double luminance) {
    return curve.display(luminance);
  }

  double midGrey() {
    return DisplayCurve.midGrey(look.ev());
  }

  /** Luminance that a light gives to the cells of a choice, mean over them; 0 for no cell. */
  public double mean(int light, boolean[] cells) {
    double sum = 0;
    int n = 0;
    for (int i = 0; i < cells.length; i++) {
      if (cells[i]) {
        sum += byLight[light][i];
        n++;
      }
    }
    return n == 0 ? 0 : sum / n;
  }

  /** Number of the light that gives most to the cells of a choice; −1 where none gives any. */
  public int strongest(boolean[] cells) {
    int best = -1;
    double most = 0;
    for (int k = 0; k < byLight.length; k++) {
      double mean = mean(k, cells);
      if (mean > most) {
        most = mean;
        best = k;
      }
    }
    return best;
  }

  public boolean[] all() {
    boolean[] to = new boolean[cells()];
    Arrays.fill(to, true);
    return to;
  }

  /** Share of the picture that a light gives, 0…1. */
  public double share(int light) {
    double own = 0, all = 0;
    for (int k = 0; k < byLight.length; k++) {
      double sum = 0;
      for (float v : byLight[k]) {
        sum += v;
      }
      all += sum;
      own += k == light ? sum : 0;
    }
    return all > 0 ? own / all : 0;
  }

  /** Whether a light gives anything as levels, mutes and solos stand. */
  public boolean lit(int light) {
    return weights[3 * light] + weights[3 * light + 1] + weights[3 * light + 2] > 0;
  }

  /** Smallest region about the cells of a choice, with a margin; null without any. */
  public Finding.Region region(boolean[] cells) {
    int left = columns, top = rows, right = -1, bottom = -1;
    for (int i = 0; i < cells.length; i++) {
      if (cells[i]) {
        left = Math.min(left, i % columns);
        right = Math.max(right, i % columns);
        top = Math.min(top, i / columns);
        bottom = Math.max(bottom, i / columns);
      }
    }
    return right < 0 ? null : region(left - 4, top - 4, right + 5, bottom + 5);
  }

  private Finding.Region region(int left, int top, int right, int bottom) {
    double l = Math.max(0, left), t = Math.max(0, top);
    return new Finding.Region(
        l / columns,
        t / rows,
        (Math.min(columns, right) - l) / columns,
        (Math.min(rows, bottom) - t) / rows);
  }

  /** Centre of the subject in the world; empty where there is none. */
  public Optional<Vec3> subjectCentre() {
    Vec3 sum = Vec3.ZERO;
    int n = 0;
    for (int i = 0; i < subject.length; i++) {
      if (subject[i] && position[i] != null) {
        sum = sum.plus(position[i]);
        n++;
      }
    }
    return n == 0 ? Optional.empty() : Optional.of(sum.times(1.0 / n));
  }

  public Light light(int number) {
    return shoot.lights().get(number);
  }

  /**
   * Whether a piece is ground, walls or water: what things stand on and in, and are seen against.
   */
  public static boolean isStage(Piece piece) {
    return piece.shape() instanceof Shape.Floor
        || piece.shape() instanceof Shape.Sweep
        || piece.shape() instanceof Shape.Room
        || piece.shape() instanceof Shape.Ground
        || piece.shape() instanceof Shape.Water;
  }

  /** For every piece the outermost that holds it. */
  public Map<String, String> roots() {
    Map<String, String> parents = new HashMap<>();
    shoot.pieces().forEach(p -> parents.put(p.id(), p.parent()));
    Map<String, String> to = new HashMap<>();
    for (Piece p : shoot.pieces()) {
      String at = p.id();
      while (parents.get(at) != null) {
        at = parents.get(at);
      }
      to.put(p.id(), at);
    }
    return to;
  }

  /** Numbers of the lights that give something, most light first. */
  public List<Integer> litLights() {
    List<Integer> to = new ArrayList<>();
    for (int k = 0; k < byLight.length; k++) {
      if (lit(k)) {
        to.add(k);
      }
    }
    boolean[] all = all();
    to.sort((a, b) -> Double.compare(mean(b, all), mean(a, all)));
    return to;
  }
}
