package levelember.scene;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;
import levelember.light.LightSource;

/**
 * A tree over the lights of a rig that have a place: one is drawn by what it may give to a point,
 * and those that a ray may meet are found without trying all.
 *
 * <p>Drawing goes down by importance, power over squared distance bounded by the nodes' boxes
 * (Conty Estévez and Kulla 2018); at the leaves by {@link LightSource#importance}, both times how
 * bright the light is set. Immutable.
 */
public final class RigTree {
  private static final int BOX = 6;

  /**
   * Share of the strongest light that all lights together count for at least, each with the same
   * part: what is dim may be turned up by its fader, and what was traced of it is kept.
   */
  private static final float LEAST_SHARE = 1 / 16f;

  private final LightSource[] lights;

  /** How bright each light is taken to be, over its unit. */
  private final float[] brightness;

  /** Six floats a node: its box. */
  private final float[] boxes;

  private final float[] powers;

  /** Right child, or minus one less the light of a leaf; the left child follows its parent. */
  private final int[] right;

  private final int[] parent;
  private final int[] leafOf;
  private int used;

  /** The light drawn last, and the chance with which it was drawn. */
  public static final class Sample {
    public int light;
    public float chance;
  }

  /**
   * Builds the tree.
   *
   * @param brightness how bright each light is set, over the unit value that it is traced at
   */
  public RigTree(LightSource[] lights, float[] brightness) {
    this.lights = lights;
    float[][] own = new float[lights.length][BOX];
    Integer[] placed =
        IntStream.range(0, lights.length)
            .filter(k -> lights[k].box(own[k]))
            .boxed()
            .toArray(Integer[]::new);
    int nodes = Math.max(0, 2 * placed.length - 1);
    boxes = new float[BOX * nodes];
    powers = new float[nodes];
    right = new int[nodes];
    parent = new int[nodes];
    leafOf = new int[lights.length];
    Arrays.fill(leafOf, -1);
    this.brightness = new float[lights.length];
    float[] unit = new float[lights.length];
    float strongest = 0;
    for (int k : placed) {
      unit[k] = intensity(k, own[k]);
      strongest = Math.max(strongest, unit[k] * brightness[k]);
    }
    for (int k : placed) {
      float least = unit[k] > 0 ? LEAST_SHARE / placed.length * strongest / unit[k] : 0;
      this.brightness[k] = strongest > 0 ? Math.max(least, brightness[k]) : 1;
    }
    if (placed.length > 0) {
      build(placed, 0, placed.length, own, -1);
    }
  }

  private int build(Integer[] order, int from, int to, float[][] own, int above) {
    int node = used++;
    parent[node] = above;
    int at = BOX * node;
    for (int k = 0; k < 3; k++) {
      boxes[at + k] = Float.POSITIVE_INFINITY;
      boxes[at + 3 + k] = Float.NEGATIVE_INFINITY;
    }
    for (int i = from; i < to; i++) {
      float[] box = own[order[i]];
      for (int k = 0; k < 3; k++) {
        boxes[at + k] = Math.min(boxes[at + k], box[k]);
        boxes[at + 3 + k] = Math.max(boxes[at + 3 + k], box[3 + k]);
      }
      powers[node] += brightness[order[i]] * intensity(order[i], box);
    }
    if (to - from == 1) {
      right[node] = -1 - order[from];
      leafOf[order[from]] = node;
      return node;
    }
    int axis = 0;
    for (int k = 1; k < 3; k++) {
      if (boxes[at + 3 + k] - boxes[at + k] > boxes[at + 3 + axis] - boxes[at + axis]) {
        axis = k;
      }
    }
    int along = axis;
    Arrays.sort(
        order, from, to, Comparator.comparingDouble(l -> own[l][along] + own[l][3 + along]));
    int middle = (from + to) >>> 1;
    build(order, from, middle, own, node);
    right[node] = build(order, middle, to, own, node);
    return node;
  }

  /** What a light at unit value gives at a metre from it, at most. */
  private float intensity(int light, float[] box) {
    float x = (box[0] + box[3]) / 2, y = (box[1] + box[4]) / 2, z = (box[2] + box[5]) / 2;
    float most = 0;
    for (int k = 0; k < 6; k++) {
      float s = k % 2 == 0 ? 1 : -1;
      most =
          Math.max(
              most,
              lights[light].importance(
                  x + (k / 2 == 0 ? s : 0), y + (k / 2 == 1 ? s : 0), z + (k / 2 == 2 ? s : 0)));
    }
    return most;
  }

  /** True when no light has a place. */
  public boolean empty() {
    return used == 0;
  }

  /** Whether a light is in the tree. */
  public boolean has(int light) {
    return leafOf[light] >= 0;
  }

  private float importance(int node, float px, float py, float pz) {
    int light = -1 - right[node];
    int at = BOX * node;
    float x = 0.5f * (boxes[at] + boxes[at + 3]) - px;
    float y = 0.5f * (boxes[at + 1] + boxes[at + 4]) - py;
    float z = 0.5f * (boxes[at + 2] + boxes[at + 5]) - pz;
    float ex = boxes[at + 3] - boxes[at], ey = boxes[at + 4] - boxes[at + 1];
    float ez = boxes[at + 5] - boxes[at + 2];
    float near = 0.25f * (ex * ex + ey * ey + ez * ez) + 1e-6f;
    float d2 = x * x + y * y + z * z;
    return light >= 0
        ? brightness[light] * lights[light].importance(px, py, pz)
        : powers[node] / Math.max(d2, near);
  }

  /** The chance of the left child of a node, never quite 0 or 1. */
  private float left(int node, float px, float py, float pz) {
    float a = importance(node + 1, px, py, pz);
    float b = importance(right[node], px, py, pz);
    float sum = a + b;
    float part = sum > 0 ? a / sum : 0.5f;
    return part < 0.01f ? 0.01f : part > 0.99f ? 0.99f : part;
  }

  /**
   * Draws a light for a point.
   *
   * @param u in [0, 1)
   */
  public void sample(float px, float py, float pz, float u, Sample to) {
    int node = 0;
    float chance = 1, rest = u;
    while (right[node] >= 0) {
      float part = left(node, px, py, pz);
      if (rest < part) {
        rest /= part;
        chance *= part;
        node++;
      } else {
        rest = (rest - part) / (1 - part);
        chance *= 1 - part;
        node = right[node];
      }
      rest = rest < 0.9999999f ? rest : 0.9999999f;
    }
    to.light = -1 - right[node];
    to.chance = chance;
  }

  /** The chance with which {@link #sample} draws a light. */
  public float chance(int light, float px, float py, float pz) {
    float chance = 1;
    for (int node = leafOf[light]; parent[node] >= 0; node = parent[node]) {
      float part = left(parent[node], px, py, pz);
      chance *= node == parent[node] + 1 ? part : 1 - part;
    }
    return chance;
  }

  /**
   * Finds the lights whose boxes a ray meets up to a distance.
   *
   * @param found gets their numbers; as long as there are lights
   * @return how many
   */
  public int along(
      float ox, float oy, float oz, float dx, float dy, float dz, float far, int[] found) {
    if (used == 0) {
      return 0;
    }
    float ix = 1 / dx, iy = 1 / dy, iz = 1 / dz;
    int count = 0, node = 0;
    while (node >= 0) {
      if (hit(BOX * node, ox, oy, oz, ix, iy, iz, far)) {
        if (right[node] >= 0) {
          node++;
          continue;
        }
        found[count++] = -1 - right[node];
      }
      // On to the next branch: up until a left child, then over to its sibling.
      while (parent[node] >= 0 && node != parent[node] + 1) {
        node = parent[node];
      }
      node = parent[node] < 0 ? -1 : right[parent[node]];
    }
    return count;
  }

  private boolean hit(
      int at, float ox, float oy, float oz, float ix, float iy, float iz, float far) {
    float ax = (boxes[at] - ox) * ix, bx = (boxes[at + 3] - ox) * ix;
    float ay = (boxes[at + 1] - oy) * iy, by = (boxes[at + 4] - oy) * iy;
    float az = (boxes[at + 2] - oz) * iz, bz = (boxes[at + 5] - oz) * iz;
    float near = Math.max(Math.max(Math.min(ax, bx), Math.min(ay, by)), Math.min(az, bz));
    float end = Math.min(Math.min(Math.max(ax, bx), Math.max(ay, by)), Math.max(az, bz));
    // Flat boxes and rays along an axis give numbers that are none: these are let through.
    return !(near > end * 1.00001f + 1e-6f) && !(end < 0) && !(near > far);
  }
}
