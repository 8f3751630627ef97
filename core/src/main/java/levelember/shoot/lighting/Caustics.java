package levelember.shoot.lighting;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.RecordFields;

/**
 * The caustics of a light: what it throws onto rough surfaces through glass and off mirrors. Level,
 * softness and reach are those of {@link Cast#ON}; else caustics are as physics has them.
 */
@RecordBuilder
public record Caustics(
    @Field(
            meaning =
                "whether photons carry what it throws through glass and off mirrors; "
                    + "else paths find it",
            name = "castsCaustics",
            defaultValue = "\"automatic\"")
        Cast cast,
    @Field(
            meaning = "level of that light",
            name = "causticLevel",
            defaultValue = "1",
            min = 0,
            max = 4)
        double level,
    @Field(
            meaning = "least radius over which they are blurred where they fall",
            name = "causticSoftnessMillimetres",
            defaultValue = "0",
            min = 0,
            max = 1000,
            unit = "mm")
        double softnessMillimetres,
    @Field(
            meaning = "the same least radius as a share of the way from the last smooth surface",
            name = "causticSoftnessShare",
            defaultValue = "0",
            min = 0,
            max = 1)
        double softnessShare,
    @Field(
            meaning =
                "how far they go from that surface before they have faded to nothing, 0 "
                    + "for any distance",
            name = "causticFadesAtMetres",
            defaultValue = "0",
            min = 0,
            max = 1e6,
            unit = "m")
        double fadesAtMetres)
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
    RecordFields.check(
        Caustics.class, cast, level, softnessMillimetres, softnessShare, fadesAtMetres);
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
