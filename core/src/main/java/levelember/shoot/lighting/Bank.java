package levelember.shoot.lighting;

import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/** Several lights that share a fader, mute and colour trim. */
public record Bank(
    @Field(meaning = "unique among banks", text = Field.Text.ID) String id,
    @Field(meaning = "as the artist reads it", defaultValue = "@id") String name,
    @Field(
            meaning = "fader over its lights",
            defaultValue = "0",
            min = -10,
            max = 10,
            unit = "stops")
        double levelStops,
    @Field(
            meaning = "linear colour that multiplies its lights' own",
            defaultValue = "[1, 1, 1]",
            min = 0,
            max = 1)
        Rgb filter,
    @Field(meaning = "its lights give nothing", defaultValue = "false") boolean muted,
    @Field(
            meaning = "when any light or bank is soloed, only those that are give light",
            defaultValue = "false")
        boolean solo) {
  public Bank {
    RecordFields.check(Bank.class, id, name, levelStops, filter, muted, solo);
  }
}
