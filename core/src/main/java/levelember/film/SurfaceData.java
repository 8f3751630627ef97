package levelember.film;

/**
 * What the camera meets first, as data for compositing, for some rows of a picture. Depth,
 * position, normal and UV are those of the piece that fills most of the pixel, means over its
 * samples alone, so that edges hold no mixtures; albedo and what is unoccluded are means over all
 * samples.
 */
public final class SurfaceData {
  /** Pieces, and materials, of a pixel that are told apart, by how much of it they fill. */
  public static final int RANKS = 6;

  /** Planes of the data of the piece that fills most of the pixel. */
  public static final int DEPTH = 0, POSITION = 1, NORMAL = 4, UV = 7, PLANES = 9;

  private final int width, firstRow, rows;
  private final float[] data;
  private final float[] albedo;
  private final float[] unoccluded;
  private final int[] pieces;
  private final float[] pieceShares;
  private final int[] materials;
  private final float[] materialShares;

  /** Empty rows. */
  public SurfaceData(int width, int firstRow, int rows) {
    this.width = width;
    this.firstRow = firstRow;
    this.rows = rows;
    int n = width * rows;
    data = new float[Math.multiplyExact(PLANES, n)];
    albedo = new float[3 * n];
    unoccluded = new float[n];
    pieces = new int[RANKS * n];
    pieceShares = new float[RANKS * n];
    materials = new int[RANKS * n];
    materialShares = new float[RANKS * n];
  }

  /** Bytes that a row of so many pixels takes. */
  public static long bytes(int width) {
    return 4L * width * (PLANES + 4 + 4 * RANKS);
  }

  public int width() {
    return width;
  }

  public int firstRow() {
    return firstRow;
  }

  public int rows() {
    return rows;
  }

  /** Number of a pixel of the whole picture in the planes. */
  public int at(int x, int y) {
    return (y - firstRow) * width + x;
  }

  /** Values of the piece that fills most of the pixel, {@link #PLANES} floats a pixel. */
  public float[] data() {
    return data;
  }

  /** The colour that surfaces show in even light, three floats a pixel, 0 where there are none. */
  public float[] albedo() {
    return albedo;
  }

  /** Share of the directions above what is seen that lead into the open, 1 beyond the set. */
  public float[] unoccluded() {
    return unoccluded;
  }

  /** Numbers of the pieces of each pixel, that which fills most first; −1 for none. */
  public int[] pieces() {
    return pieces;
  }

  /** Share of the pixel that each of them fills, 0…1. */
  public float[] pieceShares() {
    return pieceShares;
  }

  /** Numbers of the materials of each pixel; −1 for none. */
  public int[] materials() {
    return materials;
  }

  /** Share of the pixel that each of them fills, 0…1. */
  public float[] materialShares() {
    return materialShares;
  }
}
