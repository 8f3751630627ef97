package levelember.formats.exr;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.SortedMap;
import levelember.formats.picture.OpenExr;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the writer packs is read by our reader and by one that is not ours, bit for bit. */
class ExrWriterTest {
  @TempDir Path folder;

  @ParameterizedTest
  @CsvSource({
    "NONE, 37, 21",
    "ZIP, 37, 50",
    "PIZ, 37, 70",
    "PIZ, 64, 64",
    "PIZ, 1, 33",
    "PIZ, 200, 5",
    "ZIP, 1, 1",
    "PIZ, 1, 1"
  })
  void everyPackingIsReadBack(ExrWriter.Packing packing, int width, int height) throws Exception {
    Random random = new Random(width);
    Map<String, ExrWriter.Depth> channels = new LinkedHashMap<>();
    Map<String, float[]> values = new LinkedHashMap<>();
    String[] names = {"R", "G", "B", "smooth.R", "noise.Y", "depth.Z"};
    for (String name : names) {
      boolean half = !name.equals("depth.Z") && !name.equals("noise.Y");
      channels.put(name, half ? ExrWriter.Depth.HALF : ExrWriter.Depth.FLOAT);
      float[] plane = new float[width * height];
      for (int i = 0; i < plane.length; i++) {
        float v =
            switch (name) {
              case "R" -> 0;
              case "G" -> i % 5 == 0 ? 1000 : 3;
              case "smooth.R" -> (float) Math.sin(i / 40.0) * 10;
              case "depth.Z" -> 2 + i / (float) width;
              default -> (float) Math.exp(10 * random.nextGaussian());
            };
        plane[i] =
            half ? Float.float16ToFloat(Float.floatToFloat16(Math.clamp(v, -65504, 65504))) : v;
      }
      values.put(name, plane);
    }
    Path file = folder.resolve("a.exr");
    try (ExrWriter writer =
        new ExrWriter(
            Files.newByteChannel(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE),
            width,
            height,
            packing,
            channels,
            Map.of("about", "a test"))) {
      int rows = Math.max(writer.block(), height / 2 / writer.block() * writer.block());
      for (int y = 0; y < height; y += rows) {
        int first = y, n = Math.min(rows, height - y);
        Map<String, float[]> some = new LinkedHashMap<>();
        values.forEach((name, plane) ->
            some.put(name, Arrays.copyOfRange(plane, first * width, (first + n) * width)));
        writer.rows(n, some);
      }
    }
    SortedMap<String, float[]> theirs = TinyExrReader.read(file);
    SortedMap<String, float[]> ours = OpenExr.read(Files.readAllBytes(file)).channels();
    values.forEach((name, plane) -> {
      assertThat(ours.get(name)).as("ours, " + name).isEqualTo(plane);
      assertThat(theirs.get(name)).as("theirs, " + name).isEqualTo(plane);
    });
  }
}
