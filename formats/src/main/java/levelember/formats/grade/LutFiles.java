package levelember.formats.grade;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import levelember.texture.Lut;
import levelember.texture.Luts;
import levelember.texture.Pictures;

/** LUTs of files, read when first asked for. */
public final class LutFiles implements Luts {
  private final Function<String, byte[]> files;
  private final Map<String, Lut> read = new ConcurrentHashMap<>();

  /**
   * LUTs of files.
   *
   * @param files bytes by name, null where there are none; those of a name never change
   */
  public LutFiles(Function<String, byte[]> files) {
    this.files = files;
  }

  @Override
  public Lut lut(String name) {
    return read.computeIfAbsent(
        name,
        n -> {
          byte[] file = files.apply(n);
          if (file == null) {
            throw new Pictures.MissingPicture(n);
          }
          return CubeFile.read(file);
        });
  }
}
