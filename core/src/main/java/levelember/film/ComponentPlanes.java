package levelember.film;

import java.util.EnumSet;
import java.util.Set;

/**
 * For every layer a plane of sums for each {@link Component} that is kept: three floats a pixel.
 */
final class ComponentPlanes {
  private final EnumSet<Component> kept;
  private final float[][][] planes;
  private final int pixels;

  ComponentPlanes(Set<Component> kept, int layers, TileGrid grid) {
    this.kept = EnumSet.copyOf(kept);
    pixels = grid.pixels();
    planes = new float[layers][Component.values().length][];
    for (int k = 0; k < layers; k++) {
      clear(k);
    }
  }

  void clear(int layer) {
    for (Component c : kept) {
      planes[layer][c.ordinal()] = new float[3 * pixels];
    }
  }

  Set<Component> kept() {
    return kept;
  }

  float[] sums(int layer, Component component) {
    return planes[layer][component.ordinal()];
  }

  void put(int layer, Component component, float[] sums) {
    planes[layer][component.ordinal()] = sums;
  }

  void add(int layer, Component component, int pixel, float r, float g, float b) {
    float[] to = planes[layer][component.ordinal()];
    if (to != null) {
      int at = 3 * pixel;
      to[at] += r;
      to[at + 1] += g;
      to[at + 2] += b;
    }
  }

  void take(ComponentPlanes other, int layer, int tile, TileGrid grid) {
    for (Component c : kept) {
      grid.copy(tile, 3, other.sums(layer, c), sums(layer, c));
    }
  }

  /** Planes of other layers, sharing those that stay; see {@link Film#withLayers}. */
  ComponentPlanes withLayers(int[] from, TileGrid grid) {
    ComponentPlanes next = new ComponentPlanes(kept, from.length, grid);
    for (int k = 0; k < from.length; k++) {
      if (from[k] >= 0) {
        next.planes[k] = planes[from[k]];
      }
    }
    return next;
  }

  long bytes() {
    return 12L * pixels * kept.size() * planes.length;
  }
}
