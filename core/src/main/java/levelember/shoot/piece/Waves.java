package levelember.shoot.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.RecordFields;

/** Waves of open water, of many lengths and directions about their own. */
@RecordBuilder
public record Waves(
    @Field(
            meaning = "mean height of the highest third of the waves, crest to trough",
            name = "waveHeight",
            defaultValue = "0.01",
            min = 0,
            max = 100,
            unit = "m")
        double height,
    @Field(
            meaning = "length of the longest usual waves",
            name = "waveLength",
            defaultValue = "0.2",
            min = 0.001,
            max = 1000,
            unit = "m")
        double length,
    @Field(
            meaning = "heading that they run to, from +X towards −Z",
            defaultValue = "0",
            min = -36_000,
            max = 36_000,
            unit = "°")
        double headingDegrees,
    @Field(
            meaning = "0 round crests … 1 as sharp as the water's surface may be without folding",
            defaultValue = "0",
            min = 0,
            max = 1)
        double choppiness,
    @Field(
            meaning = "factor on how fast they run, 1 as gravity and surface tension have it",
            name = "waveSpeed",
            defaultValue = "1",
            min = 0,
            max = 100)
        double speed,
    @Field(meaning = "another sea of the same kind", defaultValue = "1", min = 0, max = 1_000_000)
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
