package levelember.app.shoot;

import static java.util.stream.Collectors.toSet;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.asset.Assets;
import levelember.app.problem.Refusal;
import levelember.formats.GltfImport;
import levelember.formats.ModelEdit;
import levelember.formats.ModelFiles;
import levelember.formats.ShootDocument;
import levelember.formats.ShootPackage;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.transport.SetDown;
import levelember.transport.TrueSize;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Keeps shoots and changes them by edits that have an inverse. One change at a time a shoot. */
@Service
public class Shoots {
  private final Map<String, Bringing> bringing = new ConcurrentHashMap<>();
  private final ShootMapper mapper;
  private final Assets assets;
  private final ApplicationEventPublisher events;

  Shoots(ShootMapper mapper, Assets assets, ApplicationEventPublisher events) {
    this.mapper = mapper;
    this.assets = assets;
    this.events = events;
  }

  /**
   * A shoot as it stands.
   *
   * @param id of the shoot
   * @param revision grows by one with every change
   * @param document the shoot document
   * @param undo what undo would take back, or null
   * @param redo what redo would do again, or null
   */
  public record State(String id, long revision, JsonNode document, String undo, String redo) {}

  /** A shoot in the list. */
  public record Title(String id, String name, String changed) {}

  /** Told after a shoot is deleted. */
  public record Deleted(String id) {}

  /** Told after a change is kept. */
  public record Changed(String id, long revision) {}

  public List<Title> titles() {
    return mapper.titles().stream()
        .map(t -> new Title(t.id(), t.name(), t.changed().toInstant().toString()))
        .toList();
  }

  /** Keeps a new shoot with its assets; the id comes from its name. */
  @Transactional
  public State add(ShootPackage pack) {
    String stem = pack.shoot().name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    stem = stem.substring(0, Math.min(stem.length(), 24)).replaceAll("^-+|-+$", "");
    String id = stem.isEmpty() ? "shoot" : stem;
    while (mapper.row(id) != null) {
      id = (stem.isEmpty() ? "shoot" : stem) + "-" + UUID.randomUUID().toString().substring(0, 8);
    }
    String document = ShootDocument.tree(pack.shoot()).toString();
    mapper.insert(new ShootMapper.Row(id, pack.shoot().name(), document, 1));
    for (var asset : pack.assets().entrySet()) {
      if (pack.shoot().assets().contains(asset.getKey())) {
        assets.add(id, asset.getKey(), asset.getValue());
      }
    }
    return state(id);
  }

  /** Keeps a copy of a shoot, named after it; what was done to it before is not part of it. */
  @Transactional
  public State copy(String id) {
    ShootPackage pack = pack(id);
    Set<String> taken = mapper.titles().stream().map(ShootMapper.Title::name).collect(toSet());
    String stem = pack.shoot().name().replaceFirst(" \\d{1,4}$", "");
    stem = stem.substring(0, Math.min(stem.length(), 110));
    int number = 2;
    while (taken.contains(stem + " " + number)) {
      number++;
    }
    return add(new ShootPackage(pack.shoot().named(stem + " " + number), pack.assets()));
  }

  /** Deletes a shoot with all that was done to it. */
  @Transactional
  public void delete(String id) {
    if (mapper.locked(id) == null) {
      throw Refusal.missing("There is no shoot '" + id + "'.");
    }
    mapper.delete(id);
    assets.forgetUnused();
    events.publishEvent(new Deleted(id));
  }

  @Transactional(readOnly = true)
  public State state(String id) {
    ShootMapper.Row row = mapper.row(id);
    if (row == null) {
      throw Refusal.missing("There is no shoot '" + id + "'.");
    }
    ShootMapper.Edit done = mapper.lastDone(id), undone = mapper.firstUndone(id);
    return new State(
        id,
        row.revision(),
        parsed(row),
        done == null ? null : done.label(),
        undone == null ? null : undone.label());
  }

  /** The shoot itself. */
  public Shoot shoot(String id) {
    return ShootDocument.read(state(id).document());
  }

  /** The shoot with its assets, for export. */
  @Transactional(readOnly = true)
  public ShootPackage pack(String id) {
    Shoot shoot = shoot(id);
    var files = assets.all(id);
    files.keySet().retainAll(shoot.assets());
    return new ShootPackage(shoot, files);
  }

  /** What the shoot would be after some operations; nothing is kept. */
  public Shoot tried(State state, JsonNode operations) {
    return ShootDocument.read(JsonPatch.apply(state.document(), operations).document());
  }

  /**
   * Changes a shoot.
   *
   * @param revision the state that the edit was made on
   * @param label what the edit does, for undo
   * @param operations JSON Patch
   * @throws Refusal when the shoot has gone on since, or the operations do not fit
   * @throws levelember.shoot.ImpossibleValue when the outcome is no shoot
   */
  @Transactional
  public State edit(String id, long revision, String label, JsonNode operations) {
    ShootMapper.Row row = locked(id, revision);
    if (label == null || label.isBlank() || label.length() > 200) {
      throw new levelember.shoot.ImpossibleValue("label", label, "a text of 1 to 200 characters");
    }
    JsonPatch patch = JsonPatch.apply(parsed(row), operations);
    keep(row, patch.document());
    mapper.forgetUndone(id);
    mapper.insertEdit(
        id,
        new ShootMapper.Edit(
            row.revision() + 1, label, operations.toString(), patch.inverse().toString(), false));
    return changed(id);
  }

  /**
   * What bringing a model in did.
   *
   * @param state the shoot with it
   * @param report what came, what was left, and what looks improbable
   */
  public record Brought(State state, Report report) {}

  /**
   * What to tell of a model that was brought in.
   *
   * @param piece id of the piece that holds all others
   * @param sizeMetres of the box about it
   * @param came a line each
   * @param left a line each
   * @param hints a line each
   */
  public record Report(
      String piece,
      double[] sizeMetres,
      List<String> came,
      List<String> left,
      List<String> hints) {}

  /**
   * Brings a model file into a shoot, as one edit.
   *
   * @param name of the file
   * @param metresPerUnit 1 for a file in metres
   * @throws levelember.formats.RefusedFile when the file cannot be read
   */
  @Transactional
  public Brought bringIn(
      String id, long revision, String name, double metresPerUnit, byte[] bytes) {
    try {
      return broughtIn(id, revision, name, metresPerUnit, bytes);
    } finally {
      bringing.remove(id);
    }
  }

  private Brought broughtIn(
      String id, long revision, String name, double metresPerUnit, byte[] bytes) {
    bringing.put(id, new Bringing("Reading the model", 0.1));
    Shoot shoot = ShootDocument.read(parsed(locked(id, revision)));
    ModelFiles.Model model = ModelFiles.read(name, bytes);
    bringing.put(id, new Bringing("Checking its meshes and pictures", 0.25));
    String asset = assets.add(id, model.name(), model.bytes());
    GltfImport.Brought brought = GltfImport.read(asset, model.bytes(), shoot, metresPerUnit);
    int done = 0, of = brought.pictures().size();
    for (Map.Entry<String, byte[]> picture : brought.pictures().entrySet()) {
      bringing.put(
          id, new Bringing("Keeping picture " + (done + 1) + " of " + of, 0.5 + 0.4 * done / of));
      assets.add(id, picture.getKey(), picture.getValue());
      done++;
    }
    bringing.put(id, new Bringing("Putting it into the set", 0.92));
    State state = edit(id, revision, "Bring in " + asset, ModelEdit.operations(brought));
    Vec3 size = brought.sizeMetres();
    return new Brought(
        state,
        new Report(
            brought.pieces().getFirst().id(),
            new double[] {size.x(), size.y(), size.z()},
            brought.came(),
            brought.left(),
            brought.hints()));
  }

  /**
   * How far bringing a model in has got.
   *
   * @param what is being done
   * @param part done, 0…1
   */
  public record Bringing(String what, double part) {}

  /** How far bringing a model into a shoot has got, if one is being brought in. */
  public Optional<Bringing> bringing(String id) {
    return Optional.ofNullable(bringing.get(id));
  }

  /**
   * Sets a piece down on what is under it, as one edit.
   *
   * @throws Refusal when there is no such piece, or nothing under it
   */
  @Transactional
  public State setDown(String id, long revision, String piece) {
    Shoot shoot = ShootDocument.read(parsed(locked(id, revision)));
    int index = 0;
    while (index < shoot.pieces().size() && !shoot.pieces().get(index).id().equals(piece)) {
      index++;
    }
    if (index == shoot.pieces().size()) {
      throw Refusal.missing("There is no piece '" + piece + "'.");
    }
    String name = shoot.pieces().get(index).name();
    double rise =
        SetDown.rise(shoot.pieces(), piece, assets.files(id).meshes())
            .orElseThrow(() ->
                new Refusal(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "nothing-under",
                    "There is nothing under " + name + " that it could rest on.",
                    "The piece is where it was.",
                    "Move it over a floor, a table or another piece."));
    Vec3 to = SetDown.place(shoot.pieces(), piece, rise);
    ArrayNode operations = JsonNodeFactory.instance.arrayNode();
    ArrayNode place =
        operations
            .addObject()
            .put("op", "replace")
            .put("path", "/pieces/" + index + "/place")
            .putArray("value");
    place.add(to.x()).add(to.y()).add(to.z());
    return edit(id, revision, "Set " + name + " down", operations);
  }

  /** How large a piece is, with its copies and all that stands in it. */
  @Transactional(readOnly = true)
  public TrueSize size(String id, String piece) {
    Shoot shoot = shoot(id);
    if (shoot.pieces().stream().noneMatch(p -> p.id().equals(piece))) {
      throw Refusal.missing("There is no piece '" + piece + "'.");
    }
    return TrueSize.of(shoot.pieces(), piece, assets.files(id).meshes());
  }

  /** Takes the last edit back. */
  @Transactional
  public State undo(String id, long revision) {
    return step(locked(id, revision), mapper.lastDone(id), true);
  }

  /** Does the edit last taken back again. */
  @Transactional
  public State redo(String id, long revision) {
    return step(locked(id, revision), mapper.firstUndone(id), false);
  }

  private State step(ShootMapper.Row row, ShootMapper.Edit edit, boolean back) {
    if (edit == null) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "nothing-to-" + (back ? "undo" : "redo"),
          "There is nothing to " + (back ? "undo" : "redo") + ".",
          "The shoot is as it was.",
          "Go on.");
    }
    String operations = back ? edit.backward() : edit.forward();
    JsonNode patch =
        ShootDocument.parse(operations.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    keep(row, JsonPatch.apply(parsed(row), patch).document());
    mapper.mark(row.id(), edit.number(), back);
    return changed(row.id());
  }

  private ShootMapper.Row locked(String id, long revision) {
    ShootMapper.Row row = mapper.locked(id);
    if (row == null) {
      throw Refusal.missing("There is no shoot '" + id + "'.");
    }
    if (row.revision() != revision) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "stale",
          "The shoot was changed elsewhere: it is at revision "
              + row.revision()
              + ", this change was made on "
              + revision
              + ".",
          "The newer state was kept; this change was not made.",
          "Look at the newer state and make the change again if it is still wanted.");
    }
    return row;
  }

  /** The document with every field said, also those that did not exist when it was kept. */
  private static JsonNode parsed(ShootMapper.Row row) {
    byte[] kept = row.document().getBytes(java.nio.charset.StandardCharsets.UTF_8);
    return ShootDocument.tree(ShootDocument.read(kept));
  }

  private void keep(ShootMapper.Row row, JsonNode document) {
    Shoot shoot = ShootDocument.read(document);
    List<String> there = assets.names(row.id());
    for (String name : shoot.assets()) {
      if (!there.contains(name)) {
        throw new levelember.texture.Pictures.MissingPicture(name);
      }
    }
    mapper.update(
        new ShootMapper.Row(
            row.id(), shoot.name(), ShootDocument.tree(shoot).toString(), row.revision() + 1));
  }

  private State changed(String id) {
    State state = state(id);
    events.publishEvent(new Changed(id, state.revision()));
    return state;
  }
}
