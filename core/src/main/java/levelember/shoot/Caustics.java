package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * The caustics of a light: what it throws onto rough surfaces through glass and off mirrors. Level,
 * softness and reach are those of {@link Cast#ON}; else caustics are as physics has them.
 *
 * @param cast whether photons carry them
 * @param level of that light, 0…4
 * @param softnessMillimetres least radius over which they are blurred where they fall, 0…1000
 * @param softnessShare the same as a share of the way from the last smooth surface, 0…1
 * @param fadesAtMetres how far they go from that surface before they have faded to nothing, 0 for
 *     any distance
 */
@RecordBuilder
public record Caustics(
    Cast cast, double level, double softnessMillimetres, double softnessShare, double fadesAtMetres)
    implements CausticsBuilder.With {
  /** Whether photons carry caustics. */
  public enum Cast {
    /** Where a pilot pass says that paths would find them late. */
    AUTOMATIC,
    /** Always. */
    ON,
    /** Never: paths find them as well as they can. */
    OFF
  }

  /** By photons or paths, whichever finds them sooner, as physics has them. */
  public static final Caustics AUTOMATIC = new Caustics(Cast.AUTOMATIC, 1, 0);

  /** None by photons. */
  public static final Caustics NONE = new Caustics(Cast.OFF, 1, 0);

  /** By photons, as physics has them. */
  public static final Caustics CAST = new Caustics(Cast.ON, 1, 0);

  public Caustics {
    Checks.range("causticLevel", level, 0, 4);
    Checks.range("causticSoftnessMillimetres", softnessMillimetres, 0, 1000);
    Checks.range("causticSoftnessShare", softnessShare, 0, 1);
    Checks.range("causticFadesAtMetres", fadesAtMetres, 0, 1e6);
  }

  /** Caustics of a level and softness that go any distance. */
  public Caustics(Cast cast, double level, double softnessMillimetres) {
    this(cast, level, softnessMillimetres, 0, 0);
  }

  /** Whether they are always by photons. */
  public boolean on() {
    return cast == Cast.ON;
  }

  /** What is left of them some way after the last smooth surface: 1 near … 0. */
  public double fade(double metres) {
    double part = fadesAtMetres == 0 ? 0 : Math.min(1, metres / fadesAtMetres);
    return 1 - part * part * part * part;
  }
}
