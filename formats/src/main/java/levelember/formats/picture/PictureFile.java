package levelember.formats.picture;

import java.util.ArrayList;
import java.util.List;
import levelember.formats.exr.ExrReader;
import levelember.texture.Picture;
import levelember.texture.Texels;

/** Reads a picture of any format that is known, told apart by its first bytes. */
public final class PictureFile {
  /** Above any light there is; what is not below it is no number. */
  private static final float MOST_LIGHT = 1e12f;

  /** How far about a pixel is looked for one to mend it by. */
  private static final int REACH = 16;

  private PictureFile() {}

  /**
   * Reads a picture to look colours up in: eight bits a channel stay bytes.
   *
   * @param colour the codes of PNG and JPEG are sRGB colours; else they are plain numbers, 0…1
   * @throws RefusedFile when the bytes are no picture, broken, or too large
   */
  public static Texels texels(byte[] file, boolean colour) {
    return RadianceHdr.is(file) || OpenExr.is(file)
        ? Texels.of(read(file))
        : PngFile.texels(file, colour);
  }

  /**
   * Reads a picture to linear light, with pixels mended that hold none; see {@link #mended}.
   *
   * @throws RefusedFile when the bytes are no picture, broken, or too large
   */
  public static Picture read(byte[] file) {
    return mended(file).picture();
  }

  /**
   * A picture of light.
   *
   * @param notes what was mended, a line each
   */
  public record Mended(Picture picture, List<String> notes) {}

  /**
   * Reads a picture to linear light. Values that are no number are set to the largest finite one
   * about them, values below zero to zero.
   *
   * @throws RefusedFile when the bytes are no picture, broken, or too large
   */
  public static Mended mended(byte[] file) {
    Picture picture;
    if (RadianceHdr.is(file)) {
      picture = RadianceHdr.read(file);
    } else if (OpenExr.is(file)) {
      picture = OpenExr.picture(file);
    } else {
      picture = PngFile.read(file);
    }
    List<String> notes = mend(picture);
    notes.addAll(notRead(file));
    return new Mended(picture, notes);
  }

  /** What a file says of itself that is not followed, a line each. */
  static List<String> notRead(byte[] file) {
    if (OpenExr.is(file)) {
      int parts = ExrReader.parts(file);
      return parts == 1
          ? List.of()
          : List.of("it has " + parts + " parts, of which the first is read");
    }
    return PngChunks.is(file) ? PngChunks.notRead(file) : List.of();
  }

  private static List<String> mend(Picture picture) {
    float[] rgb = picture.rgb();
    int endless = 0, negative = 0;
    float least = 0;
    for (int i = 0; i < rgb.length; i++) {
      if (!(Math.abs(rgb[i]) < MOST_LIGHT)) {
        endless++;
      } else if (rgb[i] <= 0) {
        // A zero with a sign becomes a plain one.
        negative += rgb[i] < 0 ? 1 : 0;
        least = Math.min(least, rgb[i]);
        rgb[i] = 0;
      }
    }
    List<String> notes = new ArrayList<>();
    if (endless > 0) {
      notes.add(pixels(largestAbout(picture)) + " held no number: set to the largest value about");
    }
    if (negative > 0) {
      notes.add(negative + " values below zero, down to " + least + ", are read as zero");
    }
    return notes;
  }

  private static String pixels(int n) {
    return n == 1 ? "1 pixel" : n + " pixels";
  }

  /** Mends what is no number from its neighbours, those nearest first; counts the pixels. */
  private static int largestAbout(Picture picture) {
    int w = picture.width(), h = picture.height(), mended = 0;
    float[] from = picture.rgb().clone();
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        boolean odd = false;
        for (int k = 0; k < 3; k++) {
          int at = 3 * (y * w + x) + k;
          if (!(Math.abs(from[at]) < MOST_LIGHT)) {
            picture.rgb()[at] = about(from, w, h, x, y, k);
            odd = true;
          }
        }
        mended += odd ? 1 : 0;
      }
    }
    return mended;
  }

  private static float about(float[] from, int w, int h, int x, int y, int k) {
    for (int reach = 1; reach <= REACH; reach *= 2) {
      float most = -1;
      for (int v = Math.max(0, y - reach); v <= Math.min(h - 1, y + reach); v++) {
        for (int u = Math.max(0, x - reach); u <= Math.min(w - 1, x + reach); u++) {
          float value = from[3 * (v * w + u) + k];
          if (Math.abs(value) < MOST_LIGHT) {
            most = Math.max(most, value);
          }
        }
      }
      if (most >= 0) {
        return most;
      }
    }
    return 0;
  }
}
