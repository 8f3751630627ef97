package levelember.formats.meshopt;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import levelember.formats.RefusedFile;

/**
 * Decodes buffer views compressed as {@code EXT_meshopt_compression} says (appendices A and B of
 * that extension, version 0 of attributes and 1 of indices).
 */
public final class MeshoptDecoder {
  private static final long MOST_BYTES = 1L << 30;

  private MeshoptDecoder() {}

  /**
   * What the extension says of a view.
   *
   * @param mode ATTRIBUTES, TRIANGLES or INDICES
   * @param filter NONE, OCTAHEDRAL, QUATERNION or EXPONENTIAL
   * @param count elements
   * @param stride bytes of an element
   */
  public record Packed(String mode, String filter, int count, int stride) {}

  /**
   * The bytes of a view, {@code count × stride}.
   *
   * @throws RefusedFile when the stream is broken or of a kind that is not known
   */
  public static byte[] decode(byte[] stream, Packed packed) {
    int count = packed.count(), stride = packed.stride();
    if (count < 0 || stride < 1 || (long) count * stride > MOST_BYTES) {
      throw new RefusedFile("a compressed mesh of the model claims " + count + " elements");
    }
    // A byte of the stream tells of sixteen elements at most.
    if (count / 16 > stream.length) {
      throw new RefusedFile("a compressed mesh of the model claims more than its bytes can hold");
    }
    return switch (packed.mode()) {
      case "ATTRIBUTES" -> {
        byte[] elements = Attributes.decode(stream, count, stride);
        Filters.apply(packed.filter(), elements, stride);
        yield elements;
      }
      case "TRIANGLES" -> bytes(Indices.triangles(stream, count), stride);
      case "INDICES" -> bytes(Indices.sequence(stream, count), stride);
      default -> throw new RefusedFile("a mesh of the model is compressed by " + packed.mode());
    };
  }

  private static byte[] bytes(int[] indices, int stride) {
    if (stride != 2 && stride != 4) {
      throw new RefusedFile("corner numbers of " + stride + " bytes cannot be read");
    }
    ByteBuffer b = ByteBuffer.allocate(indices.length * stride).order(ByteOrder.LITTLE_ENDIAN);
    for (int i : indices) {
      if (stride == 2) {
        b.putShort((short) i);
      } else {
        b.putInt(i);
      }
    }
    return b.array();
  }
}
