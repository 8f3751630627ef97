package levelember.app.look;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import levelember.app.asset.Assets;
import levelember.app.problem.Refusal;
import levelember.formats.document.ShootDocument;
import levelember.formats.grade.LutFiles;
import levelember.shoot.look.Look;
import levelember.texture.Luts;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Looks that are kept for all shoots, each with its LUT. */
@Service
public class KeptLooks {
  /** A look of the shelf: its id there, and the look as in a shoot document. */
  record Entry(String id, String name, JsonNode look) {}

  private final KeptLookMapper mapper;
  private final Assets assets;

  KeptLooks(KeptLookMapper mapper, Assets assets) {
    this.mapper = mapper;
    this.assets = assets;
  }

  List<Entry> all() {
    return mapper.all().stream().map(KeptLooks::entry).toList();
  }

  private static Entry entry(KeptLookMapper.Row row) {
    JsonNode tree = ShootDocument.parse(row.document().getBytes(StandardCharsets.UTF_8));
    return new Entry(
        row.id(), row.name(), ShootDocument.tree(ShootDocument.read(tree, Look.class)));
  }

  /** A kept look, with its LUT under the name that it says. */
  public record Kept(Look look, Luts luts) {}

  /** The kept look of that id. */
  public Kept look(String id) {
    KeptLookMapper.Row row = row(id);
    return new Kept(
        ShootDocument.read(entry(row).look(), Look.class),
        new LutFiles(name -> row.lutHash() == null ? null : assets.content(row.lutHash())));
  }

  private KeptLookMapper.Row row(String id) {
    KeptLookMapper.Row row = mapper.one(id);
    if (row == null) {
      throw Refusal.missing("There is no look '" + id + "' on the shelf.");
    }
    return row;
  }

  /** Keeps a look of a shoot. */
  @Transactional
  Entry keep(String shoot, Look look) {
    String hash = look.lut().map(name -> assets.hash(shoot, name)).orElse(null);
    KeptLookMapper.Row row =
        new KeptLookMapper.Row(
            "look-" + UUID.randomUUID(), look.name(), ShootDocument.tree(look).toString(), hash);
    mapper.keep(row);
    return entry(row);
  }

  /** A kept look as it can be worn in a shoot, which gets its LUT. */
  @Transactional
  JsonNode take(String shoot, String id) {
    KeptLookMapper.Row row = row(id);
    ObjectNode look = (ObjectNode) entry(row).look();
    if (row.lutHash() != null) {
      ObjectNode grade = (ObjectNode) look.get("grade");
      String name = grade.get("lut").stringValue();
      grade.put("lut", assets.add(shoot, name, assets.content(row.lutHash())));
    }
    return look;
  }

  @Transactional
  void forget(String id) {
    if (mapper.forget(id) == 0) {
      throw Refusal.missing("There is no look '" + id + "' on the shelf.");
    }
  }
}
