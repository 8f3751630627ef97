package levelember.look;

import java.util.List;
import levelember.texture.Picture;

/**
 * What a look needs to know of a picture besides the picture.
 *
 * @param shade for every pixel what the contact shade leaves, 0…1; null without one
 * @param plate what blurring and exposing the plates adds to the picture, or null
 * @param sources for every glow of the look what it glows from, or null for the picture; larger
 *     than the picture by {@code margins} pixels to every side
 * @param margins of the sources
 */
public record LookInputs(
    float[] shade, Picture plate, List<Picture> sources, List<Integer> margins) {
  /** Nothing more is known. */
  public static final LookInputs NONE = new LookInputs(null, null, List.of(), List.of());

  /** The source of a glow, or null for the picture. */
  Picture source(int glow) {
    return glow < sources.size() ? sources.get(glow) : null;
  }

  int margin(int glow) {
    return glow < margins.size() ? margins.get(glow) : 0;
  }
}
