package levelember.formats.picture;

import java.util.function.Function;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import levelember.texture.Texels;

/** Pictures of files, decoded when asked for. */
public final class PictureFiles implements Pictures {
  private final Function<String, byte[]> files;

  /**
   * Pictures of files.
   *
   * @param files bytes by name, null where there are none
   */
  public PictureFiles(Function<String, byte[]> files) {
    this.files = files;
  }

  @Override
  public Picture picture(String name) {
    return PictureFile.read(bytes(name));
  }

  @Override
  public Texels texels(String name, boolean colour) {
    return PictureFile.texels(bytes(name), colour);
  }

  private byte[] bytes(String name) {
    byte[] file = files.apply(name);
    if (file == null) {
      throw new MissingPicture(name);
    }
    return file;
  }
}
