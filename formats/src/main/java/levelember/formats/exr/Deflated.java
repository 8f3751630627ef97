package levelember.formats.exr;

import java.util.List;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import levelember.formats.RefusedFile;

/** ZIP, ZIPS and RLE: differences of bytes, those of even and odd place apart, then packed. */
record Deflated(boolean byRuns) implements Unpacker {
  @Override
  public byte[] unpack(byte[] packed, Region region, List<Channel> channels)
      throws DataFormatException {
    int size = region.bytes(channels);
    return summed(byRuns ? runs(packed, size) : inflated(packed, size));
  }

  /** Undoes the differences and the parting of bytes. */
  static byte[] summed(byte[] mixed) {
    for (int i = 1; i < mixed.length; i++) {
      mixed[i] = (byte) (mixed[i - 1] + mixed[i] - 128);
    }
    byte[] to = new byte[mixed.length];
    int half = (mixed.length + 1) / 2;
    for (int i = 0; i < to.length; i++) {
      to[i] = mixed[(i & 1) == 0 ? i / 2 : half + i / 2];
    }
    return to;
  }

  /** Exactly so many bytes of a zlib stream. */
  static byte[] inflated(byte[] packed, int wanted) throws DataFormatException {
    byte[] to = new byte[wanted];
    Inflater inflater = new Inflater();
    try {
      inflater.setInput(packed);
      int n = 0;
      while (n < wanted) {
        int more = inflater.inflate(to, n, wanted - n);
        if (more == 0) {
          throw new RefusedFile("the OpenEXR picture has a block that is too short");
        }
        n += more;
      }
    } finally {
      inflater.end();
    }
    return to;
  }

  /** Exactly so many bytes of runs: a negative count of bytes as they are, or one byte repeated. */
  static byte[] runs(byte[] packed, int wanted) {
    byte[] to = new byte[wanted];
    int at = 0, n = 0;
    while (n < wanted) {
      int count = packed[at++];
      if (count < 0) {
        System.arraycopy(packed, at, to, n, -count);
        at -= count;
        n -= count;
      } else {
        java.util.Arrays.fill(to, n, n + count + 1, packed[at++]);
        n += count + 1;
      }
    }
    return to;
  }
}
