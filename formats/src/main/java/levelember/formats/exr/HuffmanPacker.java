package levelember.formats.exr;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.PriorityQueue;

/**
 * Writes the 16-bit Huffman code that {@link Huffman} reads: canonical codes, lengths packed in six
 * bits each with runs of zeros, and a symbol of its own that repeats the last value.
 */
final class HuffmanPacker {
  private static final int SYMBOLS = (1 << 16) + 1;
  private static final int MOST_BITS = 58;
  private static final int SHORT_ZEROS = 59, LONG_ZEROS = 63, LEAST_LONG = 6, MOST_LONG = 261;
  private static final int MOST_REPEATS = 255;

  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final long[] codes = new long[SYMBOLS];
  private final int[] lengths = new int[SYMBOLS];
  private long held;
  private int holding;

  private HuffmanPacker() {}

  /** A node of the tree: its frequency, its least symbol, its two branches. */
  private record Node(long frequency, int symbol, Node left, Node right)
      implements Comparable<Node> {
    @Override
    public int compareTo(Node o) {
      int by = Long.compare(frequency, o.frequency);
      return by != 0 ? by : Integer.compare(symbol, o.symbol);
    }
  }

  /** Packs values, at least one. */
  static byte[] packed(short[] values) {
    return new HuffmanPacker().pack(values);
  }

  private byte[] pack(short[] values) {
    long[] frequency = new long[SYMBOLS];
    int least = SYMBOLS, most = 0;
    for (short value : values) {
      int symbol = value & 0xFFFF;
      frequency[symbol]++;
      least = Math.min(least, symbol);
      most = Math.max(most, symbol);
    }
    int repeat = most + 1;
    frequency[repeat] = 1;
    measure(frequency, least, repeat);
    number();
    table(least, repeat);
    int tableBytes = out.size();
    long bits = encode(values, repeat);
    byte[] body = out.toByteArray();
    return ByteBuffer.allocate(20 + body.length)
        .order(ByteOrder.LITTLE_ENDIAN)
        .putInt(least)
        .putInt(repeat)
        .putInt(tableBytes)
        .putInt((int) bits)
        .putInt(0)
        .put(body)
        .array();
  }

  /** Lengths of the codes, by Huffman's tree. */
  private void measure(long[] frequency, int least, int most) {
    PriorityQueue<Node> open = new PriorityQueue<>();
    for (int symbol = least; symbol <= most; symbol++) {
      if (frequency[symbol] > 0) {
        open.add(new Node(frequency[symbol], symbol, null, null));
      }
    }
    while (open.size() > 1) {
      Node a = open.poll(), b = open.poll();
      open.add(new Node(a.frequency + b.frequency, Math.min(a.symbol, b.symbol), a, b));
    }
    measure(open.poll(), 0);
  }

  private void measure(Node node, int depth) {
    if (node.left == null) {
      lengths[node.symbol] = Math.max(1, depth);
    } else {
      measure(node.left, depth + 1);
      measure(node.right, depth + 1);
    }
  }

  /** Canonical codes of the lengths. */
  private void number() {
    long[] next = new long[MOST_BITS + 2];
    int[] count = new int[MOST_BITS + 2];
    for (int length : lengths) {
      count[length]++;
    }
    long code = 0;
    for (int length = MOST_BITS; length > 0; length--) {
      next[length] = code;
      code = code + count[length] >>> 1;
    }
    for (int symbol = 0; symbol < SYMBOLS; symbol++) {
      if (lengths[symbol] > 0) {
        codes[symbol] = next[lengths[symbol]]++;
      }
    }
  }

  private void table(int least, int most) {
    for (int symbol = least; symbol <= most; symbol++) {
      int zeros = 0;
      while (symbol + zeros <= most && lengths[symbol + zeros] == 0 && zeros < MOST_LONG) {
        zeros++;
      }
      if (zeros >= LEAST_LONG) {
        put(6, LONG_ZEROS);
        put(8, zeros - LEAST_LONG);
      } else if (zeros >= 2) {
        put(6, SHORT_ZEROS + zeros - 2);
      } else {
        put(6, lengths[symbol]);
      }
      symbol += Math.max(0, zeros >= 2 ? zeros - 1 : 0);
    }
    flush();
  }

  /** Codes of the values; answers how many bits they take. */
  private long encode(short[] values, int repeat) {
    long bits = 0;
    for (int i = 0; i < values.length; ) {
      int symbol = values[i] & 0xFFFF, run = 1;
      while (i + run < values.length && values[i + run] == values[i] && run <= MOST_REPEATS) {
        run++;
      }
      int more = run - 1;
      if (lengths[symbol] + lengths[repeat] + 8 < lengths[symbol] * more) {
        put(lengths[symbol], codes[symbol]);
        put(lengths[repeat], codes[repeat]);
        put(8, more);
        bits += lengths[symbol] + lengths[repeat] + 8;
      } else {
        for (int k = 0; k < run; k++) {
          put(lengths[symbol], codes[symbol]);
        }
        bits += (long) lengths[symbol] * run;
      }
      i += run;
    }
    flush();
    return bits;
  }

  private void put(int count, long bits) {
    for (int i = count - 1; i >= 0; i -= 8) {
      int some = Math.min(8, i + 1);
      held = held << some | bits >>> i + 1 - some & (1 << some) - 1;
      holding += some;
      while (holding >= 8) {
        holding -= 8;
        out.write((int) (held >>> holding));
      }
    }
  }

  private void flush() {
    if (holding > 0) {
      out.write((int) (held << 8 - holding));
    }
    held = 0;
    holding = 0;
  }
}
