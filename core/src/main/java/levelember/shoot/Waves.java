package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * Waves of open water, of many lengths and directions about their own.
 *
 * @param height mean of the highest third of the waves, crest to trough, metres
 * @param length of the longest usual waves, metres
 * @param headingDegrees that they run to, from +X towards −Z
 * @param choppiness 0 round crests … 1 as sharp as the water's surface may be without folding
 * @param speed factor on how fast they run, 1 as gravity and surface tension have it
 * @param seed another sea of the same kind
 */
@RecordBuilder
public record Waves(
    double height, double length, double headingDegrees, double choppiness, double speed, int seed)
    implements WavesBuilder.With {
  public Waves {
    Checks.range("waveHeight", height, 0, 100);
    Checks.range("waveLength", length, 0.001, 1000);
    Checks.range("headingDegrees", headingDegrees, -36_000, 36_000);
    Checks.range("choppiness", choppiness, 0, 1);
    Checks.range("waveSpeed", speed, 0, 100);
    Checks.range("seed", seed, 0, 1_000_000);
  }

  /** Round waves that run as they do. */
  public static Waves round(double height, double length, double headingDegrees, int seed) {
    return new Waves(height, length, headingDegrees, 0, 1, seed);
  }
}
