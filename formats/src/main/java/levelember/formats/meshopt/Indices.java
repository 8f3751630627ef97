package levelember.formats.meshopt;

import java.util.Arrays;
import levelember.formats.RefusedFile;

/**
 * Modes 1, triangles, and 2, indices: corner numbers told by recent edges and corners, or by their
 * distance from recent ones.
 */
final class Indices {
  private static final int TRIANGLES_1 = 0xE1, SEQUENCE_1 = 0xD1;
  private static final int TABLE = 16, SEQUENCE_TAIL = 4, RECENT = 16;

  private final int[] edges = new int[2 * RECENT];
  private final int[] corners = new int[RECENT];
  private int edge;
  private int corner;
  private int next;
  private int last;

  private Indices() {
    Arrays.fill(edges, -1);
    Arrays.fill(corners, -1);
  }

  private static void check(byte[] stream, int version, int least) {
    if (stream.length < least || (stream[0] & 0xFF) != version) {
      throw new RefusedFile("a compressed mesh of the model is of a version that is not known");
    }
  }

  /** Decodes triangles; {@code count} is three times their number. */
  static int[] triangles(byte[] stream, int count) {
    check(stream, TRIANGLES_1, 1 + count / 3 + TABLE);
    if (count % 3 != 0) {
      throw new RefusedFile("a compressed mesh of the model has " + count + " corners");
    }
    int table = stream.length - TABLE;
    Bytes data = new Bytes(stream, 1 + count / 3, table);
    Indices state = new Indices();
    int[] to = new int[count];
    for (int i = 0; i < count; i += 3) {
      int code = stream[1 + i / 3] & 0xFF;
      if (code < 0xF0) {
        state.onEdge(code, data, to, i);
      } else if (code < 0xFE) {
        int more = stream[table + (code & 15)];
        state.free(0, more >> 4 & 15, more & 15, data, to, i);
      } else {
        int more = data.next();
        if (more == 0) {
          state.next = 0;
        }
        state.free(code == 0xFE ? 0 : 15, more >> 4, more & 15, data, to, i);
      }
    }
    if (!data.done()) {
      throw new RefusedFile("a compressed mesh of the model is longer than it says");
    }
    return to;
  }

  /** Decodes corner numbers in an order of their own. */
  static int[] sequence(byte[] stream, int count) {
    check(stream, SEQUENCE_1, 1 + SEQUENCE_TAIL);
    Bytes data = new Bytes(stream, 1, stream.length - SEQUENCE_TAIL);
    int[] last = new int[2], to = new int[count];
    for (int i = 0; i < count; i++) {
      int v = data.group7(), which = v & 1, d = v >>> 1;
      last[which] += d >>> 1 ^ -(d & 1);
      to[i] = last[which];
    }
    if (!data.done()) {
      throw new RefusedFile("a compressed mesh of the model is longer than it says");
    }
    return to;
  }

  /** A triangle on a recent edge. */
  private void onEdge(int code, Bytes data, int[] to, int i) {
    int at = 2 * (edge - 1 - (code >> 4) & RECENT - 1);
    int a = edges[at], b = edges[at + 1], third = code & 15, c;
    boolean keep = true;
    if (third == 0) {
      c = next++;
    } else if (third < 13) {
      c = corners[corner - 1 - third & RECENT - 1];
      keep = false;
    } else {
      // 13 and 14 are the neighbours of the last number, 15 any.
      c = third == 15 ? data.near(last) : last + (third == 13 ? -1 : 1);
      last = c;
    }
    if (keep) {
      keep(c);
    }
    keepEdge(c, b);
    keepEdge(a, c);
    put(to, i, a, b, c);
  }

  /** A triangle on no recent edge: each corner is new (0), recent (1 to 14), or any (15). */
  private void free(int fa, int fb, int fc, Bytes data, int[] to, int i) {
    int a = fa == 0 ? next++ : 0;
    int b = fb == 0 ? next++ : corners[corner - fb & RECENT - 1];
    int c = fc == 0 ? next++ : corners[corner - fc & RECENT - 1];
    if (fa == 15) {
      a = last = data.near(last);
    }
    if (fb == 15) {
      b = last = data.near(last);
    }
    if (fc == 15) {
      c = last = data.near(last);
    }
    keep(a);
    if (fb == 0 || fb == 15) {
      keep(b);
    }
    if (fc == 0 || fc == 15) {
      keep(c);
    }
    keepEdge(b, a);
    keepEdge(c, b);
    keepEdge(a, c);
    put(to, i, a, b, c);
  }

  private void keep(int c) {
    corners[corner++ & RECENT - 1] = c;
  }

  private void keepEdge(int a, int b) {
    int at = 2 * (edge++ & RECENT - 1);
    edges[at] = a;
    edges[at + 1] = b;
  }

  private static void put(int[] to, int i, int a, int b, int c) {
    to[i] = a;
    to[i + 1] = b;
    to[i + 2] = c;
  }
}
