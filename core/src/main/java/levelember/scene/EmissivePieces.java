package levelember.scene;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import levelember.geometry.SetGeometry;
import levelember.light.EmissiveLight;
import levelember.light.LightSource;
import levelember.shoot.piece.Piece;
import levelember.trace.Hierarchy;

/**
 * Which pieces give whose light: from a triangle of the set to that of an {@link EmissiveLight} and
 * back. Immutable.
 */
public final class EmissivePieces {
  /** For every piece the layer of its light, or −1. */
  private final int[] layer;

  /** For every place of the set, where its triangles begin among those of its light. */
  private final int[] first;

  /** For every place whether its map mirrors, which swaps two corners of the light's triangles. */
  private final boolean[] mirrored;

  /** For every light the places of its pieces, in the order of its triangles. */
  private final int[][] places;

  private final int[] pieceOf;
  private final int[] instanceOf;

  EmissivePieces(List<Piece> pieces, SetGeometry set, Hierarchy hierarchy, LightSource[] lights) {
    layer = new int[pieces.size()];
    Arrays.setAll(layer, i -> layer(lights, pieces.get(i).material()));
    int n = set.placed().size();
    first = new int[n];
    mirrored = new boolean[n];
    pieceOf = new int[n];
    instanceOf = new int[n];
    for (int i = 0; i < hierarchy.instances(); i++) {
      instanceOf[hierarchy.placed(i)] = i;
    }
    int[] used = new int[lights.length];
    List<List<Integer>> byLight = new ArrayList<>();
    for (int k = 0; k < lights.length; k++) {
      byLight.add(new ArrayList<>());
    }
    for (int i = 0; i < n; i++) {
      SetGeometry.Placed p = set.placed().get(i);
      pieceOf[i] = p.piece();
      mirrored[i] = p.map().determinant() < 0;
      int k = layer[p.piece()];
      if (k >= 0) {
        first[i] = used[k];
        used[k] += p.mesh().count();
        byLight.get(k).add(i);
      }
    }
    places = new int[lights.length][];
    Arrays.setAll(places, k -> byLight.get(k).stream().mapToInt(Integer::intValue).toArray());
  }

  /** Of several lights of one material the first has its pieces. */
  private static int layer(LightSource[] lights, String material) {
    for (int k = 0; k < lights.length; k++) {
      if (lights[k] instanceof EmissiveLight e && e.material().equals(material)) {
        return k;
      }
    }
    return -1;
  }

  /** The layer of a piece's light, or −1. */
  public int layer(int piece) {
    return layer[piece];
  }

  /** Number of a light's triangle. */
  public int triangle(int place, int triangleOfMesh) {
    return first[place] + triangleOfMesh;
  }

  /** Weight of the third corner of a triangle, as its light counts corners, and back. */
  public float third(int place, float second, float third) {
    return mirrored[place] ? 1 - second - third : third;
  }

  /** The place in the set of a light's triangle. */
  public int place(int light, int triangle) {
    int[] own = places[light];
    int low = 0, high = own.length - 1;
    while (low < high) {
      int middle = (low + high + 1) >>> 1;
      if (first[own[middle]] <= triangle) {
        low = middle;
      } else {
        high = middle - 1;
      }
    }
    return own[low];
  }

  public int piece(int place) {
    return pieceOf[place];
  }

  public int instance(int place) {
    return instanceOf[place];
  }

  public int triangleOfMesh(int place, int triangle) {
    return triangle - first[place];
  }
}
