package levelember.firsthit;

import java.util.HashSet;
import java.util.Set;
import levelember.film.SurfaceData;
import levelember.lens.ThinLens;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.piece.Piece;

/**
 * How far what the camera sees moves in the picture from one time to another: motion vectors, by
 * the frames of pieces and the camera. Shapes that change within themselves, as water does, count
 * as rigid.
 */
public final class ScreenMotion {
  /** Nothing moves. */
  public static final ScreenMotion NONE =
      new ScreenMotion(new Affine[0], null, null, Vec3.ZERO, true);

  /** Takes a place of a piece in the world to where it is then; null for one that is gone. */
  private final Affine[] rigidMotion;

  private final ThinLens before, after;

  /** Where the camera is at the other time, and whether it sees the same from there. */
  private final Vec3 eye;

  private final boolean still;

  private ScreenMotion(
      Affine[] rigidMotion, ThinLens before, ThinLens after, Vec3 eye, boolean still) {
    this.eye = eye;
    this.still = still;
    this.rigidMotion = rigidMotion;
    this.before = before;
    this.after = after;
  }

  /**
   * Motion between two states of a shoot.
   *
   * @param shotNow through which the first is seen
   * @param shotThen through which the other is seen
   * @param width of the picture, pixels
   * @param height of the picture, pixels
   */
  public static ScreenMotion between(
      Shoot now, Shot shotNow, Shoot then, Shot shotThen, int width, int height) {
    PieceTransforms from = new PieceTransforms(now.pieces()),
        to = new PieceTransforms(then.pieces());
    Set<String> there = new HashSet<>();
    then.pieces().forEach(p -> there.add(p.id()));
    Affine[] rigidMotion = new Affine[now.pieces().size()];
    for (int i = 0; i < rigidMotion.length; i++) {
      Piece piece = now.pieces().get(i);
      if (there.contains(piece.id())) {
        Affine is = from.of(piece.id()), will = to.of(piece.id());
        boolean flat = Math.abs(is.determinant()) < 1e-12;
        rigidMotion[i] = is.equals(will) || flat ? Affine.IDENTITY : will.after(is.inverse());
      }
    }
    return new ScreenMotion(
        rigidMotion,
        new ThinLens(shotNow, width, height, 1),
        new ThinLens(shotThen, width, height, 1),
        shotThen.position(),
        sees(shotNow).equals(sees(shotThen)));
  }

  private static Shot sees(Shot shot) {
    return shot.with(s -> s.name("seen").look("seen").exposureStops(0).focusDistance(0).fStop(0));
  }

  /**
   * The motion of a place of a piece, in pixels.
   *
   * @param piece number of it among the shoot's; −1 for none, which does not move
   * @param to takes the way to the right and the way down; 0 where it cannot be seen at both times
   */
  public void of(int piece, Vec3 place, float[] to) {
    to[0] = 0;
    to[1] = 0;
    if (piece < 0 || piece >= rigidMotion.length || rigidMotion[piece] == null) {
      return;
    }
    double[] a = new double[2], b = new double[2];
    if (before.project(place, a) && after.project(rigidMotion[piece].point(place), b)) {
      to[0] = (float) (b[0] - a[0]);
      to[1] = (float) (b[1] - a[1]);
    }
  }

  /**
   * Where a place of a piece is in the picture at the other time.
   *
   * @param piece number of it among the shoot's; −1 for what lies beyond the set, whose place is
   *     known only where the camera stays
   * @param x pixels from the left
   * @param y pixels from the top
   * @param to takes pixels from the left, from the top, and metres from the lens
   * @return whether it is known
   */
  public boolean reproject(int piece, Vec3 place, float x, float y, float[] to) {
    if (piece < 0) {
      to[0] = x;
      to[1] = y;
      to[2] = 0;
      return still;
    }
    if (piece >= rigidMotion.length || rigidMotion[piece] == null) {
      return false;
    }
    double[] a = new double[2], b = new double[2];
    Vec3 there = rigidMotion[piece].point(place);
    if (!before.project(place, a) || !after.project(there, b)) {
      return false;
    }
    // The mean of a pixel's samples is not its middle: only the way counts.
    to[0] = (float) (x + b[0] - a[0]);
    to[1] = (float) (y + b[1] - a[1]);
    to[2] = (float) there.minus(eye).length();
    return true;
  }

  /** Motion of the piece that fills most of each pixel, two floats a pixel. */
  public float[] of(SurfaceData data) {
    int n = data.width() * data.rows();
    float[] to = new float[2 * n], one = new float[2];
    for (int i = 0; i < n; i++) {
      int at = SurfaceData.PLANES * i + SurfaceData.POSITION;
      float[] values = data.data();
      Vec3 place = new Vec3(values[at], values[at + 1], values[at + 2]);
      of(data.pieces()[SurfaceData.RANKS * i], place, one);
      to[2 * i] = one[0];
      to[2 * i + 1] = one[1];
    }
    return to;
  }
}
