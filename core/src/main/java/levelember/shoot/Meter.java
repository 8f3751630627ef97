package levelember.shoot;

import java.util.List;
import java.util.Optional;
import levelember.document.Checks;
import levelember.document.Field;
import levelember.document.RecordFields;

/** What is measured of the light, and wanted of it. Nothing of it changes the picture. */
public record Meter(
    @Field(meaning = "points that are read", defaultValue = "[]", maxEntries = Meter.MOST)
        List<Pin> pins,
    @Field(
            meaning = "readings that are wanted of them; of pins that are gone they say nothing",
            defaultValue = "[]",
            maxEntries = Meter.MOST)
        List<Target> targets,
    @Field(
            meaning =
                "faders that may move to meet the targets; when empty, those of all "
                    + "lights that are not muted, by three stops",
            defaultValue = "[]",
            maxEntries = Meter.MOST)
        List<FaderRange> faders,
    @Field(
            meaning = "whether few faders should move far, and not many a little",
            defaultValue = "false")
        boolean fewFaders,
    @Field(meaning = "findings that are not shown", defaultValue = "[]", maxEntries = Meter.MOST)
        List<Silenced> silenced) {
  /** Nothing is measured. */
  public static final Meter NONE = new Meter(List.of(), List.of(), List.of(), false, List.of());

  private static final int MOST = 200;

  public Meter {
    RecordFields.check(Meter.class, pins, targets, faders, fewFaders, silenced);
    pins = List.copyOf(pins);
    targets = List.copyOf(targets);
    faders = List.copyOf(faders);
    silenced = List.copyOf(silenced);
    Checks.uniqueIds("pins", pins, Pin::id);
    Checks.uniqueIds("targets", targets, Target::id);
    Checks.uniqueIds("faders", faders, FaderRange::place);
  }

  /** The pin of an id. */
  public Optional<Pin> pin(String id) {
    return pins.stream().filter(p -> p.id().equals(id)).findFirst();
  }

  /** The same with other pins. */
  public Meter withPins(List<Pin> others) {
    return new Meter(others, targets, faders, fewFaders, silenced);
  }

  /** The same with other targets. */
  public Meter withTargets(List<Target> others) {
    return new Meter(pins, others, faders, fewFaders, silenced);
  }

  /** The same with other faders that may move. */
  public Meter withFaders(List<FaderRange> others, boolean few) {
    return new Meter(pins, targets, others, few, silenced);
  }

  /** The same with other findings silenced. */
  public Meter withSilenced(List<Silenced> others) {
    return new Meter(pins, targets, faders, fewFaders, others);
  }
}
