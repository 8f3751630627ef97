package levelember.formats.exr;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import levelember.formats.RefusedFile;

/**
 * The 16-bit Huffman code that PIZ and DWA share: canonical codes of up to 58 bits, lengths packed
 * in six bits each, and a symbol that repeats the last value.
 *
 * <p>Method: Huffman 1952; canonical codes as in "Technical Introduction to OpenEXR".
 */
final class Huffman {
  private static final int SYMBOLS = (1 << 16) + 1;
  private static final int MOST_BITS = 58;
  private static final int SHORT_ZEROS = 59, LONG_ZEROS = 63, LEAST_LONG = 6;
  private static final int QUICK_BITS = 12;

  private final byte[] in;
  private int at;
  private long bits;
  private int held;

  private final long[] first = new long[MOST_BITS + 1];
  private final int[] count = new int[MOST_BITS + 1];
  private final int[] base = new int[MOST_BITS + 1];
  private int[] symbols;
  private final int[] quick = new int[1 << QUICK_BITS];

  private Huffman(byte[] in, int at) {
    this.in = in;
    this.at = at;
  }

  /**
   * Decodes so many values.
   *
   * @throws RefusedFile when the code is broken
   */
  static short[] values(byte[] packed, int wanted) {
    if (wanted == 0) {
      return new short[0];
    }
    ByteBuffer head = ByteBuffer.wrap(packed).order(ByteOrder.LITTLE_ENDIAN);
    int least = head.getInt(), most = head.getInt();
    head.getInt();
    int length = head.getInt();
    if (least < 0 || least >= SYMBOLS || most < 0 || most >= SYMBOLS || length < 0) {
      throw broken();
    }
    Huffman code = new Huffman(packed, 20);
    code.table(least, most);
    return code.decoded(wanted, most, length);
  }

  private static RefusedFile broken() {
    return new RefusedFile("the OpenEXR picture has a block whose code is broken");
  }

  private int take(int n) {
    while (held < n) {
      bits = bits << 8 | in[at++] & 255;
      held += 8;
    }
    held -= n;
    return (int) (bits >>> held) & ((1 << n) - 1);
  }

  /** Lengths of the codes, from which the codes themselves follow. */
  private void table(int least, int most) {
    byte[] lengths = new byte[SYMBOLS];
    for (int symbol = least; symbol <= most; symbol++) {
      int length = take(6);
      if (length >= SHORT_ZEROS) {
        int zeros = length == LONG_ZEROS ? take(8) + LEAST_LONG : length - SHORT_ZEROS + 2;
        if (symbol + zeros > most + 1) {
          throw broken();
        }
        symbol += zeros - 1;
      } else {
        lengths[symbol] = (byte) length;
        count[length]++;
      }
    }
    count[0] = 0;
    long code = 0;
    for (int length = MOST_BITS; length > 0; length--) {
      first[length] = code;
      code = code + count[length] >>> 1;
    }
    int sum = 0;
    for (int length = 1; length <= MOST_BITS; length++) {
      base[length] = sum;
      sum += count[length];
    }
    symbols = new int[sum];
    int[] next = base.clone();
    for (int symbol = 0; symbol < SYMBOLS; symbol++) {
      if (lengths[symbol] > 0) {
        symbols[next[lengths[symbol]]++] = symbol;
      }
    }
    for (int length = 1; length <= QUICK_BITS; length++) {
      for (int i = 0; i < count[length]; i++) {
        int from = (int) (first[length] + i) << QUICK_BITS - length;
        if (from + (1 << QUICK_BITS - length) > quick.length) {
          throw broken();
        }
        java.util.Arrays.fill(
            quick,
            from,
            from + (1 << QUICK_BITS - length),
            symbols[base[length] + i] << 8 | length);
      }
    }
  }

  private short[] decoded(int wanted, int repeat, int length) {
    // The table ends at a whole byte.
    held = 0;
    bits = 0;
    long left = length;
    short[] to = new short[wanted];
    int n = 0;
    while (left > 0) {
      while (held < QUICK_BITS && at < in.length) {
        bits = bits << 8 | in[at++] & 255;
        held += 8;
      }
      int symbol;
      int peek =
          (int) (held >= QUICK_BITS ? bits >>> held - QUICK_BITS : bits << QUICK_BITS - held)
              & quick.length - 1;
      if (quick[peek] != 0) {
        symbol = quick[peek] >>> 8;
        held -= quick[peek] & 255;
        left -= quick[peek] & 255;
      } else {
        long code = 0;
        int l = 0;
        do {
          code = code << 1 | take(1);
          left--;
          if (++l > MOST_BITS) {
            throw broken();
          }
        } while (code < first[l] || code - first[l] >= count[l]);
        symbol = symbols[base[l] + (int) (code - first[l])];
      }
      if (held < 0) {
        throw broken();
      }
      if (symbol == repeat) {
        int times = take(8);
        left -= 8;
        if (n == 0 || n + times > wanted) {
          throw broken();
        }
        java.util.Arrays.fill(to, n, n + times, to[n - 1]);
        n += times;
      } else if (n < wanted) {
        to[n++] = (short) symbol;
      } else {
        throw broken();
      }
    }
    if (n != wanted) {
      throw broken();
    }
    return to;
  }
}
