package levelember.printing.frame;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;

/**
 * Ids of pieces or materials as pairs of a hash and how much of the pixel it fills, the largest
 * first, two pairs a layer, with a manifest of the names: the open convention for ID mattes that
 * compositors read ("Cryptomatte", Friedman and Jones 2015; specification 1.2).
 */
final class IdMatte {
  private static final int PAIRS = 6;
  private final String name;
  private final float[] hashes;
  private final Map<String, String> attributes = new LinkedHashMap<>();

  /**
   * A matte.
   *
   * @param name of its layers in the file
   * @param names of what it tells apart, by number
   */
  IdMatte(String name, List<String> names) {
    this.name = name;
    hashes = new float[names.size()];
    Map<String, String> manifest = new LinkedHashMap<>();
    for (int i = 0; i < hashes.length; i++) {
      int bits = bits(names.get(i));
      hashes[i] = Float.intBitsToFloat(bits);
      manifest.put(names.get(i), String.format("%08x", bits));
    }
    String key = "cryptomatte/" + String.format("%08x", murmur(name)).substring(0, 7) + "/";
    attributes.put(key + "name", name);
    attributes.put(key + "hash", "MurmurHash3_32");
    attributes.put(key + "conversion", "uint32_to_float32");
    attributes.put(key + "manifest", JsonMapper.shared().writeValueAsString(manifest));
  }

  Map<String, String> attributes() {
    return attributes;
  }

  /** Names of its channels. */
  List<String> channels() {
    return java.util.stream.IntStream.range(0, PAIRS / 2)
        .boxed()
        .flatMap(i -> List.of("R", "G", "B", "A").stream().map(c -> layer(i) + c))
        .toList();
  }

  private String layer(int i) {
    return String.format("%s%02d.", name, i);
  }

  /**
   * Fills in the channels.
   *
   * @param ids ranked numbers, so many a pixel
   * @param shares of the pixel
   */
  Map<String, float[]> planes(int[] ids, float[] shares, int ranks, int from, int pixels) {
    Map<String, float[]> to = new HashMap<>();
    channels().forEach(c -> to.put(c, new float[pixels]));
    for (int rank = 0; rank < Math.min(PAIRS, ranks); rank++) {
      float[] hash = to.get(layer(rank / 2) + (rank % 2 == 0 ? "R" : "B"));
      float[] share = to.get(layer(rank / 2) + (rank % 2 == 0 ? "G" : "A"));
      for (int i = 0; i < pixels; i++) {
        int id = ids[ranks * (from + i) + rank];
        if (id >= 0) {
          hash[i] = hashes[id];
          share[i] = shares[ranks * (from + i) + rank];
        }
      }
    }
    return to;
  }

  /** A hash whose bits are no infinity, no NaN and no subnormal number as a float. */
  static int bits(String name) {
    int hash = murmur(name);
    int exponent = hash >>> 23 & 255;
    return exponent == 0 || exponent == 255 ? hash ^ 1 << 23 : hash;
  }

  /** MurmurHash3 of 32 bits (Appleby 2011, public domain), seed 0, of a text as UTF-8. */
  static int murmur(String text) {
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    int h = 0;
    while (in.remaining() >= 4) {
      h ^= mixed(in.getInt());
      h = Integer.rotateLeft(h, 13) * 5 + 0xE6546B64;
    }
    int tail = 0;
    for (int shift = 0; in.hasRemaining(); shift += 8) {
      tail |= (in.get() & 255) << shift;
    }
    h ^= mixed(tail) ^ bytes.length;
    h = (h ^ h >>> 16) * 0x85EBCA6B;
    h = (h ^ h >>> 13) * 0xC2B2AE35;
    return h ^ h >>> 16;
  }

  private static int mixed(int k) {
    return Integer.rotateLeft(k * 0xCC9E2D51, 15) * 0x1B873593;
  }
}
