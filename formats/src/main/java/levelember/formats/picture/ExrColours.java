package levelember.formats.picture;

import java.util.Map;
import levelember.formats.RefusedFile;
import levelember.formats.exr.ExrReader;
import levelember.texture.Picture;

/**
 * The colours of an OpenEXR picture in BT.709 primaries and D65: of luminance and chroma, and of
 * files that name other chromaticities.
 *
 * <p>Method: "Technical Introduction to OpenEXR" (luminance and chroma).
 */
final class ExrColours {
  private static final String WHAT = "the OpenEXR picture";

  private ExrColours() {}

  static Picture picture(ExrReader.Content content) {
    float[] from =
        content.chromaticities() == null ? Chromaticities.BT709 : content.chromaticities();
    Map<String, float[]> v = content.values();
    Picture to = Picture.black(content.width(), content.height());
    double[][] xyz = Chromaticities.toXyz(from, WHAT);
    if (v.containsKey("R") && v.containsKey("G") && v.containsKey("B")) {
      put(to, v.get("R"), v.get("G"), v.get("B"));
    } else if (v.containsKey("Y") && v.containsKey("RY") && v.containsKey("BY")) {
      chroma(to, v, xyz[1]);
    } else if (v.containsKey("Y")) {
      put(to, v.get("Y"), v.get("Y"), v.get("Y"));
      return to;
    } else {
      throw new RefusedFile("the OpenEXR picture has no colour, but " + v.keySet());
    }
    Chromaticities.toBt709(to, from, WHAT);
    return to;
  }

  private static void put(Picture to, float[] r, float[] g, float[] b) {
    for (int i = 0; i < r.length; i++) {
      to.rgb()[3 * i] = r[i];
      to.rgb()[3 * i + 1] = g[i];
      to.rgb()[3 * i + 2] = b[i];
    }
  }

  /** Red and blue less luminance, over luminance; green is what is left of it. */
  private static void chroma(Picture to, Map<String, float[]> v, double[] share) {
    float[] y = v.get("Y"), ry = v.get("RY"), by = v.get("BY"), rgb = to.rgb();
    for (int i = 0; i < y.length; i++) {
      float r = (ry[i] + 1) * y[i], b = (by[i] + 1) * y[i];
      rgb[3 * i] = r;
      rgb[3 * i + 1] = (float) ((y[i] - share[0] * r - share[2] * b) / share[1]);
      rgb[3 * i + 2] = b;
    }
  }
}
