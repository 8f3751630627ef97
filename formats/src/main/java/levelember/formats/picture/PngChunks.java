package levelember.formats.picture;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;

/**
 * What the chunks of a PNG say of its colours. PNG is read as sRGB, so that whatever says otherwise
 * is told.
 *
 * <p>Source: "Portable Network Graphics (PNG) Specification (Third Edition)", W3C, 11.3.2.
 */
final class PngChunks {
  private static final long SIGNATURE = 0x89504E470D0A1A0AL;
  private static final int GAMA = 0x67414D41, CHRM = 0x6348524D, CICP = 0x63494350;
  private static final int ICCP = 0x69434350, IDAT = 0x49444154, SRGB = 0x73524742;

  /** Gamma of sRGB, and how far from it another is told, both times 100,000. */
  private static final int USUAL_GAMMA = 45455, GAMMA_TOLERANCE = 1000;

  /** White, red, green and blue of sRGB, x and y each, times 100,000. */
  private static final int[] USUAL = {31270, 32900, 64000, 33000, 30000, 60000, 15000, 6000};

  private static final int TOLERANCE = 500;

  /** Code points of ITU-T H.273: BT.709 primaries, and the transfer of sRGB. */
  private static final int BT709 = 1, SRGB_TRANSFER = 13;

  private PngChunks() {}

  /** Whether the bytes begin as a PNG does. */
  static boolean is(byte[] file) {
    return file.length > 8 && ByteBuffer.wrap(file).getLong() == SIGNATURE;
  }

  /** What is said of the colours and not followed, a line each. */
  static List<String> notRead(byte[] file) {
    List<String> to = new ArrayList<>();
    ByteBuffer in = ByteBuffer.wrap(file).position(8);
    while (in.remaining() >= 12) {
      int length = in.getInt(), kind = in.getInt();
      if (length < 0 || length > in.remaining() - 4 || kind == IDAT) {
        break;
      }
      ByteBuffer data = in.slice(in.position(), length);
      in.position(in.position() + length + 4);
      if (kind == SRGB) {
        return List.of();
      }
      String note = note(kind, data);
      if (note != null) {
        to.add(note);
      }
    }
    return to;
  }

  private static String note(int kind, ByteBuffer data) {
    return switch (kind) {
      case GAMA -> data.remaining() < 4 ? null : gamma(data.getInt());
      case CHRM ->
          usual(data) ? null : "it names other primaries than sRGB's; it is read as sRGB (cHRM)";
      case CICP -> data.remaining() < 4 ? null : codePoints(data.get() & 255, data.get() & 255);
      case ICCP -> "its colour profile is not followed; it is read as sRGB (iCCP)";
      default -> null;
    };
  }

  private static String gamma(int value) {
    return Math.abs(value - USUAL_GAMMA) <= GAMMA_TOLERANCE
        ? null
        : "it says that its gamma is 1/%.2f; it is read as sRGB (gAMA)".formatted(1e5 / value);
  }

  private static boolean usual(ByteBuffer data) {
    if (data.remaining() < 4 * USUAL.length) {
      return true;
    }
    for (int usual : USUAL) {
      if (Math.abs(data.getInt() - usual) > TOLERANCE) {
        return false;
      }
    }
    return true;
  }

  private static String codePoints(int primaries, int transfer) {
    return primaries == BT709 && (transfer == SRGB_TRANSFER || transfer == BT709)
        ? null
        : "it is coded with primaries %d and transfer %d of H.273; it is read as sRGB (cICP)"
            .formatted(primaries, transfer);
  }
}
