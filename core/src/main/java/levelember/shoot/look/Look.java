package levelember.shoot.look;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import levelember.document.Checks;
import levelember.document.Field;
import levelember.document.Inline;
import levelember.document.RecordFields;

/**
 * How the linear picture is shown; docs/look.md says what is done in which order and by which
 * formulas. Sizes are percentages of the picture's height, so that a look is the same at any size.
 */
@RecordBuilder
public record Look(
    @Field(meaning = "unique among looks", text = Field.Text.ID) String id,
    @Field(meaning = "as the artist reads it", defaultValue = "@id") String name,
    @Inline Exposure exposure,
    @Field(meaning = "what is shown as white", defaultValue = "{}") WhiteBalance balance,
    @Inline Tone tone,
    @Field(
            meaning = "what the lens spreads, each from a source of its own",
            defaultValue = "[]",
            maxEntries = MOST_GLOWS)
        List<Glow> glows,
    @Field(meaning = "what else a lens and a sensor do", defaultValue = "{}") Optics optics,
    @Field(meaning = "shade where surfaces come close to each other", defaultValue = "{}")
        ContactShade contact,
    @Field(meaning = "treatment of the plates behind the set", defaultValue = "{}")
        PlateTreatment plate,
    @Field(meaning = "of what is shown", defaultValue = "{}") Grade grade)
    implements LookBuilder.With {

  private static final int MOST_GLOWS = 16;

  public Look {
    RecordFields.check(
        Look.class, id, name, exposure, balance, tone, glows, optics, contact, plate, grade);
    glows = List.copyOf(glows);
    Checks.uniqueIds("glows", glows, Glow::id);
  }

  /** Exposure and a shoulder alone; see {@link Exposure} and {@link Tone}. */
  public Look(String id, String name, double ev, double shoulderStart, double highlightRangeStops) {
    this(
        id,
        name,
        Exposure.of(ev),
        WhiteBalance.NEUTRAL,
        Tone.shoulder(shoulderStart, highlightRangeStops),
        List.of(),
        Optics.NONE,
        ContactShade.NONE,
        PlateTreatment.NONE,
        Grade.NONE);
  }

  /** Exposure value at ISO 100; display 1.0 before the shoulder is 1.2·2^ev cd/m². */
  public double ev() {
    return exposure.ev();
  }

  /** The same, exposed by so many stops more. */
  public Look exposed(double stops) {
    double ev = Math.clamp(ev() - stops, Exposure.LEAST_EV, Exposure.MOST_EV);
    return withExposure(Exposure.of(ev));
  }

  /** The same under another id and name. */
  public Look named(String otherId, String otherName) {
    return withId(otherId).withName(otherName);
  }

  public Look with(WhiteBalance other) {
    return withBalance(other);
  }

  public Look with(Tone other) {
    return withTone(other);
  }

  public Look with(Glow... others) {
    return withGlows(List.of(others));
  }

  public Look with(Optics other) {
    return withOptics(other);
  }

  public Look with(ContactShade other) {
    return withContact(other);
  }

  public Look with(PlateTreatment other) {
    return withPlate(other);
  }

  public Look with(Grade other) {
    return withGrade(other);
  }

  /** The name of the LUT that it needs. */
  public Optional<String> lut() {
    return Optional.ofNullable(grade.lut());
  }
}
