package levelember.formats.exr;

import java.util.List;

/** The pixels of one block, in the file's coordinates. */
record Region(int x, int y, int width, int height) {
  /** Bytes of all samples of the region, as they stand when unpacked. */
  int bytes(List<Channel> channels) {
    long sum = 0;
    for (Channel c : channels) {
      sum += (long) c.width(this) * c.height(this) * c.type().bytes;
    }
    return Math.toIntExact(sum);
  }
}
