package levelember.formats.exr;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.zip.DataFormatException;
import levelember.formats.RefusedFile;

/**
 * DWAA and DWAB: colours as quantised cosine transforms of 8×8 pixels, alpha in runs, all else
 * deflated. Which channel is stored how stands in the block, or follows from its name in older
 * files.
 */
final class Dwa implements Unpacker {
  /** How a channel is stored. */
  private enum Scheme {
    DEFLATED,
    COSINES,
    RUNS
  }

  /**
   * How channels of a name and type are stored.
   *
   * @param colour 0, 1, 2 for red, green and blue of a triple, −1 for none
   */
  private record Rule(
      String suffix, Scheme scheme, Channel.Type type, int colour, boolean anyCase) {
    boolean fits(Channel c) {
      return c.type() == type
          && (anyCase ? suffix.equalsIgnoreCase(c.suffix()) : suffix.equals(c.suffix()));
    }
  }

  private static final List<Rule> OLDER = older();

  private static List<Rule> older() {
    List<Rule> to = new ArrayList<>();
    String[][] names = {
      {"r", "red"}, {"g", "grn", "green"}, {"b", "blu", "blue"}, {"y", "by", "ry"}
    };
    for (int k = 0; k < names.length; k++) {
      for (String name : names[k]) {
        to.add(new Rule(name, Scheme.COSINES, Channel.Type.HALF, k < 3 ? k : -1, true));
        to.add(new Rule(name, Scheme.COSINES, Channel.Type.FLOAT, k < 3 ? k : -1, true));
      }
    }
    for (Channel.Type type : Channel.Type.values()) {
      to.add(new Rule("a", Scheme.RUNS, type, -1, true));
    }
    return to;
  }

  @Override
  public byte[] unpack(byte[] packed, Region region, List<Channel> channels)
      throws DataFormatException {
    ByteBuffer in = ByteBuffer.wrap(packed).order(ByteOrder.LITTLE_ENDIAN);
    int[] head = new int[11];
    for (int i = 0; i < head.length; i++) {
      long value = in.getLong();
      if (value < 0 || value > Integer.MAX_VALUE) {
        throw broken();
      }
      head[i] = (int) value;
    }
    List<Rule> rules = head[0] < 2 ? OLDER : rules(in);
    int size = region.bytes(channels);
    // No part can be larger than all samples of the block as halves or floats.
    if (head[1] > size
        || head[6] > 2 * size + 128
        || head[7] > size
        || head[8] > 2L * size + 128
        || head[9] > size) {
      throw broken();
    }
    byte[] deflated = part(in, head[2]), ac = part(in, head[3]), dc = part(in, head[4]);
    byte[] runs = part(in, head[5]);
    Cosines cosines = new Cosines(ac(ac, head[8], head[10]), dc(dc, head[9]));
    Planes planes = new Planes(region, channels);
    boolean[] done = new boolean[channels.size()];
    for (int[] triple : triples(channels, rules)) {
      cosines.decode(planes, region, channels, triple);
      for (int i : triple) {
        done[i] = true;
      }
    }
    byte[] plain = Deflated.inflated(deflated, head[1]);
    byte[] alpha =
        head[7] == 0 ? new byte[0] : Deflated.runs(Deflated.inflated(runs, head[6]), head[7]);
    int plainAt = 0, alphaAt = 0;
    for (int i = 0; i < done.length; i++) {
      if (done[i]) {
        continue;
      }
      byte[] plane = planes.of(i);
      switch (rule(channels.get(i), rules).scheme()) {
        case COSINES -> cosines.decode(planes, region, channels, new int[] {i});
        case RUNS -> {
          int each = channels.get(i).type().bytes, n = plane.length / each;
          for (int k = 0; k < plane.length; k++) {
            plane[k % n * each + k / n] = alpha[alphaAt + k];
          }
          alphaAt += plane.length;
        }
        case DEFLATED -> {
          System.arraycopy(plain, plainAt, plane, 0, plane.length);
          plainAt += plane.length;
        }
      }
    }
    return planes.rows();
  }

  private static RefusedFile broken() {
    return new RefusedFile("the OpenEXR picture has a block whose sizes are broken");
  }

  private static byte[] part(ByteBuffer in, int size) {
    if (size > in.remaining()) {
      throw broken();
    }
    byte[] to = new byte[size];
    in.get(to);
    return to;
  }

  private static List<Rule> rules(ByteBuffer in) {
    int end = in.position() + (in.getShort() & 0xFFFF);
    List<Rule> to = new ArrayList<>();
    while (in.position() < end) {
      StringBuilder suffix = new StringBuilder();
      for (byte b = in.get(); b != 0; b = in.get()) {
        suffix.append((char) (b & 255));
      }
      int value = in.get() & 255, type = in.get() & 255;
      int scheme = value >> 2 & 3, colour = (value >> 4) - 1;
      if (scheme > 2 || colour > 2 || type > 2) {
        throw broken();
      }
      to.add(
          new Rule(
              suffix.toString(),
              Scheme.values()[scheme],
              Channel.Type.values()[type],
              colour,
              (value & 1) != 0));
    }
    return to;
  }

  private static Rule rule(Channel c, List<Rule> rules) {
    return rules.stream()
        .filter(r -> r.fits(c))
        .findFirst()
        .orElse(new Rule("", Scheme.DEFLATED, c.type(), -1, false));
  }

  /** Red, green and blue of the same layer, which are stored as luma and chroma; by layer name. */
  private static Iterable<int[]> triples(List<Channel> channels, List<Rule> rules) {
    TreeMap<String, int[]> to = new TreeMap<>();
    for (int i = 0; i < channels.size(); i++) {
      Rule rule = rule(channels.get(i), rules);
      if (rule.scheme() == Scheme.COSINES && rule.colour() >= 0) {
        to.computeIfAbsent(channels.get(i).prefix(), k -> new int[] {-1, -1, -1})[rule.colour()] =
            i;
      }
    }
    to.values()
        .removeIf(t -> t[0] < 0 || t[1] < 0 || t[2] < 0 || !alike(channels, t[0], t[1], t[2]));
    return to.values();
  }

  private static boolean alike(List<Channel> channels, int r, int g, int b) {
    Channel red = channels.get(r);
    return java.util.stream.IntStream.of(g, b)
        .mapToObj(channels::get)
        .allMatch(c -> c.xStep() == red.xStep() && c.yStep() == red.yStep());
  }

  private static short[] ac(byte[] packed, int count, int method) throws DataFormatException {
    if (count == 0) {
      return new short[0];
    }
    if (method == 0) {
      return Huffman.values(packed, count);
    }
    short[] to = new short[count];
    ByteBuffer.wrap(Deflated.inflated(packed, 2 * count))
        .order(ByteOrder.LITTLE_ENDIAN)
        .asShortBuffer()
        .get(to);
    return to;
  }

  private static short[] dc(byte[] packed, int count) throws DataFormatException {
    short[] to = new short[count];
    if (count > 0) {
      ByteBuffer.wrap(Deflated.summed(Deflated.inflated(packed, 2 * count)))
          .order(ByteOrder.LITTLE_ENDIAN)
          .asShortBuffer()
          .get(to);
    }
    return to;
  }
}
