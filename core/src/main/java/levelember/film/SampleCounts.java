package levelember.film;

/** How many samples a pixel of every tile of every layer has. */
final class SampleCounts {
  private final int[][] counts;

  SampleCounts(int layers) {
    counts = new int[layers][];
  }

  void put(int layer, int[] byTile) {
    counts[layer] = byTile;
  }

  int[] of(int layer) {
    return counts[layer];
  }

  int least(int tile) {
    int least = Integer.MAX_VALUE;
    for (int[] layer : counts) {
      least = Math.min(least, layer[tile]);
    }
    return least == Integer.MAX_VALUE ? 0 : least;
  }

  /** Least of any layer in any tile; 0 without layers. */
  int least() {
    int least = Integer.MAX_VALUE;
    for (int tile = 0; tile < tiles(); tile++) {
      least = Math.min(least, least(tile));
    }
    return least == Integer.MAX_VALUE ? 0 : least;
  }

  /** The least of all layers, on the mean over tiles; 0 without layers. */
  double mean() {
    double sum = 0;
    for (int tile = 0; tile < tiles(); tile++) {
      sum += least(tile);
    }
    return tiles() == 0 ? 0 : sum / tiles();
  }

  private int tiles() {
    return counts.length == 0 ? 0 : counts[0].length;
  }

  int most(int tile) {
    int most = 0;
    for (int[] layer : counts) {
      most = Math.max(most, layer[tile]);
    }
    return most;
  }

  /** Least of a layer over some tiles. */
  int least(int layer, int firstTile, int lastTile) {
    int least = Integer.MAX_VALUE;
    for (int i = firstTile; i <= lastTile; i++) {
      least = Math.min(least, counts[layer][i]);
    }
    return least;
  }

  /** True when every tile has a sample of a layer. */
  boolean whole(int layer) {
    for (int n : counts[layer]) {
      if (n == 0) {
        return false;
      }
    }
    return true;
  }

  /** Of a layer, on the mean over tiles. */
  double mean(int layer) {
    double sum = 0;
    for (int n : counts[layer]) {
      sum += n;
    }
    return sum / counts[layer].length;
  }
}
