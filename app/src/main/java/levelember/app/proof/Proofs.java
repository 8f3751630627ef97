package levelember.app.proof;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import levelember.app.live.reading.ShownPictures;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.document.ImpossibleValue;
import levelember.formats.document.ShootDifference;
import levelember.formats.document.ShootDocument;
import levelember.formats.picture.LayersFile;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/** Keeps proofs of shoots, and says what has changed since. */
@Service
class Proofs {
  private static final int LONGEST_NAME = 200, LONGEST_NOTE = 4000;

  private final ProofMapper mapper;
  private final Shoots shoots;
  private final ShownPictures pictures;
  private final TransactionTemplate transaction;

  Proofs(
      ProofMapper mapper, Shoots shoots, ShownPictures pictures, TransactionTemplate transaction) {
    this.transaction = transaction;
    this.mapper = mapper;
    this.shoots = shoots;
    this.pictures = pictures;
  }

  /**
   * A proof.
   *
   * @param seconds the time at which a shoot that moves was shown, or null for it at rest
   * @param samples of a pixel
   * @param noisePercent of the picture as traced, or null where it was not known yet
   * @param tracedSeconds of the picture
   * @param bytes that it takes in all
   * @param layerBytes of these for its layers; 0 when it has none
   */
  record Proof(
      long id,
      String name,
      String note,
      boolean star,
      Instant created,
      String shot,
      String shotName,
      @Schema(types = {"number", "null"}) Double seconds,
      int width,
      int height,
      double samples,
      @Schema(types = {"number", "null"}) Double noisePercent,
      double tracedSeconds,
      long bytes,
      long layerBytes) {}

  private static Proof proof(ProofMapper.Row row) {
    return new Proof(
        row.id(),
        row.name(),
        row.note(),
        row.star(),
        row.created().toInstant(),
        row.shot(),
        row.shotName(),
        row.seconds(),
        row.width(),
        row.height(),
        row.samples(),
        row.noisePercent(),
        row.tracedSeconds(),
        row.pictureBytes() + row.layerBytes(),
        row.layerBytes());
  }

  /** The proofs of a shoot, oldest first. */
  @Transactional(readOnly = true)
  List<Proof> of(String shoot) {
    return mapper.of(shoot).stream().map(Proofs::proof).toList();
  }

  /**
   * Keeps what a page shows, with the shoot as it is. Edits wait for no more than its writing: the
   * picture is developed before.
   *
   * @param page its id on the live channel; else what was shown last
   */
  Proof take(String shoot, String page) {
    Shoots.State state = shoots.state(shoot);
    ShownPictures.Shown shown = pictures.now(shoot, page).orElseThrow(Proofs::noPicture);
    ProofMapper.Fresh fresh = new ProofMapper.Fresh();
    fresh.shoot = shoot;
    fresh.shot = shown.shot().id();
    fresh.shotName = shown.shot().name();
    fresh.seconds = shown.seconds();
    fresh.width = shown.width();
    fresh.height = shown.height();
    fresh.samples = shown.samples();
    fresh.noisePercent = shown.noisePercent();
    fresh.tracedSeconds = shown.tracedSeconds();
    fresh.document = state.document().toString();
    fresh.picture = shown.png();
    fresh.layers = shown.layers();
    return transaction.execute(status -> {
      fresh.name = name(shoot);
      mapper.keep(fresh);
      return proof(row(fresh.id));
    });
  }

  /** Keeps a proof that was made without a page. */
  @Transactional
  void keep(ProofMapper.Fresh fresh, String note, boolean star) {
    mapper.keep(fresh);
    mapper.change(fresh.id, fresh.name, note, star);
  }

  static Refusal noPicture() {
    return new Refusal(
        HttpStatus.CONFLICT,
        "no-picture",
        "There is no picture yet.",
        "The shoot is as it was.",
        "Wait for the first picture, then try again.");
  }

  /** The next number that no proof of the shoot has as its name. */
  private String name(String shoot) {
    List<String> there = mapper.of(shoot).stream().map(ProofMapper.Row::name).toList();
    int number = there.size() + 1;
    while (there.contains("Proof " + number)) {
      number++;
    }
    return "Proof " + number;
  }

  private ProofMapper.Row row(long id) {
    ProofMapper.Row row = mapper.one(id);
    if (row == null) {
      throw Refusal.missing("There is no proof " + id + ".");
    }
    return row;
  }

  /** Changes what is written on a proof. */
  @Transactional
  Proof change(long id, String name, String note, boolean star) {
    if (name == null || name.isBlank() || name.length() > LONGEST_NAME) {
      throw new ImpossibleValue("name", name, "a text of 1 to " + LONGEST_NAME + " characters");
    }
    if (note == null || note.length() > LONGEST_NOTE) {
      throw new ImpossibleValue("note", note, "a text of at most " + LONGEST_NOTE + " characters");
    }
    row(id);
    mapper.change(id, name.strip(), note, star);
    return proof(row(id));
  }

  /** Gives back the space of a proof's layers; its picture stays. */
  @Transactional
  Proof deleteLayers(long id) {
    row(id);
    mapper.deleteLayers(id);
    return proof(row(id));
  }

  @Transactional
  void delete(long id) {
    row(id);
    mapper.delete(id);
  }

  @Transactional(readOnly = true)
  byte[] picture(long id) {
    row(id);
    return mapper.picture(id).bytes();
  }

  private JsonNode document(long id) {
    byte[] kept = mapper.document(id).getBytes(StandardCharsets.UTF_8);
    // Read, so that fields that did not exist then have their usual values.
    return ShootDocument.tree(ShootDocument.read(kept));
  }

  /** The layers of a proof, with the shoot as it was. */
  @Transactional(readOnly = true)
  ProofPictures.StoredProof stored(long id) {
    ProofMapper.Row row = row(id);
    ProofMapper.Content layers = mapper.layers(id);
    if (layers == null) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "no-layers",
          "'"
              + row.name()
              + "' has no layers: it was taken before they were there, or let them go.",
          "Its picture and its settings are as they were.",
          "Take another proof once a whole sample is traced.");
    }
    return new ProofPictures.StoredProof(
        id,
        row.shoot(),
        row.shot(),
        row.seconds(),
        at(ShootDocument.read(document(id)), row.seconds()),
        LayersFile.read(layers.bytes()));
  }

  /** A shoot at the time at which a proof shows it. */
  static Shoot at(Shoot shoot, Double seconds) {
    return seconds == null ? shoot : ShootAtTime.of(shoot, seconds);
  }

  /** What in the shoot as it is now differs from what it was. */
  @Transactional(readOnly = true)
  List<ShootDifference.Change> changed(long id) {
    ProofMapper.Row row = row(id);
    return ShootDifference.between(shoots.state(row.shoot()).document(), document(id));
  }

  /** JSON Patch that brings a part of the shoot back to what it was. */
  @Transactional(readOnly = true)
  JsonNode restoring(long id, ShootDifference.Part part) {
    ProofMapper.Row row = row(id);
    return ShootDifference.restoring(part, shoots.state(row.shoot()).document(), document(id));
  }
}
