package levelember.formats.exr;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import levelember.formats.RefusedFile;

/** PIZ: values that occur are numbered, turned into Haar wavelets, and Huffman coded. */
final class Piz implements Unpacker {
  private static final int BITMAP = 8192;

  @Override
  public byte[] unpack(byte[] packed, Region region, List<Channel> channels) {
    ByteBuffer in = ByteBuffer.wrap(packed).order(ByteOrder.LITTLE_ENDIAN);
    int least = in.getShort() & 0xFFFF, most = in.getShort() & 0xFFFF;
    byte[] bitmap = new byte[BITMAP];
    if (most >= BITMAP) {
      throw new RefusedFile("the OpenEXR picture has a block whose values are broken");
    }
    if (least <= most) {
      in.get(bitmap, least, most - least + 1);
    }
    short[] values = new short[1 << 16];
    int count = 0;
    for (int i = 0; i < values.length; i++) {
      if (i == 0 || (bitmap[i >> 3] & 1 << (i & 7)) != 0) {
        values[count++] = (short) i;
      }
    }
    byte[] code = new byte[in.getInt()];
    in.get(code);
    int shorts = region.bytes(channels) / 2;
    short[] data = Huffman.values(code, shorts);
    int begin = 0;
    for (Channel c : channels) {
      int nx = c.width(region), ny = c.height(region), each = c.type().bytes / 2;
      for (int j = 0; j < each; j++) {
        new Wavelet(data, begin + j, each, nx * each, count - 1).decode(nx, ny);
      }
      begin += nx * ny * each;
    }
    Planes planes = new Planes(region, channels);
    int at = 0;
    for (int k = 0; k < channels.size(); k++) {
      int n = planes.of(k).length / 2;
      for (int i = 0; i < n; i++) {
        planes.put16(k, i, values[data[at++] & 0xFFFF]);
      }
    }
    return planes.rows();
  }

  /** Haar wavelets in place, over 14 or 16 bits. */
  private static final class Wavelet {
    private final short[] data;
    private final int begin, ox, oy;
    private final boolean narrow;
    private int a, b;

    Wavelet(short[] data, int begin, int ox, int oy, int most) {
      this.data = data;
      this.begin = begin;
      this.ox = ox;
      this.oy = oy;
      narrow = most < 1 << 14;
    }

    /** A value and its neighbour from their mean and difference, into {@code a} and {@code b}. */
    private void pair(int low, int high) {
      if (narrow) {
        int h = (short) high, sum = (short) low + (h & 1) + (h >> 1);
        a = (short) sum;
        b = (short) (sum - h);
      } else {
        int m = low & 0xFFFF, d = high & 0xFFFF;
        b = m - (d >> 1) & 0xFFFF;
        a = d + b - 0x8000 & 0xFFFF;
      }
    }

    private void one(int at, int other) {
      pair(data[at], data[other]);
      data[at] = (short) a;
      data[other] = (short) b;
    }

    void decode(int nx, int ny) {
      int n = Math.min(nx, ny), p = 1;
      while (p <= n) {
        p <<= 1;
      }
      p >>= 1;
      int p2 = p;
      for (p >>= 1; p >= 1; p2 = p, p >>= 1) {
        int y = 0;
        for (; y <= ny - p2; y += p2) {
          int x = 0;
          for (; x <= nx - p2; x += p2) {
            square(begin + y * oy + x * ox, p);
          }
          if ((nx & p) != 0) {
            int at = begin + y * oy + x * ox;
            one(at, at + p * oy);
          }
        }
        if ((ny & p) != 0) {
          for (int x = 0; x <= nx - p2; x += p2) {
            int at = begin + y * oy + x * ox;
            one(at, at + p * ox);
          }
        }
      }
    }

    private void square(int at, int p) {
      int right = at + p * ox, below = at + p * oy, across = below + p * ox;
      pair(data[at], data[below]);
      int i00 = a, i10 = b;
      pair(data[right], data[across]);
      int i01 = a, i11 = b;
      pair(i00, i01);
      data[at] = (short) a;
      data[right] = (short) b;
      pair(i10, i11);
      data[below] = (short) a;
      data[across] = (short) b;
    }
  }
}
