package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** Several lights that share a fader, mute and colour trim. */
public record Bank(
    @Field(says = "unique among banks", text = Field.Text.ID) String id,
    @Field(says = "as the artist reads it", usual = "@id") String name,
    @Field(says = "fader over its lights", usual = "0", least = -10, most = 10, unit = "stops")
        double levelStops,
    @Field(
            says = "linear colour that multiplies its lights' own",
            usual = "[1, 1, 1]",
            least = 0,
            most = 1)
        Rgb filter,
    @Field(says = "its lights give nothing", usual = "false") boolean muted,
    @Field(
            says = "when any light or bank is soloed, only those that are give light",
            usual = "false")
        boolean solo) {
  public Bank {
    RecordFields.check(Bank.class, id, name, levelStops, filter, muted, solo);
  }
}
