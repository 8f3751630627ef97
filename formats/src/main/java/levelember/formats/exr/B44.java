package levelember.formats.exr;

import java.util.List;

/** B44 and B44A: squares of 4×4 halves in 14 bytes, or in 3 where all are equal. */
final class B44 implements Unpacker {
  private static final int FLAT = 13 << 2;

  @Override
  public byte[] unpack(byte[] packed, Region region, List<Channel> channels) {
    Planes planes = new Planes(region, channels);
    int at = 0;
    int[] square = new int[16];
    for (int k = 0; k < channels.size(); k++) {
      Channel c = channels.get(k);
      int nx = c.width(region), ny = c.height(region);
      if (c.type() != Channel.Type.HALF) {
        byte[] plane = planes.of(k);
        System.arraycopy(packed, at, plane, 0, plane.length);
        at += plane.length;
        continue;
      }
      for (int y = 0; y < ny; y += 4) {
        for (int x = 0; x < nx; x += 4) {
          boolean flat = (packed[at + 2] & 255) >= FLAT;
          if (flat) {
            java.util.Arrays.fill(square, (packed[at] & 255) << 8 | packed[at + 1] & 255);
          } else {
            square(packed, at, square);
          }
          at += flat ? 3 : 14;
          for (int i = 0; i < 16; i++) {
            if (x + i % 4 < nx && y + i / 4 < ny) {
              int bits = (square[i] & 0x8000) != 0 ? square[i] & 0x7FFF : ~square[i] & 0xFFFF;
              planes.put16(k, (y + i / 4) * nx + x + i % 4, c.linear() ? exponential(bits) : bits);
            }
          }
        }
      }
    }
    return planes.rows();
  }

  /** Six bits a difference: down the first column, then from every column to the next. */
  private static void square(byte[] b, int at, int[] s) {
    s[0] = (b[at] & 255) << 8 | b[at + 1] & 255;
    int shift = (b[at + 2] & 255) >> 2, bias = 0x20 << shift;
    int bit = 22;
    for (int column = 0; column < 4; column++) {
      for (int row = 0; row < 4; row++) {
        if (row == 0 && column == 0) {
          continue;
        }
        int six = 0;
        for (int i = 0; i < 6; i++, bit++) {
          six = six << 1 | b[at + (bit >> 3)] >> 7 - (bit & 7) & 1;
        }
        int before = column == 0 ? s[4 * (row - 1)] : s[4 * row + column - 1];
        s[4 * row + column] = before + (six << shift) - bias & 0xFFFF;
      }
    }
  }

  /** Undoes the logarithm that even values are stored by. */
  private static int exponential(int bits) {
    float f = Float.float16ToFloat((short) bits);
    if (Float.isNaN(f) || Float.isInfinite(f)) {
      return 0;
    }
    double e = Math.min(65504, StrictMath.exp(f / 8));
    return Float.floatToFloat16((float) e) & 0xFFFF;
  }
}
