package levelember.formats.meshopt;

import java.util.Arrays;
import levelember.formats.RefusedFile;

/**
 * Mode 0, attributes: elements of a fixed size in blocks; in a block every byte of the element has
 * a run of its own of differences to the element before, in groups of sixteen of 0, 2, 4 or 8 bits
 * each.
 */
final class Attributes {
  private static final int VERSION_0 = 0xA0, GROUP = 16, MOST_IN_BLOCK = 256, BLOCK_BYTES = 8192;
  private static final int LEAST_TAIL = 32;

  private Attributes() {}

  static byte[] decode(byte[] stream, int count, int stride) {
    if (stride < 4 || stride > 256 || stride % 4 != 0) {
      throw new RefusedFile("a compressed mesh of the model has elements of " + stride + " bytes");
    }
    if (stream.length < 1 + stride || (stream[0] & 0xFF) != VERSION_0) {
      throw new RefusedFile("a compressed mesh of the model is of a version that is not known");
    }
    byte[] before = Arrays.copyOfRange(stream, stream.length - stride, stream.length);
    Bytes in = new Bytes(stream, 1, stream.length - Math.max(stride, LEAST_TAIL));
    byte[] to = new byte[count * stride];
    int most = Math.min(BLOCK_BYTES / stride & -GROUP, MOST_IN_BLOCK);
    for (int first = 0; first < count; first += most) {
      int n = Math.min(most, count - first);
      for (int k = 0; k < stride; k++) {
        before[k] = run(in, n, before[k], to, first * stride + k, stride, stream);
      }
    }
    if (!in.done()) {
      throw new RefusedFile("a compressed mesh of the model is longer than it says");
    }
    return to;
  }

  /** Decodes one byte of all elements of a block; gives the last. */
  private static byte run(
      Bytes in, int n, byte before, byte[] to, int at, int stride, byte[] stream) {
    int groups = (n + GROUP - 1) / GROUP;
    int header = in.skip((groups + 3) / 4);
    byte[] differences = new byte[GROUP];
    byte value = before;
    for (int g = 0; g < groups; g++) {
      group(in, stream[header + g / 4] >> 2 * (g % 4) & 3, differences, stream);
      for (int i = 0; i < Math.min(GROUP, n - g * GROUP); i++) {
        int d = differences[i] & 0xFF;
        value += (byte) (d >> 1 ^ -(d & 1));
        to[at + (g * GROUP + i) * stride] = value;
      }
    }
    return value;
  }

  private static void group(Bytes in, int kind, byte[] to, byte[] stream) {
    switch (kind) {
      case 0 -> Arrays.fill(to, (byte) 0);
      case 3 -> System.arraycopy(stream, in.skip(GROUP), to, 0, GROUP);
      default -> {
        // Two or four bits each, the highest first; all ones say that a byte of its own follows.
        int bits = 2 * kind, ones = (1 << bits) - 1;
        int packed = in.skip(GROUP * bits / 8);
        for (int i = 0; i < GROUP; i++) {
          int shift = 8 - bits - i * bits % 8;
          int v = stream[packed + i * bits / 8] >> shift & ones;
          to[i] = (byte) (v == ones ? in.next() : v);
        }
      }
    }
  }
}
