package levelember.formats.picture;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.SeekableByteChannel;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import levelember.formats.RefusedFile;
import levelember.formats.exr.ExrReader;
import levelember.formats.exr.ExrWriter;
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
    SortedMap<String, float[]> planes = new TreeMap<>();
    planes(picture, "", planes);
    layers.forEach((name, layer) -> {
      if (layer.width() != picture.width() || layer.height() != picture.height()) {
        throw new IllegalArgumentException("the layer '" + name + "' has another size");
      }
      planes(layer, name.replace('.', '-') + ".", planes);
    });
    if (alpha != null) {
      planes.put("A", alpha);
    }
    Map<String, ExrWriter.Depth> channels = new LinkedHashMap<>();
    planes.keySet().forEach(name -> channels.put(name, ExrWriter.Depth.FLOAT));
    Memory to = new Memory();
    try (ExrWriter writer =
        new ExrWriter(
            to, picture.width(), picture.height(), ExrWriter.Packing.ZIP, channels, Map.of())) {
      writer.rows(picture.height(), planes);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return to.bytes();
  }

  private static void planes(Picture from, String before, Map<String, float[]> to) {
    for (int k = 0; k < 3; k++) {
      float[] plane = new float[from.width() * from.height()];
      for (int i = 0; i < plane.length; i++) {
        plane[i] = from.rgb()[3 * i + k];
      }
      to.put(before + "RGB".charAt(k), plane);
    }
  }

  /** A file in memory. */
  private static final class Memory implements SeekableByteChannel {
    private byte[] held = new byte[1 << 16];
    private int at, end;

    byte[] bytes() {
      return Arrays.copyOf(held, end);
    }

    @Override
    public int write(ByteBuffer from) {
      int n = from.remaining();
      if (at + n > held.length) {
        held = Arrays.copyOf(held, (int) Math.min(Integer.MAX_VALUE - 8, 2L * (at + n)));
      }
      from.get(held, at, n);
      at += n;
      end = Math.max(end, at);
      return n;
    }

    @Override
    public int read(ByteBuffer to) {
      throw new UnsupportedOperationException();
    }

    @Override
    public long position() {
      return at;
    }

    @Override
    public SeekableByteChannel position(long place) {
      at = (int) place;
      return this;
    }

    @Override
    public long size() {
      return end;
    }

    @Override
    public SeekableByteChannel truncate(long size) {
      throw new UnsupportedOperationException();
    }

    @Override
    public boolean isOpen() {
      return true;
    }

    @Override
    public void close() {}
  }
}
