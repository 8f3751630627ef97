package levelember.math;

/**
 * Sample points in [0, 1): Owen-scrambled Sobol pairs, shuffled afresh for every pixel and
 * dimension key, so that a number depends on (pixel, sample, dimension) and the seed alone.
 *
 * <p>Method: Burley 2020, "Practical Hash-based Owen Scrambling", with the Laine–Karras permutation
 * in the constants of Vegdahl 2021. One object a thread; allocates nothing.
 */
public final class Sampler {
  private static final float TO_UNIT = 0x1p-24f;
  private final boolean stratified;
  private int pixelKey;

  /** The sample's number, its bits reversed. */
  private int sample;

  /** First coordinate of the last pair. */
  public float u;

  /** Second coordinate of the last pair. */
  public float v;

  /** Stratified points. */
  public Sampler() {
    this(true);
  }

  /**
   * Stratified points, or independent ones to compare them with.
   *
   * @param stratified false for independent points
   */
  public Sampler(boolean stratified) {
    this.stratified = stratified;
  }

  /** Starts a sample of a pixel. */
  public void start(int seed, int pixel, int sample) {
    pixelKey = hash(pixel ^ hash(seed));
    if (!stratified) {
      pixelKey = hash(pixelKey ^ hash(sample + 0x3C6EF372));
    }
    this.sample = Integer.reverse(sample);
  }

  /** Draws the pair of a dimension key into {@link #u} and {@link #v}. */
  public void pair(int dimension) {
    int key = hash(pixelKey ^ hash(dimension * 0x9E3779B9 + 0x7F4A7C15));
    if (!stratified) {
      u = unit(key);
      v = unit(hash(key ^ 0x14057B7E));
      return;
    }
    int x = permuted(sample, key);
    int y = sobolSecond(x);
    u = unit(Integer.reverse(permuted(Integer.reverse(x), key ^ 0x5851F42D)));
    v = unit(Integer.reverse(permuted(Integer.reverse(y), key ^ 0x14057B7E)));
  }

  /** Draws a single number of a dimension key. */
  public float single(int dimension) {
    int key = hash(pixelKey ^ hash(dimension * 0x9E3779B9 + 0x7F4A7C15));
    if (!stratified) {
      return unit(key);
    }
    int x = permuted(sample, key);
    return unit(Integer.reverse(permuted(Integer.reverse(x), key ^ 0x5851F42D)));
  }

  private static float unit(int bits) {
    return (bits >>> 8) * TO_UNIT;
  }

  /** Second Sobol dimension of a reversed index: the Pascal matrix modulo two, by butterflies. */
  private static int sobolSecond(int x) {
    x ^= x << 16;
    x ^= (x & 0x00FF00FF) << 8;
    x ^= (x & 0x0F0F0F0F) << 4;
    x ^= (x & 0x33333333) << 2;
    x ^= (x & 0x55555555) << 1;
    return x;
  }

  /** The Laine–Karras permutation, which scrambles from the lowest bit up. */
  private static int permuted(int r, int seed) {
    r ^= r * 0x3d20adea;
    r += seed;
    r *= (seed >>> 16) | 1;
    r ^= r * 0x05526c56;
    r ^= r * 0x53a22864;
    return r;
  }

  /** A well mixed hash of 32 bits (Wellons' lowbias32). */
  public static int hash(int x) {
    x ^= x >>> 16;
    x *= 0x7feb352d;
    x ^= x >>> 15;
    x *= 0x846ca68b;
    x ^= x >>> 16;
    return x;
  }
}
