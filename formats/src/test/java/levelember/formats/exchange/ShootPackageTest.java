package levelember.formats.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import levelember.document.ImpossibleValue;
import levelember.formats.Glb;
import levelember.formats.RefusedFile;
import levelember.formats.document.WholeShoot;
import levelember.formats.picture.RadianceHdr;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

class ShootPackageTest {
  @Test
  void aPackageKeepsShootAndAssets() {
    byte[] sky = RadianceHdr.write(Picture.black(16, 8));
    TreeMap<String, byte[]> assets = new TreeMap<>();
    assets.put("sky.hdr", sky);
    Glb model = Glb.square();
    assets.put("chair.glb", model.bytes());
    byte[] file = new ShootPackage(WholeShoot.everything(), assets).write();
    ShootPackage read = ShootPackage.read(file);
    assertThat(read.shoot()).isEqualTo(WholeShoot.everything());
    assertThat(read.assets().get("sky.hdr")).isEqualTo(sky);
    assertThat(read.write()).isEqualTo(file);
  }

  @Test
  void aPackageThatLacksAnAssetIsRefusedByName() {
    byte[] file = new ShootPackage(WholeShoot.everything(), new TreeMap<>()).write();
    assertThatThrownBy(() -> ShootPackage.read(file))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("sky.hdr");
  }

  @Test
  void aPackageWhoseModelIsNoneIsRefusedByName() {
    TreeMap<String, byte[]> assets = new TreeMap<>();
    assets.put("sky.hdr", RadianceHdr.write(Picture.black(16, 8)));
    assets.put("chair.glb", RadianceHdr.write(Picture.black(16, 8)));
    byte[] file = new ShootPackage(WholeShoot.everything(), assets).write();
    assertThatThrownBy(() -> ShootPackage.read(file))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("chair.glb");
  }

  @Test
  void aPackageCutShortOrWithForeignEntriesIsRefused() throws IOException {
    TreeMap<String, byte[]> assets = new TreeMap<>();
    assets.put("sky.hdr", RadianceHdr.write(Picture.black(16, 8)));
    byte[] file = new ShootPackage(WholeShoot.everything(), assets).write();
    for (int n = 4; n < file.length * 3 / 4; n += 97) {
      byte[] cut = java.util.Arrays.copyOf(file, n);
      assertThatThrownBy(() -> ShootPackage.read(cut))
          .isInstanceOfAny(RefusedFile.class, ImpossibleValue.class);
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("../../outside"));
      zip.closeEntry();
    }
    assertThatThrownBy(() -> ShootPackage.read(out.toByteArray()))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("outside");
  }

  @Test
  void aDocumentThatUnpacksToTooMuchIsRefused() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("shoot.json"));
      byte[] blanks = new byte[1 << 20];
      java.util.Arrays.fill(blanks, (byte) ' ');
      for (int i = 0; i < 70; i++) {
        zip.write(blanks);
      }
      zip.closeEntry();
    }
    assertThat(out.size()).isLessThan(200_000);
    assertThatThrownBy(() -> ShootPackage.read(out.toByteArray()))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("more than is allowed");
  }
}
