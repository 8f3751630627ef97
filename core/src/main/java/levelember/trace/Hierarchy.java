package levelember.trace;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.LongAdder;
import java.util.function.LongConsumer;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Affine;
import levelember.math.Vec3;

/**
 * The two-level bounding hierarchy of a set: below, one tree for every mesh in its own frame;
 * above, one tree over the places where meshes stand. Moving a piece builds the upper tree alone.
 * Immutable; threads share it.
 */
public final class Hierarchy {
  /** Shows to rays of every kind. */
  public static final int EVERY_KIND = -1;

  /**
   * Kinds of ray: from the camera, reflected, gone through glass, towards a light past what is
   * solid and past what one sees through, and between matte surfaces.
   */
  public static final int CAMERA = 1, REFLECTION = 2, REFRACTION = 4;

  public static final int SHADOW = 8, CLEAR = 16, BOUNCE = 32;

  private static final int INSTANCE_MATRIX = 12;

  /** Children a node: 2 for the plain walk, else the lanes of the machine's vectors. */
  final int width;

  /** The upper tree, its leaves the numbers of instances; null where there is nothing to hit. */
  final WideTree top;

  final MeshHierarchy[] meshes;

  /** Rows of the maps from the world to each mesh's frame, its middle the origin. */
  final float[] toMesh;

  /** Rows of the maps from each mesh's frame (as the mesh has it) to the world. */
  final float[] toWorld;

  final int[] piece;
  private final int[] from;

  /** Kinds of ray that see each instance. */
  final int[] shows;

  /** Places that the stack of a walk needs. */
  final int stack;

  private final Map<Triangles, MeshHierarchy> byMesh;
  private final long triangles;

  private Hierarchy(
      int width,
      WideTree top,
      MeshHierarchy[] meshes,
      float[] toMesh,
      float[] toWorld,
      int[] piece,
      int[] from,
      int[] shows,
      Map<Triangles, MeshHierarchy> byMesh) {
    this.width = width;
    this.top = top;
    this.meshes = meshes;
    this.toMesh = toMesh;
    this.toWorld = toWorld;
    this.piece = piece;
    this.from = from;
    this.shows = shows;
    this.byMesh = byMesh;
    int deepest = 0;
    long count = 0;
    for (MeshHierarchy m : meshes) {
      deepest = Math.max(deepest, m.tree.stack);
      count += m.mesh.count();
    }
    stack = deepest + (top == null ? 0 : top.stack);
    triangles = count;
  }

  /** Builds the hierarchy of a set for this machine; the same set gives the same hierarchy. */
  public static Hierarchy of(SetGeometry set) {
    return of(set, RayWalk.width(), n -> {});
  }

  /**
   * Builds the hierarchy of a set for this machine.
   *
   * @param progress told from time to time how many triangles are in place, from any thread
   */
  public static Hierarchy of(SetGeometry set, LongConsumer progress) {
    return of(set, RayWalk.width(), progress);
  }

  /** Builds the hierarchy that the plain walk reads. */
  public static Hierarchy plain(SetGeometry set) {
    return of(set, RayWalk.PLAIN_WIDTH, n -> {});
  }

  static Hierarchy of(SetGeometry set, int width, LongConsumer progress) {
    return built(set, width, Map.of(), progress);
  }

  /** The hierarchy of a changed set; trees of meshes that are still there are kept. */
  public Hierarchy next(SetGeometry set, LongConsumer progress) {
    return built(set, width, byMesh, progress);
  }

  /** The same hierarchy where each piece shows to the kinds of ray in its bits. */
  public Hierarchy showing(int[] kindsByPiece) {
    int[] kinds = new int[piece.length];
    Arrays.setAll(kinds, i -> kindsByPiece[piece[i]]);
    return new Hierarchy(width, top, meshes, toMesh, toWorld, piece, from, kinds, byMesh);
  }

  private static Hierarchy built(
      SetGeometry set, int width, Map<Triangles, MeshHierarchy> before, LongConsumer progress) {
    Map<Triangles, MeshHierarchy> byMesh = new IdentityHashMap<>();
    LongAdder done = new LongAdder();
    List<Instance> instances = new ArrayList<>();
    for (SetGeometry.Placed p : set.placed()) {
      MeshHierarchy mesh = byMesh.get(p.mesh());
      if (mesh == null) {
        mesh = before.get(p.mesh());
        if (mesh == null) {
          mesh =
              MeshHierarchy.of(
                  p.mesh(),
                  width,
                  n -> {
                    done.add(n);
                    progress.accept(done.sum());
                  });
        }
        byMesh.put(p.mesh(), mesh);
      }
      instances.add(new Instance(p, mesh));
    }
    int n = instances.size();
    MeshHierarchy[] meshes = new MeshHierarchy[n];
    float[] toMesh = new float[INSTANCE_MATRIX * n];
    float[] toWorld = new float[INSTANCE_MATRIX * n];
    int[] piece = new int[n];
    int[] from = new int[n];
    WideTree top = null;
    if (n > 0) {
      int[] records = new int[BoxTree.RECORD * n];
      float reach = 0;
      for (int i = 0; i < n; i++) {
        reach = Math.max(reach, instances.get(i).box(records, BoxTree.RECORD * i));
        records[BoxTree.RECORD * i + 6] = i;
      }
      BoxTree tree = BoxTree.of(records, n, new BoxTree.Costs(0.25f, 1, 1), m -> {});
      top = WideTree.of(tree, width, reach * 1e-6f, (first, many) -> first);
      for (int i = 0; i < n; i++) {
        from[i] = records[BoxTree.RECORD * i + 6];
        Instance at = instances.get(from[i]);
        meshes[i] = at.mesh;
        piece[i] = at.placed.piece();
        at.maps(toMesh, toWorld, INSTANCE_MATRIX * i);
      }
    }
    int[] shows = new int[n];
    Arrays.fill(shows, EVERY_KIND);
    return new Hierarchy(width, top, meshes, toMesh, toWorld, piece, from, shows, byMesh);
  }

  private record Instance(SetGeometry.Placed placed, MeshHierarchy mesh) {
    /** Writes the world box of the mesh's octants; gives the farthest coordinate. */
    float box(int[] records, int at) {
      for (int k = 0; k < 3; k++) {
        records[at + k] = Integer.MAX_VALUE;
        records[at + 3 + k] = Integer.MIN_VALUE;
      }
      float reach = 0;
      for (int octant = 0; octant < 8; octant++) {
        int first = 6 * octant;
        if (mesh.octants[first] <= mesh.octants[first + 3]) {
          reach = Math.max(reach, corners(records, at, first));
        }
      }
      return reach;
    }

    /** Joins the eight corners of an octant's box to a record. */
    private float corners(int[] records, int at, int first) {
      float[] box = mesh.octants;
      float reach = 0;
      for (int corner = 0; corner < 8; corner++) {
        Vec3 p =
            placed
                .map()
                .point(
                    new Vec3(
                        box[first + 3 * (corner & 1)] + mesh.middle[0],
                        box[first + 1 + 3 * (corner >> 1 & 1)] + mesh.middle[1],
                        box[first + 2 + 3 * (corner >> 2)] + mesh.middle[2]));
        double[] c = {p.x(), p.y(), p.z()};
        for (int k = 0; k < 3; k++) {
          int value = BoxTree.ordered((float) c[k]);
          records[at + k] = Math.min(records[at + k], value);
          records[at + 3 + k] = Math.max(records[at + 3 + k], value);
          reach = Math.max(reach, Math.abs((float) c[k]));
        }
      }
      return reach;
    }

    void maps(float[] toMesh, float[] toWorld, int at) {
      Affine map = placed.map();
      rows(map, toWorld, at);
      Vec3 middle = new Vec3(mesh.middle[0], mesh.middle[1], mesh.middle[2]);
      Affine back = map.inverse();
      rows(new Affine(back.x(), back.y(), back.z(), back.shift().minus(middle)), toMesh, at);
    }

    private static void rows(Affine m, float[] to, int at) {
      to[at] = (float) m.x().x();
      to[at + 1] = (float) m.y().x();
      to[at + 2] = (float) m.z().x();
      to[at + 3] = (float) m.shift().x();
      to[at + 4] = (float) m.x().y();
      to[at + 5] = (float) m.y().y();
      to[at + 6] = (float) m.z().y();
      to[at + 7] = (float) m.shift().y();
      to[at + 8] = (float) m.x().z();
      to[at + 9] = (float) m.y().z();
      to[at + 10] = (float) m.z().z();
      to[at + 11] = (float) m.shift().z();
    }
  }

  /** Number of the place in {@link SetGeometry#placed()} that an instance came from. */
  public int placed(int instance) {
    return from[instance];
  }

  /** Number of the piece that an instance is of. */
  public int piece(int instance) {
    return piece[instance];
  }

  /** How many meshes stand in the set, copies counted. */
  public int instances() {
    return piece.length;
  }

  /** Triangles in all, copies counted. */
  public long triangles() {
    return triangles;
  }

  /** Children a node, which is also how many boxes or triangles are tested at once. */
  public int width() {
    return width;
  }

  /** Bytes held beside the meshes themselves. */
  public long bytes() {
    long sum = 4L * (toMesh.length + toWorld.length + 3L * piece.length);
    for (MeshHierarchy m : byMesh.values()) {
      sum += m.bytes();
    }
    return sum + (top == null ? 0 : 4L * top.nodes.length);
  }

  /** True where there is nothing to hit. */
  public boolean empty() {
    return top == null;
  }

  /** Least corner of everything; the origin when empty. */
  public Vec3 least() {
    return top == null ? Vec3.ZERO : new Vec3(top.box[0], top.box[1], top.box[2]);
  }

  /** Greatest corner of everything; the origin when empty. */
  public Vec3 greatest() {
    return top == null ? Vec3.ZERO : new Vec3(top.box[3], top.box[4], top.box[5]);
  }
}
