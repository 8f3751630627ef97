package levelember.formats.picture;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.RefusedFile;

/**
 * Layers of a picture at unit light, as they are kept with a proof: half floats by channel, their
 * upper bytes before their lower ones, deflated for speed.
 *
 * @param width pixels
 * @param height pixels
 * @param byLight three floats a pixel, by the id of the light
 */
public record LayersFile(int width, int height, Map<String, float[]> byLight) {
  private static final int VERSION = 1;

  /**
   * Packs the layers of a film, mean over its samples.
   *
   * @param lights ids of the lights, in the order of the layers
   */
  public static byte[] write(Film film, List<String> lights) {
    float[] unit = new float[3 * lights.size()];
    Arrays.fill(unit, 1);
    List<byte[]> packed =
        IntStream.range(0, lights.size())
            .parallel()
            .mapToObj(k -> packed(LayerMix.layer(film, k, unit).rgb()))
            .toList();
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (DataOutputStream to = new DataOutputStream(bytes)) {
      to.writeInt(VERSION);
      to.writeInt(film.width());
      to.writeInt(film.height());
      to.writeInt(lights.size());
      for (int k = 0; k < lights.size(); k++) {
        to.writeUTF(lights.get(k));
        to.writeInt(packed.get(k).length);
        to.write(packed.get(k));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }

  private static byte[] packed(float[] layer) {
    byte[] plain = new byte[2 * layer.length];
    for (int i = 0; i < layer.length; i++) {
      float v = Math.min(layer[i], 65_504);
      short half = Float.floatToFloat16(v);
      int at = i % 3 * (layer.length / 3) + i / 3;
      plain[at] = (byte) (half >> 8);
      plain[layer.length + at] = (byte) half;
    }
    Deflater deflater = new Deflater(Deflater.BEST_SPEED, true);
    try {
      deflater.setInput(plain);
      deflater.finish();
      byte[] to = new byte[plain.length + plain.length / 8 + 64];
      int length = deflater.deflate(to);
      return Arrays.copyOf(to, length);
    } finally {
      deflater.end();
    }
  }

  /**
   * Reads what {@link #write} made.
   *
   * @throws RefusedFile when it is something else
   */
  public static LayersFile read(byte[] bytes) {
    try (DataInputStream from = new DataInputStream(new ByteArrayInputStream(bytes))) {
      if (from.readInt() != VERSION) {
        throw new RefusedFile("the layers were kept by another version");
      }
      int width = from.readInt(), height = from.readInt(), count = from.readInt();
      Map<String, float[]> byLight = new LinkedHashMap<>();
      for (int k = 0; k < count; k++) {
        String id = from.readUTF();
        byLight.put(id, unpacked(from.readNBytes(from.readInt()), 3 * width * height));
      }
      return new LayersFile(width, height, byLight);
    } catch (IOException | DataFormatException e) {
      throw new RefusedFile("the layers are broken: " + e.getMessage());
    }
  }

  private static float[] unpacked(byte[] packed, int length) throws DataFormatException {
    byte[] plain = new byte[2 * length];
    Inflater inflater = new Inflater(true);
    try {
      inflater.setInput(packed);
      int at = 0;
      while (at < plain.length) {
        int some = inflater.inflate(plain, at, plain.length - at);
        if (some == 0) {
          throw new DataFormatException("they end too early");
        }
        at += some;
      }
    } finally {
      inflater.end();
    }
    float[] to = new float[length];
    for (int i = 0; i < length; i++) {
      int at = i % 3 * (length / 3) + i / 3;
      to[i] = Float.float16ToFloat((short) (plain[at] << 8 | plain[length + at] & 0xFF));
    }
    return to;
  }
}
