package levelember.film;

import java.nio.ByteBuffer;
import java.util.EnumSet;
import java.util.zip.CRC32;

/**
 * A film as bytes: everything that is in it, so that tracing goes on from it as if it had never
 * stopped, bit for bit. Big-endian: a magic number; full width, full height, step, first row, rows,
 * layers; a bit for every {@link Component} kept; for every layer the samples by tile, sums, even
 * sums, what catchers got (after a flag), the components, {@link GlossShares} and by tile, after a
 * flag, {@link SeenEmission}; the guides; a CRC-32 of all before. Films of older kinds, without
 * seen emission, and without gloss shares and squares of guides, are read too.
 */
public final class FilmBytes {
  private static final int MAGIC = 0x45464C34;

  /** Films of before, whose seen emission is not kept apart. */
  private static final int OLD_MAGIC = 0x45464C33;

  /** Films of before that, whose guides have no squares, and that know no light over gloss. */
  private static final int OLDER_MAGIC = 0x45464C32;

  private static final int CHUNK = 1 << 14;

  /** Takes bytes, in order. */
  public interface Target {
    void write(byte[] bytes, int count);
  }

  /** Gives bytes, in order. */
  public interface Source {
    /** Fills the first bytes of an array; false when there are not so many left. */
    boolean read(byte[] to, int count);
  }

  /** The bytes are no film, or have been harmed. */
  public static final class Damaged extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    Damaged(String message) {
      super(message);
    }
  }

  private FilmBytes() {}

  /** Writes a film whose layers are all traced, not put in as finished ones. */
  public static void write(Film film, Target to) {
    Writing out = new Writing(to);
    TileGrid grid = film.grid();
    int kept = 0;
    for (Component c : film.components()) {
      kept |= 1 << c.ordinal();
    }
    out.ints(
        MAGIC,
        grid.fullWidth(),
        grid.fullHeight(),
        grid.step(),
        grid.firstRow(),
        grid.height(),
        film.layers(),
        kept);
    for (int k = 0; k < film.layers(); k++) {
      for (int tile = 0; tile < film.tiles(); tile++) {
        out.ints(film.samples(k, tile));
      }
      out.floats(film.sums(k));
      out.floats(film.even(k));
      out.optional(film.caught(k));
      for (Component c : film.components()) {
        out.floats(film.sums(k, c));
      }
      out.floats(film.gloss().softened(k));
      out.floats(film.gloss().leftOut(k));
      for (int tile = 0; tile < film.tiles(); tile++) {
        out.optional(film.emission().tile(k, tile));
      }
    }
    for (int tile = 0; tile < film.tiles(); tile++) {
      out.ints(film.guides().samples(tile));
    }
    out.floats(film.guides().sums());
    out.optional(film.guides().covers());
    out.ints(out.checksum());
  }

  /**
   * Reads a film.
   *
   * @param mostBytes that it may take in memory
   * @throws Damaged when the bytes are no film, too large a one, cut short or harmed
   */
  public static Film read(Source from, long mostBytes) {
    Reading in = new Reading(from);
    int magic = in.whole();
    if (magic != MAGIC && magic != OLD_MAGIC && magic != OLDER_MAGIC) {
      throw new Damaged("the bytes are no film");
    }
    Film film = empty(in, mostBytes);
    int pixels = film.grid().pixels();
    for (int k = 0; k < film.layers(); k++) {
      int[] counts = in.counts(film.tiles());
      float[] sums = in.floats(3 * pixels), even = in.floats(pixels);
      film.put(k, sums, even, in.optional(2 * pixels), counts);
      for (Component c : film.components()) {
        System.arraycopy(in.floats(3 * pixels), 0, film.sums(k, c), 0, 3 * pixels);
      }
      if (magic != OLDER_MAGIC) {
        int tiles = film.tiles();
        System.arraycopy(in.floats(tiles), 0, film.gloss().softened(k), 0, tiles);
        System.arraycopy(in.floats(tiles), 0, film.gloss().leftOut(k), 0, tiles);
      }
      for (int tile = 0; magic == MAGIC && tile < film.tiles(); tile++) {
        film.emission().put(k, tile, in.optional(SeenEmission.TILE_VALUES));
      }
    }
    int[] counts = in.counts(film.tiles());
    float[] sums =
        magic != OLDER_MAGIC
            ? in.floats(FeatureBuffer.VALUES * pixels)
            : FeatureBuffer.withSquares(in.floats((FeatureBuffer.COUNT + 1) * pixels));
    film.guides().put(sums, in.optional(2 * pixels), counts);
    if (in.checksum() != in.whole()) {
      throw new Damaged("the film has been harmed: its checksum does not fit");
    }
    return film;
  }

  private static Film empty(Reading in, long mostBytes) {
    int width = in.whole(), height = in.whole(), step = in.whole(), firstRow = in.whole();
    int rows = in.whole(), layers = in.whole(), bits = in.whole();
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
    double bytes = pixels * (layers * (24.0 + 12 * kept.size()) + 4 * FeatureBuffer.VALUES);
    if (3 * pixels > Integer.MAX_VALUE - 8 || bytes > mostBytes) {
      throw new Damaged(
          "the film says that it takes " + (long) bytes + " bytes, more than " + mostBytes);
    }
    Film film = Film.of(new TileGrid(width, height, step, firstRow, rows), layers);
    return kept.isEmpty() ? film : film.keeping(kept);
  }

  /** Numbers on their way out. */
  private static final class Writing {
    private final Target to;
    private final CRC32 crc = new CRC32();
    private final ByteBuffer buffer = ByteBuffer.allocate(4 * CHUNK);

    Writing(Target to) {
      this.to = to;
    }

    private void flush(int bytes) {
      crc.update(buffer.array(), 0, bytes);
      to.write(buffer.array(), bytes);
    }

    int checksum() {
      return (int) crc.getValue();
    }

    void ints(int... values) {
      buffer.asIntBuffer().put(values);
      flush(4 * values.length);
    }

    void floats(float[] values) {
      for (int at = 0; at < values.length; at += CHUNK) {
        int n = Math.min(CHUNK, values.length - at);
        buffer.asFloatBuffer().put(values, at, n);
        flush(4 * n);
      }
    }

    void optional(float[] values) {
      ints(values == null ? 0 : 1);
      if (values != null) {
        floats(values);
      }
    }
  }

  /** Numbers on their way in. */
  private static final class Reading {
    private final Source from;
    private final CRC32 crc = new CRC32();
    private final ByteBuffer buffer = ByteBuffer.allocate(4 * CHUNK);

    Reading(Source from) {
      this.from = from;
    }

    private void fill(int bytes) {
      if (!from.read(buffer.array(), bytes)) {
        throw new Damaged("the film is cut short");
      }
      crc.update(buffer.array(), 0, bytes);
    }

    int checksum() {
      return (int) crc.getValue();
    }

    int whole() {
      fill(4);
      return buffer.getInt(0);
    }

    int[] counts(int tiles) {
      int[] to = new int[tiles];
      for (int i = 0; i < tiles; i++) {
        to[i] = whole();
        if (to[i] < 0) {
          throw new Damaged("the film has been harmed: it has " + to[i] + " samples");
        }
      }
      return to;
    }

    float[] floats(int count) {
      float[] to = new float[count];
      for (int at = 0; at < count; at += CHUNK) {
        int n = Math.min(CHUNK, count - at);
        fill(4 * n);
        buffer.asFloatBuffer().get(to, at, n);
      }
      return to;
    }

    float[] optional(int count) {
      return whole() == 0 ? null : floats(count);
    }
  }
}
