package levelember.app.live.view;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.function.Supplier;
import levelember.firsthit.PlainView;
import levelember.look.DominantLight;
import levelember.look.FalseColour;
import levelember.shoot.Shoot;
import levelember.shoot.compile.Clay;
import levelember.texture.Picture;

/**
 * How a session shows its shoot.
 *
 * @param plain drawn without light, or null where it is traced
 * @param clay reflectance of the grey in which everything is traced, or NaN
 * @param keepGlass leaves glass as it is when in clay
 * @param keepEmission leaves emissive pieces as they are when in clay
 * @param paint what is made of the traced light
 */
public record ViewMode(
    PlainView.Kind plain, double clay, boolean keepGlass, boolean keepEmission, Paint paint) {
  static final ViewMode TRACED = new ViewMode(null, Double.NaN, true, true, Paint.LOOK);

  /** What is made of traced light. */
  public enum Paint {
    /** The look. */
    LOOK,
    /** Stops as colours. */
    STOPS,
    /** What is clipped, in colour on grey. */
    CLIPPED,
    /** Which light gives most where. */
    LIGHTS
  }

  /**
   * Codes of a picture, three bytes a pixel.
   *
   * @param byLight gives the picture by each light alone
   */
  public byte[] codes(Developer.Developed picture, double ev, Supplier<Picture[]> byLight) {
    return switch (paint) {
      case LOOK -> picture.codes();
      case STOPS -> FalseColour.stops(picture.spread(), ev);
      case CLIPPED -> FalseColour.clipped(picture.codes());
      case LIGHTS -> DominantLight.codes(byLight.get(), picture.codes(), picture.light().width());
    };
  }

  /** The shoot as it is traced. */
  public Shoot of(Shoot shoot) {
    return Double.isNaN(clay) ? shoot : Clay.of(shoot, clay, keepGlass, keepEmission);
  }

  /** Its word on the live channel. */
  public enum Kind {
    @JsonProperty("traced")
    TRACED,
    @JsonProperty("clay")
    CLAY,
    @JsonProperty("stops")
    STOPS,
    @JsonProperty("clipped")
    CLIPPED,
    @JsonProperty("lights")
    LIGHTS,
    @JsonProperty("shaded")
    SHADED,
    @JsonProperty("unlit")
    UNLIT,
    @JsonProperty("mesh")
    MESH,
    @JsonProperty("pieces")
    PIECES
  }

  /** A view by its kind and what clay keeps. */
  public static ViewMode of(Kind kind, double clay, boolean keepGlass, boolean keepEmission) {
    return switch (kind) {
      case TRACED -> TRACED;
      case CLAY -> new ViewMode(null, Math.clamp(clay, 0, 1), keepGlass, keepEmission, Paint.LOOK);
      case STOPS -> painted(Paint.STOPS);
      case CLIPPED -> painted(Paint.CLIPPED);
      case LIGHTS -> painted(Paint.LIGHTS);
      case SHADED -> plain(PlainView.Kind.SOLID);
      case UNLIT -> plain(PlainView.Kind.UNLIT);
      case MESH -> plain(PlainView.Kind.WIRE);
      case PIECES -> plain(PlainView.Kind.PIECES);
    };
  }

  private static ViewMode painted(Paint paint) {
    return new ViewMode(null, Double.NaN, true, true, paint);
  }

  private static ViewMode plain(PlainView.Kind kind) {
    return new ViewMode(kind, Double.NaN, true, true, Paint.LOOK);
  }
}
