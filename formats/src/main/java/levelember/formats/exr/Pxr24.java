package levelember.formats.exr;

import java.util.List;
import java.util.zip.DataFormatException;

/**
 * PXR24: floats cut to 24 bits, differences along rows, bytes of equal weight together, deflated.
 */
final class Pxr24 implements Unpacker {
  @Override
  public byte[] unpack(byte[] packed, Region region, List<Channel> channels)
      throws DataFormatException {
    int size = 0;
    for (Channel c : channels) {
      size += c.width(region) * c.height(region) * stored(c);
    }
    byte[] from = Deflated.inflated(packed, size);
    byte[] to = new byte[region.bytes(channels)];
    int at = 0, put = 0;
    for (int y = region.y(); y < region.y() + region.height(); y++) {
      for (Channel c : channels) {
        if (!c.hasRow(y)) {
          continue;
        }
        int n = c.width(region), planes = stored(c), bytes = c.type().bytes, value = 0;
        for (int i = 0; i < n; i++) {
          int difference = 0;
          for (int k = 0; k < planes; k++) {
            difference |= (from[at + k * n + i] & 255) << 8 * (bytes - 1 - k);
          }
          value += difference;
          for (int k = 0; k < bytes; k++) {
            to[put++] = (byte) (value >> 8 * k);
          }
        }
        at += n * planes;
      }
    }
    return to;
  }

  private static int stored(Channel c) {
    return c.type() == Channel.Type.FLOAT ? 3 : c.type().bytes;
  }
}
