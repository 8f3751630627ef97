package levelember.formats.exr;

import java.util.List;

/** Samples of a block, channel after channel, put into rows of channels as the layout has them. */
final class Planes {
  private final Region region;
  private final List<Channel> channels;
  private final byte[][] planes;

  /** Black planes of 16- and 32-bit samples, little-endian. */
  Planes(Region region, List<Channel> channels) {
    this.region = region;
    this.channels = channels;
    planes = new byte[channels.size()][];
    for (int i = 0; i < planes.length; i++) {
      Channel c = channels.get(i);
      planes[i] = new byte[c.width(region) * c.height(region) * c.type().bytes];
    }
  }

  /** The bytes of a channel, to be written by the caller. */
  byte[] of(int channel) {
    return planes[channel];
  }

  void put16(int channel, int sample, int bits) {
    planes[channel][2 * sample] = (byte) bits;
    planes[channel][2 * sample + 1] = (byte) (bits >> 8);
  }

  void put32(int channel, int sample, int bits) {
    for (int k = 0; k < 4; k++) {
      planes[channel][4 * sample + k] = (byte) (bits >> 8 * k);
    }
  }

  byte[] rows() {
    byte[] to = new byte[region.bytes(channels)];
    int[] read = new int[planes.length];
    int at = 0;
    for (int y = region.y(); y < region.y() + region.height(); y++) {
      for (int i = 0; i < planes.length; i++) {
        Channel c = channels.get(i);
        if (c.hasRow(y)) {
          int n = c.width(region) * c.type().bytes;
          System.arraycopy(planes[i], read[i], to, at, n);
          read[i] += n;
          at += n;
        }
      }
    }
    return to;
  }
}
