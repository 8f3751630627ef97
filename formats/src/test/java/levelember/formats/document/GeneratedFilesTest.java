package levelember.formats.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/**
 * The files that are made from what the records of the document say. {@code -Dember.generate=true}
 * writes them anew.
 */
class GeneratedFilesTest {
  private static void agrees(Path file, String made) throws IOException {
    if (Boolean.getBoolean("ember.generate")) {
      Files.writeString(file, made);
    }
    assertThat(made)
        .as("%s; write it anew with mvn -pl formats -am test -Dember.generate=true", file)
        .isEqualTo(Files.readString(file));
  }

  @Test
  void theSchemaIsThatOfTheRecords() throws IOException {
    agrees(
        Path.of("src/main/resources/levelember/formats/document/shoot.schema.json"),
        ShootSchema.text());
  }

  @Test
  void theTablesOfTheDescriptionAreThoseOfTheRecords() throws IOException {
    Path file = Path.of("../docs/shoot-format.md");
    agrees(file, FieldTables.in(Files.readString(file)));
  }
}
