package levelember.surface;

/**
 * Directional albedo by the cosine of the direction, in even steps of the cosine's root, where
 * albedos bend most; linear between.
 */
final class AlbedoTable {
  private static final int STEPS = 64;

  /** Albedo of a direction by its cosine, 0…1. */
  interface Function {
    float at(float cos);
  }

  /** How many entries a table has. */
  static final int ENTRIES = STEPS + 1;

  /** An albedo from the entry's number, its cosine, and another albedo there. */
  interface Entry {
    float of(int entry, float cos, float other);
  }

  private final float[] values = new float[STEPS + 1];

  private AlbedoTable() {}

  static AlbedoTable of(Function albedo) {
    AlbedoTable to = new AlbedoTable();
    for (int i = 0; i <= STEPS; i++) {
      float root = i / (float) STEPS;
      to.values[i] = albedo.at(root * root);
    }
    return to;
  }

  /** A table from the entries of this one. */
  AlbedoTable from(Entry entry) {
    AlbedoTable to = new AlbedoTable();
    for (int i = 0; i <= STEPS; i++) {
      float root = i / (float) STEPS;
      to.values[i] = entry.of(i, root * root, values[i]);
    }
    return to;
  }

  float entry(int i) {
    return values[i];
  }

  float at(float cos) {
    float x = (float) Math.sqrt(cos) * STEPS;
    int i = Math.min((int) x, STEPS - 1);
    return values[i] + (x - i) * (values[i + 1] - values[i]);
  }

  /** Albedo in even light from everywhere: the mean over the hemisphere, weighted by the cosine. */
  float mean() {
    double mean = 0;
    int fine = 1024;
    for (int i = 0; i < fine; i++) {
      float cos = (i + 0.5f) / fine;
      mean += 2 * cos * at(cos) / fine;
    }
    return (float) mean;
  }
}
