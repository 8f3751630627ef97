package levelember.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Pins, targets and second look on the command line. */
class MeasureCommandsTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Ball",
       "pieces": [
         {"id": "floor", "shape": {"kind": "floor", "width": 8, "depth": 8}, "material": "m"},
         {"id": "ball", "shape": {"kind": "sphere", "radius": 0.5}, "material": "m",
          "position": [0, 0.58, 0]}],
       "materials": [{"id": "m", "colour": [0.5, 0.5, 0.5], "specular": 0}],
       "lights": [
         {"id": "key", "emitter": {"kind": "rectangle", "width": 1, "height": 1},
          "position": [-2, 2.5, 2], "aim": [0, 0.5, 0], "brightness": {"value": 1500, "unit": "cd/m2"}},
         {"id": "dome", "emitter": {"kind": "dome"}, "brightness": {"value": 6, "unit": "cd/m2"}}],
       "shots": [{"id": "s", "position": [0, 1.2, 5], "aim": [0, 0.5, 0], "look": "k"}],
       "looks": [{"id": "k", "ev": 6}],
       "meter": {
         "pins": [{"id": "p", "name": "On the floor", "piece": "floor", "position": [0.6, 0, 1]}],
         "targets": [{"id": "t", "kind": "stops", "pin": "p", "stops": 1}]}}
      """;

  @TempDir private Path folder;

  private Path shoot() throws Exception {
    Path file = folder.resolve("ball.json");
    Files.writeString(file, SHOOT);
    return file;
  }

  private static JsonNode run(Object... args) {
    StringWriter out = new StringWriter(), err = new StringWriter();
    CommandLine line = Main.line();
    line.setOut(new PrintWriter(out)).setErr(new PrintWriter(err));
    int code = line.execute(List.of(args).stream().map(Object::toString).toArray(String[]::new));
    assertThat(code).as(err.toString()).isZero();
    return JsonMapper.shared().readTree(out.toString());
  }

  @Test
  void pinsAreReadAndTargetsMet() throws Exception {
    Path out = folder.resolve("met.ember");
    JsonNode read =
        run(
            "meter",
            shoot(),
            "--samples",
            8,
            "--width",
            160,
            "--incident",
            "--solve",
            "--out",
            out);
    JsonNode pin = read.get("pins").get(0);
    double sum = 0;
    for (JsonNode light : pin.get("lights")) {
      sum += light.doubleValue();
    }
    assertThat(pin.get("cd/m2").doubleValue()).isCloseTo(sum, within(0.01 * sum));
    // A matte floor of albedo a half gives back half its lux over π.
    double lux = 0;
    for (JsonNode light : pin.get("lux on the surface")) {
      lux += light.doubleValue();
    }
    assertThat(0.5 * lux / Math.PI).isCloseTo(sum, within(0.1 * sum));
    assertThat(read.get("solution").get("outcomes").get(0).get("met").booleanValue()).isTrue();
    JsonNode again = run("meter", out, "--samples", 8, "--width", 160);
    assertThat(again.get("pins").get(0).get("stops").doubleValue()).isCloseTo(1, within(0.06));
  }

  @Test
  void secondLookFindsAndMends() throws Exception {
    Path out = folder.resolve("mended.ember");
    JsonNode look =
        run("second-look", shoot(), "--samples", 4, "--width", 160, "--mend", "--out", out);
    assertThat(look.get("findings").toString()).contains("floating:ball");
    assertThat(look.get("mended").toString()).contains("Set ball down");
    assertThat(run("second-look", out, "--samples", 4, "--width", 160).get("findings").toString())
        .doesNotContain("floating");
  }

  @Test
  void sizesOutOfRangeAreWrongUsage() throws Exception {
    CommandLine line = Main.line();
    line.setErr(new PrintWriter(new StringWriter()));
    assertThat(line.execute("meter", shoot().toString(), "--samples", "1")).isEqualTo(2);
  }
}
