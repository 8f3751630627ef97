package levelember.path;

/**
 * Numbers of the dimensions of a path's sample points ({@link levelember.math.Points}): those of
 * the camera first, then {@link #PER_VERTEX} for every path vertex.
 */
public final class Dimensions {
  public static final int PIXEL = 1, LENS = 2, SCATTER = 3, LOBE = 4, ROULETTE = 5, WAVELENGTH = 6;
  public static final int OPACITY = 7, LIGHT_SELECTION = 0, RAY_KIND = 8;

  public static final int PER_VERTEX = 9;

  /** Sets holes along one ray apart; odd and large, so that they meet no other dimension. */
  public static final int NEXT_HOLE = 0x2C1B3C6D;

  /** Sets the sampling of lit patches, and of the light there, apart. */
  public static final int PATCH = 0x1B56C4E9;

  /** Sets the choice of vertices at which photons are gathered apart. */
  public static final int PHOTONS = 0x68E31DA5;

  /** Sets several samples of one light at one vertex apart. */
  public static final int NEXT_LIGHT_SAMPLE = 0x3D4D51C3;

  private Dimensions() {}
}
