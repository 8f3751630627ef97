package levelember.formats.exr;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import levelember.formats.RefusedFile;

/** What the header of one part of a file says. */
final class ExrHeader {
  static final String WHAT = "the OpenEXR picture";
  private static final int MOST_CHANNELS = 1024;
  private static final int MOST_NAME = 255;

  /** Channels in the order of the file, which is that of their names. */
  final List<Channel> channels = new ArrayList<>();

  int method = -1;

  /** First and last column and row. */
  int[] window;

  /** Width and height of tiles, or null for scan lines. */
  int[] tile;

  /** Chromaticities of red, green, blue and white, or null for those of BT.709. */
  float[] chromaticities;

  /** What the part is called to be; empty in files of one part. */
  String type = "";

  private ExrHeader() {}

  /** The next header; null where a list of headers ends. */
  static ExrHeader read(ByteBuffer in) {
    ExrHeader to = new ExrHeader();
    String name = text(in);
    if (name.isEmpty()) {
      return null;
    }
    for (; !name.isEmpty(); name = text(in)) {
      String kind = text(in);
      int size = in.getInt();
      if (kind.isEmpty() || size < 0 || size > in.remaining()) {
        throw new RefusedFile(WHAT + " has a header entry '" + name + "' that is broken");
      }
      int end = in.position() + size;
      to.entry(name, size, in, end);
      in.position(end);
    }
    if (to.window == null || to.method < 0 || to.channels.isEmpty()) {
      throw new RefusedFile(WHAT + " lacks channels, compression or data window");
    }
    to.channels.sort(Comparator.comparing(Channel::name));
    return to;
  }

  private void entry(String name, int size, ByteBuffer in, int end) {
    switch (name) {
      case "channels" -> channels(in, end);
      case "compression" -> method = in.get() & 255;
      case "dataWindow" -> window = new int[] {in.getInt(), in.getInt(), in.getInt(), in.getInt()};
      case "tiles" -> {
        tile = new int[] {in.getInt(), in.getInt()};
        if (tile[0] < 1 || tile[1] < 1) {
          throw new RefusedFile(WHAT + " has tiles without size");
        }
      }
      case "chromaticities" -> {
        chromaticities = new float[8];
        for (int i = 0; i < 8; i++) {
          chromaticities[i] = in.getFloat();
        }
      }
      case "type" -> {
        byte[] text = new byte[size];
        in.get(text);
        type = new String(text, StandardCharsets.US_ASCII);
      }
      default -> {
        // All else is of no matter to the picture.
      }
    }
  }

  private void channels(ByteBuffer in, int end) {
    while (in.position() < end - 1) {
      String name = text(in);
      int kind = in.getInt();
      boolean linear = in.get() != 0;
      in.position(in.position() + 3);
      int xStep = in.getInt(), yStep = in.getInt();
      if (kind < 0 || kind > 2 || xStep < 1 || yStep < 1 || xStep > 16 || yStep > 16) {
        throw new RefusedFile(WHAT + " has a channel '" + name + "' of an unknown kind");
      }
      if (channels.size() >= MOST_CHANNELS) {
        throw new RefusedFile(WHAT + " has more than " + MOST_CHANNELS + " channels");
      }
      channels.add(new Channel(name, Channel.Type.values()[kind], linear, xStep, yStep));
    }
  }

  private static String text(ByteBuffer in) {
    int from = in.position();
    while (in.get() != 0) {
      if (in.position() - from > MOST_NAME) {
        throw new RefusedFile(WHAT + " has a name longer than " + MOST_NAME + " characters");
      }
    }
    return new String(in.array(), from, in.position() - 1 - from, StandardCharsets.UTF_8);
  }
}
