package levelember.formats.meshopt;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import levelember.formats.RefusedFile;

/** What is done to decoded attributes, in place. */
final class Filters {
  private static final float HALF_ROOT = (float) (1 / Math.sqrt(2));

  private Filters() {}

  static void apply(String filter, byte[] elements, int stride) {
    ByteBuffer b = ByteBuffer.wrap(elements).order(ByteOrder.LITTLE_ENDIAN);
    switch (filter) {
      case "NONE" -> {}
      case "OCTAHEDRAL" -> octahedral(b, stride);
      case "QUATERNION" -> quaternion(b, stride);
      case "EXPONENTIAL" -> exponential(b);
      default ->
          throw new RefusedFile("a compressed mesh of the model is filtered by '" + filter + "'");
    }
  }

  private static void octahedral(ByteBuffer b, int stride) {
    if (stride != 4 && stride != 8) {
      throw new RefusedFile("directions of " + stride + " bytes cannot be read");
    }
    boolean wide = stride == 8;
    float most = wide ? 32767 : 127;
    for (int at = 0; at < b.capacity(); at += stride) {
      float x = wide ? b.getShort(at) : b.get(at);
      float y = wide ? b.getShort(at + 2) : b.get(at + 1);
      float one = wide ? b.getShort(at + 4) : b.get(at + 2);
      float z = one - Math.abs(x) - Math.abs(y);
      // The lower half of the octahedron is folded over the edges of the upper.
      float t = Math.min(z, 0);
      x += x >= 0 ? t : -t;
      y += y >= 0 ? t : -t;
      float s = most / (float) Math.sqrt(x * x + y * y + z * z);
      put(b, at, 0, wide, x * s);
      put(b, at, 1, wide, y * s);
      put(b, at, 2, wide, z * s);
    }
  }

  private static void put(ByteBuffer b, int at, int k, boolean wide, float v) {
    if (wide) {
      b.putShort(at + 2 * k, (short) rounded(v));
    } else {
      b.put(at + k, (byte) rounded(v));
    }
  }

  private static int rounded(float v) {
    return (int) (v + (v >= 0 ? 0.5f : -0.5f));
  }

  private static void quaternion(ByteBuffer b, int stride) {
    if (stride != 8) {
      throw new RefusedFile("rotations of " + stride + " bytes cannot be read");
    }
    for (int at = 0; at < b.capacity(); at += stride) {
      int tail = b.getShort(at + 6), largest = tail & 3;
      float scale = HALF_ROOT / (tail | 3);
      float x = b.getShort(at) * scale;
      float y = b.getShort(at + 2) * scale;
      float z = b.getShort(at + 4) * scale;
      float w = (float) Math.sqrt(Math.max(0, 1 - x * x - y * y - z * z));
      put(b, at, largest + 1 & 3, true, x * 32767);
      put(b, at, largest + 2 & 3, true, y * 32767);
      put(b, at, largest + 3 & 3, true, z * 32767);
      put(b, at, largest, true, w * 32767);
    }
  }

  private static void exponential(ByteBuffer b) {
    for (int at = 0; at + 4 <= b.capacity(); at += 4) {
      int v = b.getInt(at);
      b.putFloat(at, (float) Math.scalb((double) (v << 8 >> 8), v >> 24));
    }
  }
}
