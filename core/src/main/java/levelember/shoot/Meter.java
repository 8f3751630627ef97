package levelember.shoot;

import java.util.List;
import java.util.Optional;

/**
 * What is measured of the light, and wanted of it. Nothing of it changes the picture.
 *
 * @param pins places that are read
 * @param targets readings that are wanted of them; of pins that are gone they say nothing
 * @param faders that may move to meet the targets; when empty, those of all lights that are not
 *     muted, by {@link FaderRange#usual}
 * @param fewFaders whether few faders should move far, and not many a little
 * @param silenced findings that are not shown
 */
public record Meter(
    List<Pin> pins,
    List<Target> targets,
    List<FaderRange> faders,
    boolean fewFaders,
    List<Silenced> silenced) {
  /** Nothing is measured. */
  public static final Meter NONE = new Meter(List.of(), List.of(), List.of(), false, List.of());

  private static final int MOST = 200;

  public Meter {
    pins = checked("pins", pins);
    targets = checked("targets", targets);
    faders = checked("faders", faders);
    silenced = checked("silenced", silenced);
    Checks.uniqueIds("pins", pins, Pin::id);
    Checks.uniqueIds("targets", targets, Target::id);
    Checks.uniqueIds("faders", faders, FaderRange::place);
  }

  private static <T> List<T> checked(String field, List<T> list) {
    if (list.size() > MOST) {
      throw new ImpossibleValue(field, list.size() + " entries", "at most " + MOST + " entries");
    }
    return List.copyOf(list);
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
