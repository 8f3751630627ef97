package levelember.findings.inspection;

import java.util.List;
import java.util.Locale;
import levelember.shoot.Shoot;

/**
 * Something about the light that was measured and is probably not meant.
 *
 * @param kind of finding
 * @param light id of the light that it is about, or null
 * @param piece id of the piece that it is about, or null
 * @param weight how much it matters, 0…1
 * @param what was measured, with its numbers, in one sentence
 * @param why it matters
 * @param region of the picture where it is seen, or null
 * @param mends that would heal it; may be empty
 */
public record Finding(
    Kind kind,
    String light,
    String piece,
    double weight,
    String what,
    String why,
    Region region,
    List<Mend> mends) {

  /** What can be found. */
  public enum Kind {
    BURNT,
    CRUSHED,
    FAINT_LIGHT,
    LINKED_TO_NOTHING,
    LAMP_SEEN,
    LAMP_CLOSED_IN,
    TWO_SUNS,
    ENVIRONMENT_SEAM,
    ENVIRONMENT_COARSE,
    ENVIRONMENT_SUN_CLIPPED,
    ENVIRONMENT_CLIPPED,
    ENVIRONMENT_NOT_HDR,
    IMPROBABLE_SIZE,
    SOURCE_SIZE,
    GOBO_SHARPNESS,
    CONTACT_SHADE,
    GOBO_EDGE,
    EMISSION_DROWNED,
    GLOW_WITHOUT_LIGHT,
    CAUSTICS_DROWNED,
    NOISE,
    BACKDROP_COLOUR,
    BACKDROP_DIRECTION,
    HORIZON_TILTED,
    FOCUS_ON_NOTHING,
    SUBJECT_OUT_OF_FOCUS,
    EDGE_LOST,
    FLAT_KEY,
    PLATE_BANDING,
    FLOATING
  }

  /**
   * A part of the picture, 0…1 each way.
   *
   * @param left edge from the left
   * @param top edge from the top
   * @param width of the part
   * @param height of the part
   */
  public record Region(double left, double top, double width, double height) {}

  /**
   * An edit that would heal a finding.
   *
   * @param text what it does, as an edit is called
   * @param after the shoot with the edit made
   */
  public record Mend(String text, Shoot after) {
    @Override
    public String toString() {
      return text;
    }
  }

  public Finding {
    mends = List.copyOf(mends);
  }

  /** The same with other mends. */
  public Finding with(List<Mend> others) {
    return new Finding(kind, light, piece, weight, what, why, region, others);
  }

  /** What stays the same while numbers change: the kind, and the light or piece it is about. */
  public String key() {
    String of = light != null ? light : piece;
    String name = kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
    return of == null ? name : name + ":" + of;
  }
}
