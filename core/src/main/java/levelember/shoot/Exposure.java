package levelember.shoot;

/**
 * How bright a picture is shown.
 *
 * @param ev exposure value at ISO 100, −20…30; not used when a camera is set
 * @param camera a camera's settings that give it, or null
 */
public record Exposure(double ev, Camera camera) {
  static final double LEAST_EV = -20, MOST_EV = 30;

  public Exposure {
    ev = camera == null ? ev : camera.ev();
    Checks.range("ev", ev, LEAST_EV, MOST_EV);
  }

  /** By an exposure value. */
  public static Exposure of(double ev) {
    return new Exposure(ev, null);
  }

  /**
   * A camera's settings; ev = log2(N²/t · 100/S).
   *
   * @param fNumber aperture N, 0.5…128
   * @param shutterSeconds t, 1/32000…3600
   * @param iso sensitivity S, 6…819200
   */
  public record Camera(double fNumber, double shutterSeconds, double iso) {
    public Camera {
      Checks.range("fNumber", fNumber, 0.5, 128);
      Checks.range("shutterSeconds", shutterSeconds, 1 / 32000.0, 3600);
      Checks.range("iso", iso, 6, 819_200);
    }

    /** Exposure value at ISO 100. */
    public double ev() {
      return StrictMath.log(fNumber * fNumber / shutterSeconds * 100 / iso) / StrictMath.log(2);
    }
  }
}
