package levelember.formats.exr;

import java.util.List;

/**
 * Planes of DWA: cosine transforms of 8×8 pixels, whose means stand plane by plane and whose other
 * coefficients follow each other with runs of zeros left out. What comes out is the perceptual
 * scale, 2.2 as an exponent up to 1 and exponential above, which a table undoes.
 */
final class Cosines {
  private static final int END = 0xFF00;
  private static final int[] ZIGZAG = zigzag();
  private static final float[] BASE = base();
  private static final short[] LINEAR = linear();

  private final short[] ac;
  private final short[] dc;
  private int acAt;
  private int dcAt;

  Cosines(short[] ac, short[] dc) {
    this.ac = ac;
    this.dc = dc;
  }

  private static int[] zigzag() {
    int[] to = new int[64];
    int x = 0, y = 0;
    for (int i = 0; i < 64; i++) {
      to[i] = 8 * y + x;
      boolean up = (x + y) % 2 == 0;
      if (up && x == 7 || !up && y < 7 && x == 0) {
        y++;
      } else if (up && y == 0 || !up && y == 7) {
        x++;
      } else {
        x += up ? 1 : -1;
        y += up ? -1 : 1;
      }
    }
    return to;
  }

  /** The orthonormal transform: rows of frequencies, columns of places. */
  private static float[] base() {
    float[] to = new float[64];
    for (int k = 0; k < 8; k++) {
      for (int n = 0; n < 8; n++) {
        double scale = k == 0 ? Math.sqrt(0.125) : 0.5;
        to[8 * k + n] = (float) (scale * StrictMath.cos((2 * n + 1) * k * Math.PI / 16));
      }
    }
    return to;
  }

  private static short[] linear() {
    short[] to = new short[1 << 16];
    double base = StrictMath.pow(2.7182818, 2.2);
    for (int i = 0; i < to.length; i++) {
      float f = Float.float16ToFloat((short) i);
      if (Float.isFinite(f)) {
        double size = Math.abs(f);
        double light = size <= 1 ? StrictMath.pow(size, 2.2) : StrictMath.pow(base, size - 1);
        to[i] = Float.floatToFloat16((float) Math.copySign(light, f));
      }
    }
    return to;
  }

  /** Decodes one channel, or three that are luma and chroma of a colour. */
  void decode(Planes planes, Region region, List<Channel> channels, int[] which) {
    Channel like = channels.get(which[0]);
    int nx = like.width(region), ny = like.height(region);
    int across = (nx + 7) / 8, down = (ny + 7) / 8;
    float[][] block = new float[which.length][64];
    for (int by = 0; by < down; by++) {
      for (int bx = 0; bx < across; bx++) {
        for (int k = 0; k < which.length; k++) {
          read(dc[dcAt + k * across * down + by * across + bx], block[k]);
        }
        if (which.length == 3) {
          colours(block);
        }
        for (int k = 0; k < which.length; k++) {
          Channel c = channels.get(which[k]);
          boolean perceptual = which.length == 3 || !c.linear();
          Target to = new Target(which[k], nx, ny, c.type() == Channel.Type.HALF, perceptual);
          put(planes, to, block[k], 8 * bx, 8 * by);
        }
      }
    }
    dcAt += which.length * across * down;
  }

  /** Puts a block's pixels into a plane, as far as they lie in the picture. */
  private static void put(Planes planes, Target to, float[] block, int x0, int y0) {
    for (int y = y0; y < Math.min(to.ny(), y0 + 8); y++) {
      for (int x = x0; x < Math.min(to.nx(), x0 + 8); x++) {
        int bits = Float.floatToFloat16(block[8 * (y - y0) + x - x0]) & 0xFFFF;
        int light = to.perceptual() ? LINEAR[bits] : bits;
        if (to.half()) {
          planes.put16(to.channel(), y * to.nx() + x, light);
        } else {
          float f = Float.float16ToFloat((short) light);
          planes.put32(to.channel(), y * to.nx() + x, Float.floatToIntBits(f));
        }
      }
    }
  }

  /** The plane that is decoded. */
  private record Target(int channel, int nx, int ny, boolean half, boolean perceptual) {}

  /** The pixels of one block. */
  private void read(short mean, float[] to) {
    float[] coefficients = new float[64];
    coefficients[0] = Float.float16ToFloat(mean);
    for (int i = 1; i < 64; ) {
      int value = ac[acAt++] & 0xFFFF;
      if (value == END) {
        break;
      } else if (value >> 8 == 0xFF) {
        i += value & 255;
      } else {
        coefficients[ZIGZAG[i++]] = Float.float16ToFloat((short) value);
      }
    }
    float[] rows = new float[64];
    for (int y = 0; y < 8; y++) {
      for (int x = 0; x < 8; x++) {
        float sum = 0;
        for (int k = 0; k < 8; k++) {
          sum += coefficients[8 * y + k] * BASE[8 * k + x];
        }
        rows[8 * y + x] = sum;
      }
    }
    for (int y = 0; y < 8; y++) {
      for (int x = 0; x < 8; x++) {
        float sum = 0;
        for (int k = 0; k < 8; k++) {
          sum += rows[8 * k + x] * BASE[8 * k + y];
        }
        to[8 * y + x] = sum;
      }
    }
  }

  /** BT.709 luma and chroma to red, green and blue. */
  private static void colours(float[][] block) {
    for (int i = 0; i < 64; i++) {
      float y = block[0][i], cb = block[1][i], cr = block[2][i];
      block[0][i] = y + 1.5747f * cr;
      block[1][i] = y - 0.1873f * cb - 0.4682f * cr;
      block[2][i] = y + 1.8556f * cb;
    }
  }
}
