package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** How bright a picture is shown. */
public record Exposure(
    @Field(
            says = "exposure value at ISO 100; not used when a camera is set",
            usual = "0",
            least = Exposure.LEAST_EV,
            most = Exposure.MOST_EV)
        double ev,
    @Field(says = "a camera's settings that give the exposure value", usual = "null")
        Camera camera) {
  static final double LEAST_EV = -20, MOST_EV = 30;

  public Exposure {
    ev = camera == null ? ev : camera.ev();
    RecordFields.check(Exposure.class, ev, camera);
  }

  /** By an exposure value. */
  public static Exposure of(double ev) {
    return new Exposure(ev, null);
  }

  /** A camera's settings; ev = log2(N²/t · 100/S). */
  public record Camera(
      @Field(says = "aperture number N", least = 0.5, most = 128) double fNumber,
      @Field(says = "time of exposure t", least = 1 / 32000.0, most = 3600, unit = "s")
          double shutterSeconds,
      @Field(says = "sensitivity S", least = 6, most = 819_200) double iso) {
    public Camera {
      RecordFields.check(Camera.class, fNumber, shutterSeconds, iso);
    }

    /** Exposure value at ISO 100. */
    public double ev() {
      return StrictMath.log(fNumber * fNumber / shutterSeconds * 100 / iso) / StrictMath.log(2);
    }
  }
}
