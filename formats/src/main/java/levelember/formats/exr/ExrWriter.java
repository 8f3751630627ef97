package levelember.formats.exr;

import java.io.Closeable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.SeekableByteChannel;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.zip.Deflater;

/**
 * Writes an OpenEXR file of scan lines, rows after rows, so that a picture never has to be whole in
 * memory.
 *
 * <p>Source: "OpenEXR File Layout", the Academy Software Foundation.
 */
public final class ExrWriter implements Closeable {
  private static final int MAGIC = 20000630;

  /** How a channel's values are kept. */
  public enum Depth {
    HALF(1, 2),
    FLOAT(2, 4);
    private final int code, bytes;

    Depth(int code, int bytes) {
      this.code = code;
      this.bytes = bytes;
    }
  }

  /** How blocks of rows are packed. */
  public enum Packing {
    NONE(0, 1),
    ZIP(3, 16),
    PIZ(4, 32);
    private final int code, rows;

    Packing(int code, int rows) {
      this.code = code;
      this.rows = rows;
    }
  }

  private final SeekableByteChannel to;
  private final int width, height;
  private final Packing packing;
  private final SortedMap<String, Depth> channels;
  private final long tableAt;
  private final ByteBuffer table;
  private int next;

  /**
   * Begins a file.
   *
   * @param to empty, and at its beginning
   * @param channels depths by full channel name, such as {@code R} or {@code Key.R}
   * @param attributes text by name
   */
  public ExrWriter(
      SeekableByteChannel to,
      int width,
      int height,
      Packing packing,
      Map<String, Depth> channels,
      Map<String, String> attributes)
      throws IOException {
    this.to = to;
    this.width = width;
    this.height = height;
    this.packing = packing;
    this.channels = new TreeMap<>(channels);
    write(ByteBuffer.wrap(head(attributes)));
    tableAt = to.position();
    table =
        ByteBuffer.allocate(8 * Math.ceilDiv(height, packing.rows)).order(ByteOrder.LITTLE_ENDIAN);
    write(table.duplicate());
  }

  /** Rows of a block: rows are given in multiples of it, but for the last. */
  public int block() {
    return packing.rows;
  }

  /**
   * Writes the next rows.
   *
   * @param count a multiple of {@link #block}, or all that are left
   * @param values by channel, {@code width} floats a row
   */
  public void rows(int count, Map<String, float[]> values) throws IOException {
    int first = next, blocks = Math.ceilDiv(count, packing.rows);
    if (next + count > height || count % packing.rows != 0 && next + count != height) {
      throw new IllegalArgumentException(count + " rows do not end with a block");
    }
    byte[][] packed = new byte[blocks][];
    IntStream.range(0, blocks)
        .parallel()
        .forEach(i -> {
          int from = i * packing.rows, n = Math.min(packing.rows, count - from);
          byte[] raw = raw(from, n, values);
          byte[] smaller = packing == Packing.PIZ ? piz(from, n, values) : packed(raw);
          // A block that does not shrink is stored as it is, as the layout says.
          packed[i] = smaller.length < raw.length ? smaller : raw;
        });
    List<ByteBuffer> out = new ArrayList<>();
    long at = to.position();
    for (int i = 0; i < blocks; i++) {
      table.putLong(at);
      ByteBuffer head = ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN);
      out.add(head.putInt(first + i * packing.rows).putInt(packed[i].length).flip());
      out.add(ByteBuffer.wrap(packed[i]));
      at += 8 + packed[i].length;
    }
    for (ByteBuffer part : out) {
      write(part);
    }
    next += count;
  }

  private byte[] raw(int from, int count, Map<String, float[]> values) {
    int pixel = channels.values().stream().mapToInt(d -> d.bytes).sum();
    ByteBuffer raw = ByteBuffer.allocate(pixel * width * count).order(ByteOrder.LITTLE_ENDIAN);
    for (int y = from; y < from + count; y++) {
      for (Map.Entry<String, Depth> c : channels.entrySet()) {
        float[] row = values.get(c.getKey());
        for (int i = y * width; i < (y + 1) * width; i++) {
          if (c.getValue() == Depth.HALF) {
            raw.putShort(half(row[i]));
          } else {
            raw.putFloat(row[i]);
          }
        }
      }
    }
    return raw.array();
  }

  private byte[] piz(int from, int count, Map<String, float[]> values) {
    short[][] planes = new short[channels.size()][];
    int k = 0;
    for (Map.Entry<String, Depth> c : channels.entrySet()) {
      float[] of = values.get(c.getKey());
      boolean half = c.getValue() == Depth.HALF;
      short[] plane = new short[(half ? 1 : 2) * width * count];
      for (int i = 0; i < width * count; i++) {
        float value = of[from * width + i];
        if (half) {
          plane[i] = half(value);
        } else {
          int bits = Float.floatToRawIntBits(value);
          plane[2 * i] = (short) bits;
          plane[2 * i + 1] = (short) (bits >>> 16);
        }
      }
      planes[k++] = plane;
    }
    return PizPacker.packed(planes, width, count);
  }

  /** The nearest half float; what is larger than all of them becomes the largest. */
  private static short half(float value) {
    return Float.floatToFloat16(Math.clamp(value, -65504f, 65504f));
  }

  private byte[] packed(byte[] raw) {
    if (packing == Packing.NONE) {
      return raw;
    }
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
      byte[] packed = new byte[raw.length];
      int n = deflater.deflate(packed);
      return deflater.finished() && n < raw.length ? Arrays.copyOf(packed, n) : raw;
    } finally {
      deflater.end();
    }
  }

  private byte[] head(Map<String, String> attributes) {
    int room = 1 << 20;
    for (Map.Entry<String, String> a : attributes.entrySet()) {
      room += 4 * (a.getKey().length() + a.getValue().length()) + 64;
    }
    ByteBuffer out = ByteBuffer.allocate(room).order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(MAGIC);
    boolean longNames = attributes.keySet().stream().anyMatch(name -> name.length() > 31);
    ByteBuffer list = ByteBuffer.allocate(1 << 19).order(ByteOrder.LITTLE_ENDIAN);
    for (Map.Entry<String, Depth> c : channels.entrySet()) {
      byte[] name = c.getKey().getBytes(StandardCharsets.UTF_8);
      longNames |= name.length > 31;
      list.put(name).put((byte) 0).putInt(c.getValue().code).putInt(0).putInt(1).putInt(1);
    }
    list.put((byte) 0).flip();
    out.putInt(2 | (longNames ? 0x400 : 0));
    entry(out, "channels", "chlist", list.remaining()).put(list);
    entry(out, "compression", "compression", 1).put((byte) packing.code);
    window(entry(out, "dataWindow", "box2i", 16));
    window(entry(out, "displayWindow", "box2i", 16));
    entry(out, "lineOrder", "lineOrder", 1).put((byte) 0);
    entry(out, "pixelAspectRatio", "float", 4).putFloat(1);
    entry(out, "screenWindowCenter", "v2f", 8).putFloat(0).putFloat(0);
    entry(out, "screenWindowWidth", "float", 4).putFloat(1);
    attributes.forEach((name, text) -> {
      byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
      entry(out, name, "string", bytes.length).put(bytes);
    });
    out.put((byte) 0);
    return Arrays.copyOf(out.array(), out.position());
  }

  private void window(ByteBuffer out) {
    out.putInt(0).putInt(0).putInt(width - 1).putInt(height - 1);
  }

  private static ByteBuffer entry(ByteBuffer to, String name, String type, int size) {
    to.put(name.getBytes(StandardCharsets.UTF_8)).put((byte) 0);
    return to.put(type.getBytes(StandardCharsets.US_ASCII)).put((byte) 0).putInt(size);
  }

  private void write(ByteBuffer bytes) throws IOException {
    while (bytes.hasRemaining()) {
      to.write(bytes);
    }
  }

  /** Ends the file, whose rows must all have been given. */
  @Override
  public void close() throws IOException {
    if (next == height) {
      to.position(tableAt);
      write(table.flip());
    }
    to.close();
  }
}
