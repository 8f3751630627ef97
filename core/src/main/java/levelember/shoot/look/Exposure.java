package levelember.shoot.look;

import levelember.document.Field;
import levelember.document.RecordFields;

/** How bright a picture is shown. */
public record Exposure(
    @Field(
            meaning = "exposure value at ISO 100; not used when a camera is set",
            defaultValue = "0",
            min = Exposure.LEAST_EV,
            max = Exposure.MOST_EV)
        double ev,
    @Field(meaning = "a camera's settings that give the exposure value", defaultValue = "null")
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
      @Field(meaning = "aperture number N", min = 0.5, max = 128) double fNumber,
      @Field(meaning = "time of exposure t", min = 1 / 32000.0, max = 3600, unit = "s")
          double shutterSeconds,
      @Field(meaning = "sensitivity S", min = 6, max = 819_200) double iso) {
    public Camera {
      RecordFields.check(Camera.class, fNumber, shutterSeconds, iso);
    }

    /** Exposure value at ISO 100. */
    public double ev() {
      return StrictMath.log(fNumber * fNumber / shutterSeconds * 100 / iso) / StrictMath.log(2);
    }
  }
}
