package levelember.demo;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import levelember.formats.exchange.GltfExport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What we write as glTF is held against a validator that is not ours. */
class ValidatedExportTest {
  private static final Path NPM = Path.of("../formats/src/test/npm");

  @Test
  void theValidatorFindsNothingWrongInAnyDemoExport(@TempDir Path folder)
      throws IOException, InterruptedException {
    List<String> command = new ArrayList<>(List.of("node", "validate.mjs"));
    for (String name : DemoShoots.names()) {
      Path file = folder.resolve(name + ".glb");
      Files.write(file, GltfExport.write(DemoShoots.make(name)));
      command.add(file.toString());
    }
    Process validator =
        new ProcessBuilder(command).directory(NPM.toFile()).redirectErrorStream(true).start();
    String said = new String(validator.getInputStream().readAllBytes(), UTF_8);
    assertThat(validator.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(said.lines())
        .hasSize(DemoShoots.names().size())
        .containsOnly("0 errors, 0 warnings");
  }
}
