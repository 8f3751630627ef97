package levelember.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

/** Model files to try importing. */
public final class DemoModels {
  private DemoModels() {}

  /** The observatory's signal sail: one triangle with legs of one metre, as a glTF text file. */
  public static byte[] sail() {
    try (InputStream in = DemoModels.class.getResourceAsStream("sail.gltf")) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
