package levelember.formats;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;
import levelember.texture.Picture;

/**
 * OpenEXR pictures: single-part scan-line files with half, float or uint channels, without
 * compression or with RLE, ZIPS or ZIP. Written as 32-bit floats with ZIP, because light in cd/m²
 * often exceeds the range of half floats.
 *
 * <p>Source: "OpenEXR File Layout", the Academy Software Foundation. In plain Java, so that a
 * broken file can never take the process down.
 */
public final class OpenExr {
  private static final String WHAT = "the OpenEXR picture";
  private static final int MAGIC = 20000630;
  private static final int UINT = 0, HALF = 1, FLOAT = 2;
  private static final int NONE = 0, RLE = 1, ZIPS = 2, ZIP = 3;
  private static final String[] METHODS = {
    "NONE", "RLE", "ZIPS", "ZIP", "PIZ", "PXR24", "B44", "B44A", "DWAA", "DWAB"
  };
  private static final int MOST_CHANNELS = 1024;

  private OpenExr() {}

  /**
   * What a file holds.
   *
   * @param width pixels of the data window
   * @param height pixels of the data window
   * @param channels values by full channel name, such as {@code R} or {@code Key.R}, rows from top
   */
  public record Channels(int width, int height, SortedMap<String, float[]> channels) {
    /** The colour of a layer; the empty name is the picture itself. */
    public Picture layer(String name) {
      String before = name.isEmpty() ? "" : name + ".";
      float[] r = channels.get(before + "R");
      float[] g = channels.get(before + "G");
      float[] b = channels.get(before + "B");
      if (r == null || g == null || b == null) {
        float[] grey = channels.get(before + "Y");
        if (grey == null) {
          throw new RefusedFile(WHAT + " has no colour '" + name + "', but " + channels.keySet());
        }
        r = g = b = grey;
      }
      Picture picture = Picture.black(width, height);
      for (int i = 0; i < r.length; i++) {
        picture.rgb()[3 * i] = r[i];
        picture.rgb()[3 * i + 1] = g[i];
        picture.rgb()[3 * i + 2] = b[i];
      }
      return picture;
    }
  }

  private record Channel(String name, int type) {
    int bytes() {
      return type == HALF ? 2 : 4;
    }
  }

  /** Whether the bytes begin as an OpenEXR file does. */
  public static boolean is(byte[] file) {
    return file.length > 4
        && ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).getInt() == MAGIC;
  }

  /**
   * Reads all channels.
   *
   * @throws RefusedFile when the file is no such picture, is broken, too large, or uses tiles,
   *     several parts or another compression
   */
  public static Channels read(byte[] file) {
    if (!is(file)) {
      throw new RefusedFile(WHAT + " does not begin as OpenEXR files do");
    }
    try {
      return new Reading(file).read();
    } catch (java.nio.BufferUnderflowException | IndexOutOfBoundsException e) {
      throw new RefusedFile(WHAT + " is cut short", e);
    } catch (DataFormatException e) {
      throw new RefusedFile(WHAT + " has a block that cannot be unpacked", e);
    }
  }

  private static final class Reading {
    private final ByteBuffer in;
    private final SortedMap<String, Channel> channels = new TreeMap<>();
    private int method = -1;
    private int[] window;

    Reading(byte[] file) {
      in = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    }

    Channels read() throws DataFormatException {
      in.getInt();
      int version = in.getInt();
      if ((version & 0xFF) != 2 || (version & 0x1A00) != 0) {
        throw new RefusedFile(
            WHAT + " is tiled, deep or of several parts; only flat scan-line files can be read");
      }
      header();
      if (window == null || method < 0 || channels.isEmpty()) {
        throw new RefusedFile(WHAT + " lacks channels, compression or data window");
      }
      long width = (long) window[2] - window[0] + 1, height = (long) window[3] - window[1] + 1;
      Limits.picture(WHAT, width, height);
      if (width * height * channels.size() > Limits.MOST_PIXELS * 4) {
        throw new RefusedFile(WHAT + " has too many channels for its size");
      }
      int w = (int) width, h = (int) height;
      int lines = method == ZIP ? 16 : 1;
      int blocks = (h + lines - 1) / lines;
      if (in.remaining() < 16L * blocks) {
        throw new RefusedFile(WHAT + " is cut short");
      }
      SortedMap<String, float[]> to = new TreeMap<>();
      channels.forEach((name, c) -> to.put(name, new float[w * h]));
      int lineBytes = channels.values().stream().mapToInt(Channel::bytes).sum() * w;
      in.position(in.position() + 8 * blocks);
      for (int i = 0; i < blocks; i++) {
        int y = in.getInt() - window[1];
        int size = in.getInt();
        if (y < 0 || y >= h || y % lines != 0 || size < 0 || size > in.remaining()) {
          throw new RefusedFile(WHAT + " has a block out of place");
        }
        int n = Math.min(lines, h - y);
        ByteBuffer block = ByteBuffer.wrap(unpack(size, n * lineBytes));
        block.order(ByteOrder.LITTLE_ENDIAN);
        for (int line = y; line < y + n; line++) {
          for (Channel c : channels.values()) {
            values(block, c, to.get(c.name()), line * w, w);
          }
        }
      }
      return new Channels(w, h, to);
    }

    private void header() {
      while (true) {
        String name = text();
        if (name.isEmpty()) {
          return;
        }
        String type = text();
        int size = in.getInt();
        if (size < 0 || size > in.remaining()) {
          throw new RefusedFile(WHAT + " has a header entry '" + name + "' beyond its end");
        }
        int end = in.position() + size;
        switch (name) {
          case "channels" -> channels(end);
          case "compression" -> {
            method = in.get();
            if (method < 0 || method > ZIP) {
              String known = method > 0 && method < METHODS.length ? METHODS[method] : "" + method;
              throw new RefusedFile(
                  WHAT + " is compressed by " + known + "; NONE, RLE, ZIPS and ZIP can be read");
            }
          }
          case "dataWindow" ->
              window = new int[] {in.getInt(), in.getInt(), in.getInt(), in.getInt()};
          default -> {
            if (type.isEmpty()) {
              throw new RefusedFile(WHAT + " has a header entry without type");
            }
          }
        }
        in.position(end);
      }
    }

    private void channels(int end) {
      while (in.position() < end - 1) {
        String name = text();
        int type = in.getInt();
        in.getInt();
        int xs = in.getInt(), ys = in.getInt();
        if (type < UINT || type > FLOAT || xs != 1 || ys != 1) {
          throw new RefusedFile(WHAT + " has a channel '" + name + "' of an unknown kind");
        }
        if (channels.size() >= MOST_CHANNELS) {
          throw new RefusedFile(WHAT + " has more than " + MOST_CHANNELS + " channels");
        }
        channels.put(name, new Channel(name, type));
      }
    }

    private String text() {
      int from = in.position();
      while (in.get() != 0) {
        if (in.position() - from > 255) {
          throw new RefusedFile(WHAT + " has a name longer than 255 characters");
        }
      }
      return new String(in.array(), from, in.position() - 1 - from, StandardCharsets.UTF_8);
    }

    private byte[] unpack(int size, int wanted) throws DataFormatException {
      byte[] packed = new byte[size];
      in.get(packed);
      if (method == NONE || size == wanted) {
        if (size != wanted) {
          throw new RefusedFile(WHAT + " has a block of the wrong length");
        }
        return packed;
      }
      byte[] mixed = method == RLE ? runs(packed, wanted) : inflated(packed, wanted);
      for (int i = 1; i < mixed.length; i++) {
        mixed[i] = (byte) (mixed[i - 1] + mixed[i] - 128);
      }
      byte[] to = new byte[wanted];
      int half = (wanted + 1) / 2;
      for (int i = 0; i < wanted; i++) {
        to[i] = mixed[(i & 1) == 0 ? i / 2 : half + i / 2];
      }
      return to;
    }

    private static byte[] inflated(byte[] packed, int wanted) throws DataFormatException {
      byte[] to = new byte[wanted];
      Inflater inflater = new Inflater();
      try {
        inflater.setInput(packed);
        int n = 0;
        while (n < wanted) {
          int more = inflater.inflate(to, n, wanted - n);
          if (more == 0) {
            throw new RefusedFile(WHAT + " has a block that is too short");
          }
          n += more;
        }
      } finally {
        inflater.end();
      }
      return to;
    }

    private static byte[] runs(byte[] packed, int wanted) {
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

    private static void values(ByteBuffer block, Channel c, float[] to, int at, int count) {
      for (int i = 0; i < count; i++) {
        to[at + i] =
            switch (c.type()) {
              case HALF -> Float.float16ToFloat(block.getShort());
              case FLOAT -> block.getFloat();
              default -> Integer.toUnsignedLong(block.getInt());
            };
      }
    }
  }

  /** Writes one picture. */
  public static byte[] write(Picture picture) {
    return write(picture, Map.of());
  }

  /**
   * Writes a picture and named layers of the same size as float channels.
   *
   * @param layers by layer name; a dot in a name becomes a hyphen
   */
  public static byte[] write(Picture picture, Map<String, Picture> layers) {
    return write(picture, layers, null);
  }

  /**
   * Writes a picture, its alpha, and named layers of the same size as float channels.
   *
   * @param layers by layer name; a dot in a name becomes a hyphen
   * @param alpha one a pixel, which the colours are multiplied by, or null
   */
  public static byte[] write(Picture picture, Map<String, Picture> layers, float[] alpha) {
    SortedMap<String, float[]> rgb = new TreeMap<>();
    SortedMap<String, Integer> offset = new TreeMap<>();
    Map<String, Picture> all = new LinkedHashMap<>();
    all.put("", picture);
    layers.forEach((name, layer) -> all.put(name.replace('.', '-') + ".", layer));
    all.forEach((before, layer) -> {
      if (layer.width() != picture.width() || layer.height() != picture.height()) {
        throw new IllegalArgumentException("the layer '" + before + "' has another size");
      }
      for (int k = 0; k < 3; k++) {
        rgb.put(before + "RGB".charAt(k), layer.rgb());
        offset.put(before + "RGB".charAt(k), k);
      }
    });
    if (alpha != null) {
      rgb.put("A", alpha);
    }
    int width = picture.width(), height = picture.height(), blocks = (height + 15) / 16;
    byte[][] packed = new byte[blocks][];
    IntStream.range(0, blocks)
        .parallel()
        .forEach(i -> {
          int from = 16 * i, n = Math.min(16, height - from);
          ByteBuffer raw = ByteBuffer.allocate(4 * rgb.size() * width * n);
          raw.order(ByteOrder.LITTLE_ENDIAN);
          for (int y = from; y < from + n; y++) {
            for (Map.Entry<String, float[]> c : rgb.entrySet()) {
              int each = c.getValue() == alpha ? 1 : 3, k = offset.getOrDefault(c.getKey(), 0);
              for (int x = 0; x < width; x++) {
                raw.putFloat(c.getValue()[each * (y * width + x) + k]);
              }
            }
          }
          packed[i] = deflated(raw.array());
        });
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    to.writeBytes(head(rgb.keySet(), width, height));
    long at = to.size() + 8L * blocks;
    ByteBuffer number = ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN);
    for (byte[] block : packed) {
      to.writeBytes(number.clear().putLong(at).array());
      at += 8 + block.length;
    }
    for (int i = 0; i < blocks; i++) {
      to.writeBytes(number.clear().putInt(16 * i).putInt(packed[i].length).array());
      to.writeBytes(packed[i]);
    }
    return to.toByteArray();
  }

  private static byte[] deflated(byte[] raw) {
    byte[] mixed = new byte[raw.length];
    int half = (raw.length + 1) / 2;
    for (int i = 0; i < raw.length; i++) {
      mixed[(i & 1) == 0 ? i / 2 : half + i / 2] = raw[i];
    }
    for (int i = raw.length - 1; i > 0; i--) {
      mixed[i] = (byte) (mixed[i] - mixed[i - 1] + 128);
    }
    Deflater deflater = new Deflater(4);
    try {
      deflater.setInput(mixed);
      deflater.finish();
      byte[] to = new byte[raw.length];
      int n = deflater.deflate(to);
      // A block that does not shrink is stored as it is, as the layout says.
      return deflater.finished() && n < raw.length ? java.util.Arrays.copyOf(to, n) : raw;
    } finally {
      deflater.end();
    }
  }

  private static byte[] head(Iterable<String> channels, int width, int height) {
    ByteBuffer to = ByteBuffer.allocate(1 << 20).order(ByteOrder.LITTLE_ENDIAN);
    to.putInt(MAGIC);
    boolean longNames = false;
    ByteBuffer list = ByteBuffer.allocate(1 << 19).order(ByteOrder.LITTLE_ENDIAN);
    for (String c : channels) {
      byte[] name = c.getBytes(StandardCharsets.UTF_8);
      longNames |= name.length > 31;
      list.put(name).put((byte) 0).putInt(FLOAT).putInt(0).putInt(1).putInt(1);
    }
    list.put((byte) 0).flip();
    to.putInt(2 | (longNames ? 0x400 : 0));
    entry(to, "channels", "chlist", list.remaining()).put(list);
    entry(to, "compression", "compression", 1).put((byte) ZIP);
    entry(to, "dataWindow", "box2i", 16).putInt(0).putInt(0).putInt(width - 1).putInt(height - 1);
    entry(to, "displayWindow", "box2i", 16)
        .putInt(0)
        .putInt(0)
        .putInt(width - 1)
        .putInt(height - 1);
    entry(to, "lineOrder", "lineOrder", 1).put((byte) 0);
    entry(to, "pixelAspectRatio", "float", 4).putFloat(1);
    entry(to, "screenWindowCenter", "v2f", 8).putFloat(0).putFloat(0);
    entry(to, "screenWindowWidth", "float", 4).putFloat(1);
    to.put((byte) 0);
    return java.util.Arrays.copyOf(to.array(), to.position());
  }

  private static ByteBuffer entry(ByteBuffer to, String name, String type, int size) {
    to.put(name.getBytes(StandardCharsets.US_ASCII)).put((byte) 0);
    return to.put(type.getBytes(StandardCharsets.US_ASCII)).put((byte) 0).putInt(size);
  }
}
