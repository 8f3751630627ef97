package levelember.formats.exr;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Writes PIZ, which {@link Piz} reads: values that occur are numbered, turned into Haar wavelets,
 * and Huffman coded.
 */
final class PizPacker {
  private static final int BITMAP = 8192;

  private PizPacker() {}

  /**
   * Packs a block.
   *
   * @param planes values of each channel, of all its rows: 16 bits, or 32 as two of 16, low first
   * @param width pixels
   * @param rows of the block
   */
  static byte[] packed(short[][] planes, int width, int rows) {
    byte[] bitmap = new byte[BITMAP];
    int all = 0;
    for (short[] plane : planes) {
      all += plane.length;
      for (short value : plane) {
        bitmap[(value & 0xFFFF) >> 3] |= (byte) (1 << (value & 7));
      }
    }
    bitmap[0] &= (byte) ~1;
    int least = BITMAP - 1, most = 0;
    for (int i = 0; i < BITMAP; i++) {
      if (bitmap[i] != 0) {
        least = Math.min(least, i);
        most = Math.max(most, i);
      }
    }
    short[] numbers = new short[1 << 16];
    int count = 0;
    for (int i = 0; i < numbers.length; i++) {
      if (i == 0 || (bitmap[i >> 3] & 1 << (i & 7)) != 0) {
        numbers[i] = (short) count++;
      }
    }
    short[] data = new short[all];
    int at = 0;
    for (short[] plane : planes) {
      int each = plane.length / (width * rows);
      for (int i = 0; i < plane.length; i++) {
        data[at + i] = numbers[plane[i] & 0xFFFF];
      }
      for (int j = 0; j < each; j++) {
        encode(data, at + j, each, width * each, width, rows, count - 1 < 1 << 14);
      }
      at += plane.length;
    }
    byte[] code = HuffmanPacker.packed(data);
    int map = least <= most ? most - least + 1 : 0;
    ByteBuffer to = ByteBuffer.allocate(8 + map + code.length).order(ByteOrder.LITTLE_ENDIAN);
    to.putShort((short) least).putShort((short) most);
    if (map > 0) {
      to.put(bitmap, least, map);
    }
    return to.putInt(code.length).put(code).array();
  }

  /** Haar wavelets in place, from the finest to the coarsest. */
  private static void encode(
      short[] data, int begin, int ox, int oy, int nx, int ny, boolean narrow) {
    int n = Math.min(nx, ny);
    for (int p = 1, p2 = 2; p2 <= n; p = p2, p2 <<= 1) {
      int y = 0;
      for (; y <= ny - p2; y += p2) {
        int x = 0;
        for (; x <= nx - p2; x += p2) {
          int at = begin + y * oy + x * ox, right = at + p * ox, below = at + p * oy;
          int across = below + p * ox;
          pair(data, at, right, narrow);
          pair(data, below, across, narrow);
          pair(data, at, below, narrow);
          pair(data, right, across, narrow);
        }
        if ((nx & p) != 0) {
          int at = begin + y * oy + x * ox;
          pair(data, at, at + p * oy, narrow);
        }
      }
      if ((ny & p) != 0) {
        for (int x = 0; x <= nx - p2; x += p2) {
          int at = begin + y * oy + x * ox;
          pair(data, at, at + p * ox, narrow);
        }
      }
    }
  }

  /** Two values become their mean and their difference. */
  private static void pair(short[] data, int first, int second, boolean narrow) {
    if (narrow) {
      int a = data[first], b = data[second];
      data[first] = (short) (a + b >> 1);
      data[second] = (short) (a - b);
    } else {
      int a = (data[first] & 0xFFFF) + 0x8000 & 0xFFFF, b = data[second] & 0xFFFF;
      int mean = a + b >> 1, apart = a - b;
      data[first] = (short) (apart < 0 ? mean + 0x8000 & 0xFFFF : mean);
      data[second] = (short) apart;
    }
  }
}
