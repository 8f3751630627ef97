package levelember.trace;

import java.util.Arrays;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import levelember.geometry.Triangles;

/**
 * The hierarchy of one mesh in its own frame, moved so that the middle of its box is the origin,
 * where single precision is finest.
 *
 * <p>Leaves are blocks of {@code lanes} triangles in twelve rows: the planes of Baldwin and Weber
 * 2016, "Fast Ray-Triangle Intersections by Coordinate Transformation". Four rows give the weight
 * of the second corner at a place on the triangle, four that of the third, and four the distance
 * from the triangle's plane. Triangles are widened about their middle by what rounding may lose, so
 * that no ray slips between neighbours.
 */
final class MeshHierarchy {
  static final int ROWS = 12;

  /** The first block lies on a cache line where large arrays begin 16 bytes into one. */
  private static final int FIRST = 12;

  private static final int MOST_BLOCKS = 7;

  /** What a weight may lose by rounding, of its slope times the mesh's reach. */
  private static final double ROUNDINGS = 4 * 0x1p-24;

  final Triangles mesh;
  final int lanes;
  final WideTree tree;
  final float[] blocks;

  /** Number in the mesh of the triangle in each place of each block. */
  final int[] triangles;

  /** Middle of the mesh's box: x, y, z. */
  final float[] middle;

  /**
   * Padded boxes of the triangles whose boxes have their middle in each octant about the mesh's
   * middle, in the mesh's frame moved there: six floats each, least above greatest where there are
   * none. They are the same with any number of lanes.
   */
  final float[] octants;

  private MeshHierarchy(
      Triangles mesh,
      WideTree tree,
      float[] blocks,
      int[] triangles,
      float[] middle,
      float[] octants) {
    this.mesh = mesh;
    this.lanes = lanes(tree.width);
    this.tree = tree;
    this.blocks = blocks;
    this.triangles = triangles;
    this.middle = middle;
    this.octants = octants;
  }

  private static int lanes(int width) {
    return width == 2 ? 1 : width;
  }

  /**
   * Builds the hierarchy of a mesh of at least one triangle.
   *
   * @param width children a node: 2 for the plain walk, else the lanes of the machine
   * @param done told how many triangles have found their place, from any thread
   */
  static MeshHierarchy of(Triangles mesh, int width, IntConsumer done) {
    int lanes = lanes(width);
    float[] middle = new float[3];
    float reach = middle(mesh, middle);
    int[] records = records(mesh, middle);
    float[] octants = octants(records, mesh.count(), reach * 1e-6f);
    BoxTree.Costs costs = new BoxTree.Costs(lanes == 1 ? 1 : 0.25f, lanes, 4 * lanes);
    BoxTree tree = BoxTree.of(records, mesh.count(), costs, done);
    Leaves leaves = new Leaves(lanes);
    WideTree wide = WideTree.of(tree, width, reach * 1e-6f, leaves);
    float[] blocks = new float[at(leaves.blocks, lanes)];
    int[] triangles = new int[lanes * leaves.blocks];
    IntStream.range(0, leaves.count)
        .parallel()
        .forEach(i -> {
          double[] scratch = new double[12];
          int from = leaves.list[3 * i], many = leaves.list[3 * i + 1];
          for (int k = 0; k < many; k++) {
            int place = leaves.list[3 * i + 2] * lanes + k;
            triangles[place] = records[BoxTree.RECORD * (from + k) + 6];
            planes(mesh, triangles[place], middle, reach, scratch);
            int at = at(place / lanes, lanes) + place % lanes;
            for (int row = 0; row < ROWS; row++) {
              blocks[at + row * lanes] = (float) scratch[row];
            }
          }
        });
    return new MeshHierarchy(mesh, wide, blocks, triangles, middle, octants);
  }

  /** Bytes held beside the mesh itself. */
  long bytes() {
    return 4L * (tree.nodes.length + blocks.length + triangles.length);
  }

  /** Number of the first block of a leaf's number. */
  static int block(int leaf) {
    return leaf >>> 3;
  }

  /** Offset of a block's first row. */
  static int at(int block, int lanes) {
    return FIRST + block * ROWS * lanes;
  }

  /** How many blocks a leaf's number stands for. */
  static int many(int leaf) {
    return leaf & 7;
  }

  /** Gives blocks to leaves in the order of the walk: first record, how many, first block. */
  private static final class Leaves implements WideTree.Leaves {
    private final int lanes;
    private int[] list = new int[192];
    private int count;
    private int blocks;

    Leaves(int lanes) {
      this.lanes = lanes;
    }

    @Override
    public int number(int first, int many) {
      if (3 * count + 3 > list.length) {
        list = Arrays.copyOf(list, 2 * list.length);
      }
      list[3 * count] = first;
      list[3 * count + 1] = many;
      list[3 * count++ + 2] = blocks;
      int own = (many + lanes - 1) / lanes;
      if (own > MOST_BLOCKS) {
        throw new IllegalStateException("a leaf of " + many + " triangles");
      }
      int number = blocks << 3 | own;
      blocks += own;
      return number;
    }
  }

  /** Writes the middle of the box and gives the farthest coordinate from it. */
  private static float middle(Triangles mesh, float[] to) {
    float[] p = mesh.positions();
    float reach = 0;
    for (int k = 0; k < 3; k++) {
      float least = Float.MAX_VALUE, most = -Float.MAX_VALUE;
      for (int i = 0; i < mesh.corners(); i++) {
        float v = p[3 * i + k];
        least = v < least ? v : least;
        most = v > most ? v : most;
      }
      to[k] = 0.5f * (least + most);
      reach = Math.max(reach, most - to[k]);
    }
    return reach;
  }

  private static int[] records(Triangles mesh, float[] middle) {
    int count = mesh.count();
    int[] records = new int[BoxTree.RECORD * count];
    float[] p = mesh.positions();
    int[] index = mesh.indices();
    int chunk = 1 << 14;
    IntStream.range(0, (count + chunk - 1) / chunk)
        .parallel()
        .forEach(c -> {
          for (int i = c * chunk; i < Math.min(count, (c + 1) * chunk); i++) {
            int at = BoxTree.RECORD * i;
            int p0 = 3 * index[3 * i], p1 = 3 * index[3 * i + 1], p2 = 3 * index[3 * i + 2];
            for (int k = 0; k < 3; k++) {
              int x = BoxTree.ordered(p[p0 + k] - middle[k]);
              int y = BoxTree.ordered(p[p1 + k] - middle[k]);
              int z = BoxTree.ordered(p[p2 + k] - middle[k]);
              records[at + k] = Math.min(x, Math.min(y, z));
              records[at + 3 + k] = Math.max(x, Math.max(y, z));
            }
            records[at + 6] = i;
          }
        });
    return records;
  }

  private static float[] octants(int[] records, int count, float pad) {
    int[] box = new int[48];
    for (int i = 0; i < 48; i++) {
      box[i] = i % 6 < 3 ? Integer.MAX_VALUE : Integer.MIN_VALUE;
    }
    for (int i = 0; i < count; i++) {
      int at = BoxTree.RECORD * i, octant = 0;
      for (int k = 0; k < 3; k++) {
        if (BoxTree.value(records[at + k]) + BoxTree.value(records[at + 3 + k]) > 0) {
          octant |= 1 << k;
        }
      }
      for (int k = 0; k < 3; k++) {
        int least = 6 * octant + k;
        box[least] = Math.min(box[least], records[at + k]);
        box[least + 3] = Math.max(box[least + 3], records[at + 3 + k]);
      }
    }
    float[] to = new float[48];
    for (int i = 0; i < 48; i++) {
      boolean empty = box[i / 6 * 6] == Integer.MAX_VALUE;
      float side = i % 6 < 3 ? -1 : 1;
      to[i] = empty ? -side : BoxTree.value(box[i]) + side * pad;
    }
    return to;
  }

  /** The three planes of a triangle; all zero, which no ray hits, for one without area. */
  private static void planes(
      Triangles mesh, int triangle, float[] middle, float reach, double[] to) {
    float[] p = mesh.positions();
    int[] index = mesh.indices();
    int a = 3 * index[3 * triangle], b = 3 * index[3 * triangle + 1];
    int c = 3 * index[3 * triangle + 2];
    double ax = (double) p[a] - middle[0];
    double ay = (double) p[a + 1] - middle[1];
    double az = (double) p[a + 2] - middle[2];
    double bx = (double) p[b] - p[a], by = (double) p[b + 1] - p[a + 1];
    double bz = (double) p[b + 2] - p[a + 2];
    double cx = (double) p[c] - p[a], cy = (double) p[c + 1] - p[a + 1];
    double cz = (double) p[c + 2] - p[a + 2];
    double nx = by * cz - bz * cy, ny = bz * cx - bx * cz, nz = bx * cy - by * cx;
    double n2 = nx * nx + ny * ny + nz * nz;
    if (!(n2 > 0)) {
      Arrays.fill(to, 0);
      return;
    }
    // The weight of a corner grows across the triangle's plane from the edge that faces it.
    plane(to, 0, (cy * nz - cz * ny) / n2, (cz * nx - cx * nz) / n2, (cx * ny - cy * nx) / n2);
    plane(to, 4, (ny * bz - nz * by) / n2, (nz * bx - nx * bz) / n2, (nx * by - ny * bx) / n2);
    double l = 1 / Math.sqrt(n2);
    plane(to, 8, nx * l, ny * l, nz * l);
    to[3] = -(to[0] * ax + to[1] * ay + to[2] * az);
    to[7] = -(to[4] * ax + to[5] * ay + to[6] * az);
    to[11] = -(to[8] * ax + to[9] * ay + to[10] * az);
    double lost = 0;
    for (int row = 0; row < 8; row += 4) {
      double across = Math.abs(to[row]) + Math.abs(to[row + 1]) + Math.abs(to[row + 2]);
      lost = Math.max(lost, ROUNDINGS * across * reach);
    }
    double wider = Math.min(0.05, 1e-6 + lost);
    double scale = 1 / (1 + 3 * wider);
    for (int row = 0; row < 8; row++) {
      to[row] = (to[row] + ((row & 3) == 3 ? wider : 0)) * scale;
    }
  }

  private static void plane(double[] to, int at, double x, double y, double z) {
    to[at] = x;
    to[at + 1] = y;
    to[at + 2] = z;
  }
}
