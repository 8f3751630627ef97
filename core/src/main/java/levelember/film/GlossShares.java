package levelember.film;

/**
 * Light of every layer and tile that came over surfaces which a path had to soften, and light that
 * was left out there, and light that photons brought as caustics: luminances summed over pixels and
 * samples, in the order of samples. The last is no part of a film's bytes.
 */
public final class GlossShares {
  private final float[][] softened, leftOut, caustic;

  GlossShares(int layers) {
    softened = new float[layers][];
    leftOut = new float[layers][];
    caustic = new float[layers][];
  }

  void clear(int layer, int tiles) {
    softened[layer] = new float[tiles];
    leftOut[layer] = new float[tiles];
    caustic[layer] = new float[tiles];
  }

  /** Takes over a layer of others. */
  void share(int layer, GlossShares from, int fromLayer) {
    softened[layer] = from.softened[fromLayer];
    leftOut[layer] = from.leftOut[fromLayer];
    caustic[layer] = from.caustic[fromLayer];
  }

  /** Takes over some tiles of a layer of others. */
  void copy(int layer, GlossShares from, int tile, int toTile, int tiles) {
    System.arraycopy(from.softened[layer], tile, softened[layer], toTile, tiles);
    System.arraycopy(from.leftOut[layer], tile, leftOut[layer], toTile, tiles);
    System.arraycopy(from.caustic[layer], tile, caustic[layer], toTile, tiles);
  }

  /** Adds to what was softened in a tile. */
  public void soften(int layer, int tile, float luminance) {
    softened[layer][tile] += luminance;
  }

  /** Adds to what was left out in a tile. */
  public void leaveOut(int layer, int tile, float luminance) {
    leftOut[layer][tile] += luminance;
  }

  /** Adds to what photons brought to a tile. */
  public void addCaustic(int layer, int tile, float luminance) {
    caustic[layer][tile] += luminance;
  }

  /** What photons brought to a tile, over all of its pixels and samples. */
  public float caustic(int layer, int tile) {
    return caustic[layer][tile];
  }

  /** What was softened in a tile, over all of its pixels and samples. */
  public float softened(int layer, int tile) {
    return softened[layer][tile];
  }

  /** What was left out in a tile, over all of its pixels and samples. */
  public float leftOut(int layer, int tile) {
    return leftOut[layer][tile];
  }

  float[] softened(int layer) {
    return softened[layer];
  }

  float[] leftOut(int layer) {
    return leftOut[layer];
  }
}
