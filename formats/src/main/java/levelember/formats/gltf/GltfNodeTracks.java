package levelember.formats.gltf;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Piece;

/**
 * Nodes of a glTF file that hold a camera or a light. What moves them, or a node above them,
 * becomes tracks of the place and aim of the shot or light, sampled in time, as an aim does not go
 * evenly along with a turn.
 */
final class GltfNodeTracks {
  private static final double SAMPLES_PER_SECOND = 24;
  private static final int MOST_SAMPLES = 20_000;

  /**
   * A node.
   *
   * @param node its frame, as a piece that has no shape and is not brought into the shoot
   * @param entry list and id of the shot or light, as places begin
   * @param aimMetres how far ahead it is aimed
   */
  private record HolderNode(Piece node, String entry, double aimMetres) {}

  private final List<HolderNode> holders = new ArrayList<>();

  void add(Piece node, String entry, double aimMetres) {
    holders.add(new HolderNode(node, entry, aimMetres));
  }

  /**
   * Puts tracks of shots and lights in place of those of their nodes.
   *
   * @param pieces of the model
   * @param tracks of pieces and of the nodes that were added
   * @param into whose looks the shoot has
   */
  List<Track> resolved(List<Piece> pieces, List<Track> tracks, Shoot into) {
    Map<String, Piece> byId = new HashMap<>();
    pieces.forEach(p -> byId.put(p.id(), p.withShape(null).withMaterial(null).withCopies(null)));
    List<Track> to = new ArrayList<>(tracks);
    for (HolderNode holder : holders) {
      to.removeIf(t -> t.place().startsWith("pieces/" + holder.node.id() + "/"));
    }
    Map<String, List<Track>> byPiece =
        tracks.stream()
            .filter(t -> t.place().startsWith("pieces/"))
            .collect(Collectors.groupingBy(t -> t.place().split("/")[1]));
    for (HolderNode holder : holders) {
      List<Piece> chain = new ArrayList<>();
      List<Track> own = new ArrayList<>();
      for (Piece p = holder.node; p != null; p = p.parent() == null ? null : byId.get(p.parent())) {
        chain.add(p);
        own.addAll(byPiece.getOrDefault(p.id(), List.of()));
      }
      if (!own.isEmpty()) {
        sampled(holder, nodes(chain, into).with(Motion.NONE.with(own)), own, to);
      }
    }
    return to;
  }

  /** A node and those above it as a shoot of their own. */
  private static Shoot nodes(List<Piece> chain, Shoot into) {
    return new Shoot(
        "nodes",
        chain,
        List.of(),
        List.of(),
        List.of(),
        into.bounce(),
        0,
        into.shots(),
        into.looks());
  }

  private static void sampled(HolderNode holder, Shoot nodes, List<Track> own, List<Track> to) {
    TreeSet<Double> times = new TreeSet<>();
    own.forEach(t -> t.keys().forEach(k -> times.add(k.seconds())));
    double first = times.first(), length = times.last() - first;
    int steps = (int) Math.clamp(Math.ceil(length * SAMPLES_PER_SECOND), 1, MOST_SAMPLES);
    List<Key> places = new ArrayList<>(), aims = new ArrayList<>();
    for (int i = 0; i <= steps; i++) {
      double t = first + length * i / steps;
      Affine world = new PieceTransforms(ShootAtTime.of(nodes, t).pieces()).of(holder.node.id());
      Vec3 at = world.shift(), aim = at.minus(world.z().unit().times(holder.aimMetres));
      places.add(Key.of(t, Key.Span.STRAIGHT, at.x(), at.y(), at.z()));
      aims.add(Key.of(t, Key.Span.STRAIGHT, aim.x(), aim.y(), aim.z()));
      if (length == 0) {
        break;
      }
    }
    to.add(Track.of(holder.entry + "/position", places.toArray(Key[]::new)));
    to.add(Track.of(holder.entry + "/aim", aims.toArray(Key[]::new)));
  }
}
