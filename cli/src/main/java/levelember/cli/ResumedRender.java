package levelember.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.zip.CRC32;
import levelember.film.Component;
import levelember.formats.RefusedFile;
import levelember.formats.document.ShootDocument;
import levelember.printing.film.Bands;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;

/** Says whose film a folder holds, so that no render goes on from another's. */
final class ResumedRender {
  private ResumedRender() {}

  /**
   * Notes whose film it is, or compares.
   *
   * @throws RefusedFile when the film is of another shoot, size, seed, memory or passes
   */
  static void check(
      Path folder, Shoot shoot, Shot shot, PrintOrder order, Set<Component> kept, Bands bands)
      throws IOException {
    CRC32 sum = new CRC32();
    sum.update(ShootDocument.write(shoot));
    String own =
        "shoot %08x, shot %s, %d×%d, %d rows a band, seed %d, %s"
            .formatted(
                sum.getValue(),
                shot.id(),
                order.width(),
                order.height(),
                bands.rows(),
                order.seed(),
                kept);
    Path note = folder.resolve("film.txt");
    Files.createDirectories(folder);
    if (!Files.exists(note)) {
      Files.writeString(note, own, StandardCharsets.UTF_8);
    } else if (!Files.readString(note).equals(own)) {
      throw new RefusedFile(
          "the film in " + folder + " is of another picture: " + Files.readString(note));
    }
  }
}
