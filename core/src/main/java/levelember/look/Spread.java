package levelember.look;

import java.util.List;
import java.util.function.UnaryOperator;
import levelember.shoot.look.Glow;
import levelember.texture.Picture;

/**
 * A way in which a glow spreads the light over its threshold. Sizes go by the picture's height;
 * light is spread at a level of a pyramid of halves that does too.
 */
sealed interface Spread permits Bloom, StarRays, LensFlare {
  /** What the glow says of it. */
  Glow.Part part();

  /**
   * The coarsest level at which it can be drawn: how often a picture may be halved before.
   *
   * @param rows of the whole picture
   */
  int level(int rows);

  /** All numbers of the description that it is drawn by: while they stay, so does the drawing. */
  List<Object> shape();

  /**
   * Spreads a source: all of its light, but for what leaves the picture.
   *
   * @param source the light, halved {@code first} times
   * @param rows of the whole picture
   */
  Picture draw(Picture source, int rows, int first);

  /** Those of a glow that change a picture, in the order in which they are added to it. */
  static List<Spread> of(Glow glow) {
    return glow.parts().stream().filter(Glow.Part::active).map(Spread::of).toList();
  }

  private static Spread of(Glow.Part part) {
    return switch (part) {
      case Glow.Bloom bloom -> new Bloom(bloom);
      case Glow.StarRays rays -> new StarRays(rays);
      case Glow.LensFlare flare -> new LensFlare(flare);
    };
  }

  /** The first level with no more rows than that, 1 at the least. */
  static int level(int rows, int most) {
    int level = 1;
    while (rows >> level > most) {
      level++;
    }
    return level;
  }

  /** Draws at a coarser level than that of the source, and doubles up again. */
  static Picture drawnAt(int level, Picture source, int first, UnaryOperator<Picture> drawing) {
    Picture coarse = source;
    for (int i = first; i < level; i++) {
      coarse = Blur.half(coarse);
    }
    Picture drawn = drawing.apply(coarse);
    for (int i = level - 1; i >= first; i--) {
      int shift = i - first;
      Picture to =
          Picture.black(
              (source.width() + (1 << shift) - 1) >> shift,
              (source.height() + (1 << shift) - 1) >> shift);
      Blur.addDoubled(drawn, to);
      drawn = to;
    }
    return drawn;
  }
}
