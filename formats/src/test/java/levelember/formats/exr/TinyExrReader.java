package levelember.formats.exr;

import java.nio.ByteBuffer;
import java.nio.FloatBuffer;
import java.nio.file.Path;
import java.util.SortedMap;
import java.util.TreeMap;
import org.lwjgl.PointerBuffer;
import org.lwjgl.system.MemoryStack;
import org.lwjgl.util.tinyexr.EXRHeader;
import org.lwjgl.util.tinyexr.EXRImage;
import org.lwjgl.util.tinyexr.EXRVersion;
import org.lwjgl.util.tinyexr.TinyEXR;

/** Reads OpenEXR files by a library that nobody here wrote. */
public final class TinyExrReader {
  private TinyExrReader() {}

  /** Channels as floats, by full name. */
  public static SortedMap<String, float[]> read(Path file) {
    try (MemoryStack stack = MemoryStack.stackPush()) {
      EXRVersion version = EXRVersion.calloc(stack);
      check(TinyEXR.ParseEXRVersionFromFile(version, file.toString()), "version");
      EXRHeader header = EXRHeader.calloc(stack);
      TinyEXR.InitEXRHeader(header);
      PointerBuffer error = stack.mallocPointer(1);
      check(TinyEXR.ParseEXRHeaderFromFile(header, version, file.toString(), error), "header");
      for (int i = 0; i < header.num_channels(); i++) {
        header.requested_pixel_types().put(i, TinyEXR.TINYEXR_PIXELTYPE_FLOAT);
      }
      EXRImage image = EXRImage.calloc(stack);
      TinyEXR.InitEXRImage(image);
      check(TinyEXR.LoadEXRImageFromFile(image, header, file.toString(), error), "image");
      SortedMap<String, float[]> to = new TreeMap<>();
      int n = image.width() * image.height();
      for (int c = 0; c < header.num_channels(); c++) {
        ByteBuffer bytes = image.images().getByteBuffer(c, 4 * n);
        float[] values = new float[n];
        FloatBuffer floats = bytes.asFloatBuffer();
        floats.get(values);
        to.put(header.channels().get(c).nameString(), values);
      }
      TinyEXR.FreeEXRImage(image);
      TinyEXR.FreeEXRHeader(header);
      return to;
    }
  }

  private static void check(int code, String what) {
    if (code != TinyEXR.TINYEXR_SUCCESS) {
      throw new AssertionError("the other reader refuses the file's " + what + ": " + code);
    }
  }
}
