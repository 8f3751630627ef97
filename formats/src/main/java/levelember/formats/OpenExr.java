package levelember.formats;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.zip.Deflater;
import levelember.formats.exr.ExrReader;
import levelember.texture.Picture;

/**
 * OpenEXR pictures: read in every form but deep ones ({@link ExrReader}), written as 32-bit floats
 * with ZIP, because light in cd/m² often exceeds the range of half floats.
 *
 * <p>Source: "OpenEXR File Layout", the Academy Software Foundation. In plain Java, so that a
 * broken file can never take the process down.
 */
public final class OpenExr {
  private static final String WHAT = "the OpenEXR picture";
  private static final int MAGIC = 20000630;
  private static final int FLOAT = 2, ZIP = 3;

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

  /** Whether the bytes begin as an OpenEXR file does. */
  public static boolean is(byte[] file) {
    return ExrReader.is(file);
  }

  /**
   * Reads all channels.
   *
   * @throws RefusedFile when the file is no such picture, is deep, broken or too large
   */
  public static Channels read(byte[] file) {
    return channels(ExrReader.read(file, name -> true));
  }

  /**
   * Reads the picture itself, without its layers, in BT.709 primaries.
   *
   * @throws RefusedFile as {@link #read}
   */
  static Picture picture(byte[] file) {
    Set<String> colours = Set.of("R", "G", "B", "Y", "RY", "BY");
    ExrReader.Content content = ExrReader.read(file, colours::contains);
    if (content.values().isEmpty()) {
      return read(file).layer("");
    }
    return ExrColours.picture(content);
  }

  private static Channels channels(ExrReader.Content content) {
    return new Channels(content.width(), content.height(), content.values());
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
