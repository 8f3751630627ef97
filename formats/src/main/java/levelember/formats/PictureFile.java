package levelember.formats;

import levelember.texture.Picture;
import levelember.texture.Texels;

/** Reads a picture of any format that is known, told apart by its first bytes. */
public final class PictureFile {
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
   * Reads Radiance HDR, OpenEXR, PNG or JPEG to linear light.
   *
   * @throws RefusedFile when the bytes are none of these, broken, or too large
   */
  public static Picture read(byte[] file) {
    Picture picture;
    if (RadianceHdr.is(file)) {
      picture = RadianceHdr.read(file);
    } else if (OpenExr.is(file)) {
      picture = OpenExr.read(file).layer("");
    } else {
      picture = PngFile.read(file);
    }
    float[] rgb = picture.rgb();
    for (int i = 0; i < rgb.length; i++) {
      if (!(Math.abs(rgb[i]) < 1e12f)) {
        throw new RefusedFile(
            "the picture holds a value that is no light: " + rgb[i] + " at pixel " + i / 3);
      }
      rgb[i] = Math.max(0, rgb[i]);
    }
    return picture;
  }
}
