package levelember.formats.exr;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.zip.DataFormatException;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;

/**
 * Reads OpenEXR files: scan lines or tiles (of several levels the largest), one part or the first
 * of several, every compression, channels of fewer samples than pixels.
 */
public final class ExrReader {
  private static final String WHAT = ExrHeader.WHAT;
  private static final int MAGIC = 20000630;
  private static final int TILED = 0x200, DEEP = 0x800, PARTS = 0x1000;

  /** Bytes of samples for one of the file, beyond which no honest file goes. */
  private static final long DEFLATED_RATIO = 1100, COSINES_RATIO = 70_000;

  /** Bytes that a block takes at least: where it begins, where it belongs and how long it is. */
  private static final long LEAST_BLOCK = 16;

  private static final int[] LINES = {1, 1, 1, 16, 32, 16, 32, 32, 32, 256};
  private static final int DWAA = 8;

  private final ByteBuffer in;
  private final int fileBytes;

  private ExrReader(byte[] file) {
    in = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    fileBytes = file.length;
  }

  /**
   * What was read.
   *
   * @param values by channel, rows from the top, one a pixel
   * @param chromaticities of red, green, blue and white, x and y each, or null for BT.709
   */
  public record Content(
      int width, int height, SortedMap<String, float[]> values, float[] chromaticities) {}

  /** Whether the bytes begin as an OpenEXR file does. */
  public static boolean is(byte[] file) {
    return file.length > 8
        && ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).getInt() == MAGIC;
  }

  /** How many parts a file of this format has; 1 where its header cannot be read. */
  public static int parts(byte[] file) {
    ByteBuffer in = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    try {
      in.getInt();
      int parts = 0;
      if ((in.getInt() & PARTS) != 0) {
        while (ExrHeader.read(in) != null) {
          parts++;
        }
      }
      return Math.max(1, parts);
    } catch (RuntimeException e) {
      return 1;
    }
  }

  /**
   * Reads the channels whose names are wanted.
   *
   * @throws RefusedFile when the file is no such picture, deep, broken or too large
   */
  public static Content read(byte[] file, Predicate<String> wanted) {
    if (!is(file)) {
      throw new RefusedFile(WHAT + " does not begin as OpenEXR files do");
    }
    try {
      return new ExrReader(file).content(wanted);
    } catch (RefusedFile e) {
      throw e;
    } catch (RuntimeException e) {
      throw new RefusedFile(WHAT + " is cut short or broken", e);
    } catch (DataFormatException e) {
      throw new RefusedFile(WHAT + " has a block that cannot be unpacked", e);
    }
  }

  private Content content(Predicate<String> wanted) throws DataFormatException {
    in.getInt();
    int version = in.getInt();
    if ((version & 0xFF) != 2 || (version & DEEP) != 0) {
      throw new RefusedFile(WHAT + " is deep or of an unknown version; flat pictures can be read");
    }
    boolean parts = (version & PARTS) != 0;
    ExrHeader header = ExrHeader.read(in);
    if (header == null) {
      throw new RefusedFile(WHAT + " has no header");
    }
    if (parts) {
      while (ExrHeader.read(in) != null) {
        // The first part is the picture; others are only passed over.
      }
      if (header.type.startsWith("deep")) {
        throw new RefusedFile(WHAT + " has a deep first part; flat pictures can be read");
      }
    }
    boolean tiled = (version & TILED) != 0 || header.type.startsWith("tiled");
    if (!tiled) {
      header.tile = null;
    } else if (header.tile == null) {
      throw new RefusedFile(WHAT + " lacks the size of its tiles");
    }
    return read(header, parts, wanted);
  }

  private Content read(ExrHeader header, boolean parts, Predicate<String> wanted)
      throws DataFormatException {
    int[] window = header.window;
    long width = (long) window[2] - window[0] + 1, height = (long) window[3] - window[1] + 1;
    Limits.picture(WHAT, width, height);
    int w = (int) width, h = (int) height;
    Region all = new Region(window[0], window[1], w, h);
    Unpacker unpacker = unpacker(header.method);
    checkSize(header, all, wanted);
    long blocks = blocks(header, all);
    if (in.remaining() < LEAST_BLOCK * blocks) {
      throw new RefusedFile(
          WHAT + " says it has " + blocks + " blocks, more than its size can hold");
    }
    long[] begins = new long[(int) blocks];
    for (int i = 0; i < begins.length; i++) {
      begins[i] = in.getLong();
    }
    SortedMap<String, float[]> to = new TreeMap<>();
    for (Channel c : header.channels) {
      if (wanted.test(c.name())) {
        to.put(c.name(), new float[c.width(all) * c.height(all)]);
      }
    }
    for (long begin : begins) {
      block(header, all, begin, parts, unpacker, to);
    }
    header.channels.stream()
        .filter(c -> to.containsKey(c.name()) && (c.xStep() > 1 || c.yStep() > 1))
        .forEach(c -> to.put(c.name(), spread(c, all, to.get(c.name()))));
    return new Content(w, h, to, header.chromaticities);
  }

  private void checkSize(ExrHeader header, Region all, Predicate<String> wanted) {
    long kept = 0, stored = 0;
    for (Channel c : header.channels) {
      stored += (long) c.width(all) * c.height(all) * c.type().bytes;
      kept += wanted.test(c.name()) ? 4L * all.width() * all.height() : 0;
    }
    Limits.memory(WHAT, kept);
    long ratio = header.method >= DWAA ? COSINES_RATIO : header.method == 0 ? 1 : DEFLATED_RATIO;
    if (stored > fileBytes * ratio) {
      throw new RefusedFile(
          WHAT + " claims " + (stored >> 20) + " MB of samples, more than its size can hold");
    }
  }

  private static Unpacker unpacker(int method) {
    return switch (method) {
      case 0 -> (packed, region, channels) -> packed;
      case 1 -> new Deflated(true);
      case 2, 3 -> new Deflated(false);
      case 4 -> new Piz();
      case 5 -> new Pxr24();
      case 6, 7 -> new B44();
      case 8, 9 -> new Dwa();
      default -> throw new RefusedFile(WHAT + " is compressed in the unknown way number " + method);
    };
  }

  /** How many blocks of full size there are. */
  private static long blocks(ExrHeader header, Region all) {
    long bw = header.tile == null ? all.width() : header.tile[0];
    long bh = header.tile == null ? LINES[header.method] : header.tile[1];
    return Math.ceilDiv(all.width(), bw) * Math.ceilDiv(all.height(), bh);
  }

  private static Region region(Region all, int x, int y, int bw, int bh) {
    return new Region(
        all.x() + x, all.y() + y, Math.min(bw, all.width() - x), Math.min(bh, all.height() - y));
  }

  private void block(
      ExrHeader header,
      Region all,
      long begin,
      boolean parts,
      Unpacker unpacker,
      SortedMap<String, float[]> to)
      throws DataFormatException {
    if (begin <= 0 || begin > fileBytes - 8) {
      throw new RefusedFile(WHAT + " is not whole: a block was never written");
    }
    in.position((int) begin + (parts ? 4 : 0));
    Region region;
    if (header.tile == null) {
      int y = in.getInt() - all.y(), lines = LINES[header.method];
      if (y < 0 || y >= all.height() || y % lines != 0) {
        throw new RefusedFile(WHAT + " has a block out of place");
      }
      region = region(all, 0, y, all.width(), lines);
    } else {
      int x = in.getInt(), y = in.getInt(), levelX = in.getInt(), levelY = in.getInt();
      long left = (long) x * header.tile[0], top = (long) y * header.tile[1];
      boolean outside = left < 0 || left >= all.width() || top < 0 || top >= all.height();
      if (levelX != 0 || levelY != 0 || outside) {
        throw new RefusedFile(WHAT + " has a block out of place");
      }
      region = region(all, (int) left, (int) top, header.tile[0], header.tile[1]);
    }
    int size = in.getInt();
    if (size < 0 || size > in.remaining()) {
      throw new RefusedFile(WHAT + " has a block beyond its end");
    }
    byte[] packed = new byte[size];
    in.get(packed);
    int full = region.bytes(header.channels);
    // A block that did not shrink is stored as it is.
    byte[] samples = size == full ? packed : unpacker.unpack(packed, region, header.channels);
    if (samples.length != full) {
      throw new RefusedFile(WHAT + " has a block of the wrong length");
    }
    rows(ByteBuffer.wrap(samples).order(ByteOrder.LITTLE_ENDIAN), header.channels, region, all, to);
  }

  private static void rows(
      ByteBuffer samples,
      List<Channel> channels,
      Region region,
      Region all,
      SortedMap<String, float[]> to) {
    for (int y = region.y(); y < region.y() + region.height(); y++) {
      for (Channel c : channels) {
        if (!c.hasRow(y)) {
          continue;
        }
        float[] plane = to.get(c.name());
        int n = c.width(region);
        if (plane == null) {
          samples.position(samples.position() + n * c.type().bytes);
          continue;
        }
        int row = c.height(new Region(all.x(), all.y(), 1, y - all.y() + 1)) - 1;
        int column = c.width(new Region(all.x(), all.y(), region.x() - all.x(), 1));
        int at = row * c.width(all) + (region.x() == all.x() ? 0 : column);
        for (int i = 0; i < n; i++) {
          plane[at + i] =
              switch (c.type()) {
                case HALF -> Float.float16ToFloat(samples.getShort());
                case FLOAT -> samples.getFloat();
                case UINT -> Integer.toUnsignedLong(samples.getInt());
              };
        }
      }
    }
  }

  /** One value a pixel of a channel that has fewer, between its samples by straight lines. */
  private static float[] spread(Channel c, Region all, float[] from) {
    int nx = c.width(all), ny = c.height(all);
    float[] to = new float[all.width() * all.height()];
    for (int y = 0; y < all.height(); y++) {
      float v = Math.min((float) y / c.yStep(), ny - 1);
      int y0 = (int) v, y1 = Math.min(y0 + 1, ny - 1);
      for (int x = 0; x < all.width(); x++) {
        float u = Math.min((float) x / c.xStep(), nx - 1);
        int x0 = (int) u, x1 = Math.min(x0 + 1, nx - 1);
        float top = from[y0 * nx + x0] * (1 - u + x0) + from[y0 * nx + x1] * (u - x0);
        float foot = from[y1 * nx + x0] * (1 - u + x0) + from[y1 * nx + x1] * (u - x0);
        to[y * all.width() + x] = top * (1 - v + y0) + foot * (v - y0);
      }
    }
    return to;
  }
}
