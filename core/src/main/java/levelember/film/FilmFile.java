package levelember.film;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.util.EnumSet;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import java.util.zip.CheckedOutputStream;

/**
 * A film as bytes: everything that is in it, so that tracing goes on from it as if it had never
 * stopped, bit for bit. Big-endian: a magic number; full width, full height, step, first row, rows,
 * layers; a bit for every {@link Component} kept; for every layer the samples by tile, sums, even
 * sums, what catchers got (after a flag) and the components; the guides; a CRC-32 of all before.
 */
public final class FilmFile {
  private static final int MAGIC = 0x45464C32;
  private static final int CHUNK = 1 << 14;

  /** The bytes are no film, or have been harmed. */
  public static final class Damaged extends IOException {
    private static final long serialVersionUID = 1L;

    Damaged(String message) {
      super(message);
    }
  }

  private FilmFile() {}

  /** Writes a film whose layers are all traced, not put in as finished ones. */
  public static void write(Film film, OutputStream to) throws IOException {
    CheckedOutputStream checked = new CheckedOutputStream(to, new CRC32());
    DataOutputStream out = new DataOutputStream(checked);
    TileGrid grid = film.grid();
    out.writeInt(MAGIC);
    out.writeInt(grid.fullWidth());
    out.writeInt(grid.fullHeight());
    out.writeInt(grid.step());
    out.writeInt(grid.firstRow());
    out.writeInt(grid.height());
    out.writeInt(film.layers());
    int kept = 0;
    for (Component c : film.components()) {
      kept |= 1 << c.ordinal();
    }
    out.writeInt(kept);
    for (int k = 0; k < film.layers(); k++) {
      for (int tile = 0; tile < film.tiles(); tile++) {
        out.writeInt(film.samples(k, tile));
      }
      floats(film.sums(k), out);
      floats(film.even(k), out);
      optional(film.caught(k), out);
      for (Component c : film.components()) {
        floats(film.sums(k, c), out);
      }
    }
    Guides guides = film.guides();
    for (int tile = 0; tile < film.tiles(); tile++) {
      out.writeInt(guides.samples(tile));
    }
    floats(guides.sums(), out);
    optional(guides.covers(), out);
    out.flush();
    new DataOutputStream(to).writeLong(checked.getChecksum().getValue());
    to.flush();
  }

  /**
   * Reads a film.
   *
   * @param mostBytes that it may take in memory
   * @throws Damaged when the bytes are no film, too large a one, cut short or harmed
   */
  public static Film read(InputStream from, long mostBytes) throws IOException {
    CheckedInputStream checked = new CheckedInputStream(from, new CRC32());
    DataInputStream in = new DataInputStream(checked);
    try {
      Film film = empty(in, mostBytes);
      for (int k = 0; k < film.layers(); k++) {
        layer(film, k, in);
      }
      int pixels = film.grid().pixels();
      int[] counts = counts(in, film.tiles());
      float[] sums = floats(in, Guides.VALUES * pixels);
      film.guides().put(sums, optional(in, 2 * pixels), counts);
      long wanted = checked.getChecksum().getValue();
      if (new DataInputStream(from).readLong() != wanted) {
        throw new Damaged("the film has been harmed: its checksum does not fit");
      }
      return film;
    } catch (EOFException e) {
      throw new Damaged("the film is cut short");
    }
  }

  private static Film empty(DataInputStream in, long mostBytes) throws IOException {
    if (in.readInt() != MAGIC) {
      throw new Damaged("the bytes are no film");
    }
    int width = in.readInt(), height = in.readInt(), step = in.readInt();
    int firstRow = in.readInt(), rows = in.readInt(), layers = in.readInt(), bits = in.readInt();
    EnumSet<Component> kept = EnumSet.noneOf(Component.class);
    for (Component c : Component.values()) {
      if ((bits >> c.ordinal() & 1) != 0) {
        kept.add(c);
      }
    }
    if (width < 1 || height < 1 || step < 1 || rows < 1 || firstRow < 0 || layers < 0) {
      throw new Damaged("the film has been harmed: it says an impossible size");
    }
    long pixels = (long) Math.ceilDiv(width, step) * rows;
    double bytes =
        pixels * (double) layers * (24 + 12 * kept.size()) + 4.0 * Guides.VALUES * pixels;
    if (3 * pixels > Integer.MAX_VALUE - 8 || bytes > mostBytes) {
      throw new Damaged(
          "the film says that it takes " + (long) bytes + " bytes, more than " + mostBytes);
    }
    Film film = Film.of(new TileGrid(width, height, step, firstRow, rows), layers);
    return kept.isEmpty() ? film : film.keeping(kept);
  }

  private static void layer(Film film, int layer, DataInputStream in) throws IOException {
    int pixels = film.grid().pixels();
    int[] counts = counts(in, film.tiles());
    float[] sums = floats(in, 3 * pixels), even = floats(in, pixels);
    film.put(layer, sums, even, optional(in, 2 * pixels), counts);
    for (Component c : film.components()) {
      System.arraycopy(floats(in, 3 * pixels), 0, film.sums(layer, c), 0, 3 * pixels);
    }
  }

  private static int[] counts(DataInputStream in, int tiles) throws IOException {
    int[] to = new int[tiles];
    for (int i = 0; i < tiles; i++) {
      to[i] = in.readInt();
      if (to[i] < 0) {
        throw new Damaged("the film has been harmed: it has " + to[i] + " samples");
      }
    }
    return to;
  }

  private static void optional(float[] values, DataOutputStream out) throws IOException {
    out.writeBoolean(values != null);
    if (values != null) {
      floats(values, out);
    }
  }

  private static float[] optional(DataInputStream in, int count) throws IOException {
    return in.readBoolean() ? floats(in, count) : null;
  }

  private static void floats(float[] values, DataOutputStream out) throws IOException {
    ByteBuffer bytes = ByteBuffer.allocate(4 * CHUNK);
    for (int at = 0; at < values.length; at += CHUNK) {
      int n = Math.min(CHUNK, values.length - at);
      bytes.asFloatBuffer().put(values, at, n);
      out.write(bytes.array(), 0, 4 * n);
    }
  }

  private static float[] floats(DataInputStream in, int count) throws IOException {
    float[] to = new float[count];
    byte[] bytes = new byte[4 * CHUNK];
    for (int at = 0; at < count; at += CHUNK) {
      int n = Math.min(CHUNK, count - at);
      in.readFully(bytes, 0, 4 * n);
      ByteBuffer.wrap(bytes).asFloatBuffer().get(to, at, n);
    }
    return to;
  }
}
