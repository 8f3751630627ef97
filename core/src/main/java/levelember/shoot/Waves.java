package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.RecordFields;

/** Waves of open water, of many lengths and directions about their own. */
@RecordBuilder
public record Waves(
    @Field(
            says = "mean height of the highest third of the waves, crest to trough",
            name = "waveHeight",
            usual = "0.01",
            least = 0,
            most = 100,
            unit = "m")
        double height,
    @Field(
            says = "length of the longest usual waves",
            name = "waveLength",
            usual = "0.2",
            least = 0.001,
            most = 1000,
            unit = "m")
        double length,
    @Field(
            says = "heading that they run to, from +X towards −Z",
            usual = "0",
            least = -36_000,
            most = 36_000,
            unit = "°")
        double headingDegrees,
    @Field(
            says = "0 round crests … 1 as sharp as the water's surface may be without folding",
            usual = "0",
            least = 0,
            most = 1)
        double choppiness,
    @Field(
            says = "factor on how fast they run, 1 as gravity and surface tension have it",
            name = "waveSpeed",
            usual = "1",
            least = 0,
            most = 100)
        double speed,
    @Field(says = "another sea of the same kind", usual = "1", least = 0, most = 1_000_000)
        int seed)
    implements WavesBuilder.With {
  public Waves {
    RecordFields.check(Waves.class, height, length, headingDegrees, choppiness, speed, seed);
  }

  /** Round waves that run as they do. */
  public static Waves round(double height, double length, double headingDegrees, int seed) {
    return new Waves(height, length, headingDegrees, 0, 1, seed);
  }
}
