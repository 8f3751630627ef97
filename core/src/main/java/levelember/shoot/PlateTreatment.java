package levelember.shoot;

/**
 * What a look does with the plates behind the set.
 *
 * @param stops over the plate's own exposure, −10…10
 * @param blur radius, percent of the picture's height, 0…20
 */
public record PlateTreatment(double stops, double blur) {
  public static final PlateTreatment NONE = new PlateTreatment(0, 0);

  public PlateTreatment {
    Checks.range("stops", stops, -10, 10);
    Checks.range("blur", blur, 0, 20);
  }
}
