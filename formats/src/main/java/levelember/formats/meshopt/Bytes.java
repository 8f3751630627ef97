package levelember.formats.meshopt;

import levelember.formats.RefusedFile;

/** Reads a compressed stream from its begin; refuses to read beyond an end. */
final class Bytes {
  private final byte[] from;
  private final int end;
  private int at;

  /**
   * @param begin first byte that is read
   * @param end first byte that is not
   */
  Bytes(byte[] from, int begin, int end) {
    if (begin > end || end > from.length) {
      throw cut();
    }
    this.from = from;
    this.at = begin;
    this.end = end;
  }

  private static RefusedFile cut() {
    return new RefusedFile("a compressed mesh of the model is cut short");
  }

  int next() {
    if (at >= end) {
      throw cut();
    }
    return from[at++] & 0xFF;
  }

  /** Goes on behind so many bytes and gives where they begin. */
  int skip(int bytes) {
    if (bytes > end - at) {
      throw cut();
    }
    at += bytes;
    return at - bytes;
  }

  boolean done() {
    return at == end;
  }

  /** A whole number of 32 bits in groups of seven, the lowest first. */
  int group7() {
    int value = 0;
    for (int shift = 0; shift < 35; shift += 7) {
      int b = next();
      value |= (b & 127) << shift;
      if (b < 128) {
        return value;
      }
    }
    throw new RefusedFile("a compressed mesh of the model holds a number that is too long");
  }

  /** A number of 32 bits that was written as its distance from another. */
  int near(int other) {
    int v = group7();
    return other + (v >>> 1 ^ -(v & 1));
  }
}
