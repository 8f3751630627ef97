package levelember.shoot;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import levelember.math.Vec3;

/**
 * A value within an entry of a shoot, found by the names that the shoot document has for it: {@code
 * levelStops} or {@code colour/kelvin} of a light. Entries of lists go by their place in the list.
 */
final class Place {
  /** Fields of the document that stand deeper in the model. */
  private static final Map<Class<?>, Map<String, String>> DEEPER =
      Map.of(
          Light.class,
          Map.ofEntries(
              Map.entry("diffuse", "reach/diffuse"),
              Map.entry("specular", "reach/specular"),
              Map.entry("shadowDensity", "reach/shadowDensity"),
              Map.entry("shadowColour", "reach/shadowColour"),
              Map.entry("fadesAtMetres", "reach/fadesAtMetres"),
              Map.entry("castsCaustics", "reach/caustics/cast"),
              Map.entry("causticLevel", "reach/caustics/level"),
              Map.entry("causticSoftnessMillimetres", "reach/caustics/softnessMillimetres"),
              Map.entry("causticSoftnessShare", "reach/caustics/softnessShare"),
              Map.entry("causticFadesAtMetres", "reach/caustics/fadesAtMetres")),
          Material.class,
          Map.of(
              "transmission", "glass/transmission",
              "tint", "glass/tint",
              "tintDepth", "glass/tintDepth",
              "thin", "glass/thin",
              "abbe", "glass/abbe",
              "priority", "glass/priority"),
          Shape.Water.class,
          Map.of(
              "waveHeight", "waves/height",
              "waveLength", "waves/length",
              "headingDegrees", "waves/headingDegrees",
              "choppiness", "waves/choppiness",
              "waveSpeed", "waves/speed",
              "seed", "waves/seed",
              "ripples", "rings"),
          Look.class,
          Map.of(
              "ev", "exposure/ev",
              "curve", "tone/curve",
              "shoulderStart", "tone/shoulderStart",
              "highlightRangeStops", "tone/highlightRangeStops",
              "highlightDesaturation", "tone/highlightDesaturation",
              "blackPoint", "tone/blackPoint",
              "contrast", "tone/contrast",
              "saturation", "tone/saturation"),
          Bounce.class,
          Map.of(
              "mirrorBounces", "mirrors/most",
              "mirrorEnd", "mirrors/end",
              "mirrorColour", "mirrors/colour"));

  private Place() {}

  /** What may be put at a place. */
  enum Kind {
    NUMBER(1),
    TRIPLE(3),
    SWITCH(1),
    CHOICE(0);

    /** Numbers of its value. */
    final int numbers;

    Kind(int numbers) {
      this.numbers = numbers;
    }
  }

  /** The kind of a place of an entry; null where there is nothing that can be keyed. */
  static Kind kind(Object entry, String way) {
    return switch (at(entry, way)) {
      case Double d -> Kind.NUMBER;
      case Integer i -> Kind.NUMBER;
      case Boolean b -> Kind.SWITCH;
      case Enum<?> e -> Kind.CHOICE;
      case Vec3 v -> Kind.TRIPLE;
      case Rgb c -> Kind.TRIPLE;
      case null, default -> null;
    };
  }

  /** The numbers of a place, one or three; 0 or 1 of a switch; none of a choice. */
  static double[] numbers(Object entry, String way) {
    return switch (at(entry, way)) {
      case Double d -> new double[] {d};
      case Integer i -> new double[] {i};
      case Boolean b -> new double[] {b ? 1 : 0};
      case Vec3 v -> new double[] {v.x(), v.y(), v.z()};
      case Rgb c -> new double[] {c.r(), c.g(), c.b()};
      case null, default -> new double[0];
    };
  }

  /** The name of a choice at a place; null for all else. */
  static String choice(Object entry, String way) {
    return at(entry, way) instanceof Enum<?> e ? e.name().toLowerCase(Locale.ROOT) : null;
  }

  private static Object at(Object entry, String way) {
    Object value = entry;
    for (String step : steps(entry, way)) {
      value = value == null ? null : inner(value, step);
    }
    return value;
  }

  private static Object inner(Object of, String step) {
    if (of instanceof List<?> list) {
      int i = step.matches("\\d{1,6}") ? Integer.parseInt(step) : -1;
      return i >= 0 && i < list.size() ? list.get(i) : null;
    }
    if (!(of instanceof Record)) {
      return null;
    }
    for (RecordComponent c : of.getClass().getRecordComponents()) {
      if (c.getName().equals(step)) {
        return read(c, of);
      }
    }
    return null;
  }

  private static Object read(RecordComponent c, Object of) {
    try {
      return c.getAccessor().invoke(of);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The names of the model's components on the way, each known by what the one before it holds. */
  private static List<String> steps(Object entry, String way) {
    List<String> to = new ArrayList<>();
    Object at = entry;
    for (String step : way.split("/")) {
      String deeper =
          at == null ? step : DEEPER.getOrDefault(at.getClass(), Map.of()).getOrDefault(step, step);
      for (String s : deeper.split("/")) {
        to.add(s);
        at = at == null ? null : inner(at, s);
      }
    }
    return to;
  }

  /**
   * An entry with another value at a place.
   *
   * @param value of the place's kind
   * @throws ImpossibleValue when it is out of range
   */
  static <T> T with(T entry, String way, double[] value, String choice) {
    List<String> steps = steps(entry, way);
    @SuppressWarnings("unchecked")
    T to = (T) put(entry, steps, value, choice);
    return to;
  }

  private static Object put(Object at, List<String> way, double[] value, String choice) {
    if (way.isEmpty()) {
      return leaf(at, value, choice);
    }
    String step = way.getFirst();
    List<String> rest = way.subList(1, way.size());
    if (at instanceof List<?> list) {
      List<Object> to = new ArrayList<>(list);
      int i = Integer.parseInt(step);
      to.set(i, put(to.get(i), rest, value, choice));
      return to;
    }
    RecordComponent[] components = at.getClass().getRecordComponents();
    Object[] values = new Object[components.length];
    for (int i = 0; i < values.length; i++) {
      Object own = read(components[i], at);
      boolean here = components[i].getName().equals(step);
      values[i] = here ? put(own, rest, value, choice) : own;
    }
    return made(at.getClass(), components, values);
  }

  private static Object made(Class<?> type, RecordComponent[] components, Object[] values) {
    Class<?>[] types =
        Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
    try {
      Constructor<?> constructor = type.getDeclaredConstructor(types);
      return constructor.newInstance(values);
    } catch (InvocationTargetException e) {
      if (e.getCause() instanceof ImpossibleValue impossible) {
        throw impossible;
      }
      throw new IllegalStateException(e);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
  }

  private static Object leaf(Object old, double[] v, String choice) {
    return switch (old) {
      case Double d -> v[0];
      case Integer i -> (int) Math.rint(v[0]);
      case Boolean b -> v[0] >= 0.5;
      case Vec3 x -> new Vec3(v[0], v[1], v[2]);
      case Rgb c -> new Rgb(v[0], v[1], v[2]);
      case Enum<?> e -> chosen(e, choice);
      default -> throw new IllegalArgumentException("nothing can be keyed there");
    };
  }

  private static Object chosen(Enum<?> of, String choice) {
    Object[] all = of.getDeclaringClass().getEnumConstants();
    for (Object one : all) {
      if (((Enum<?>) one).name().toLowerCase(Locale.ROOT).equals(choice)) {
        return one;
      }
    }
    throw new ImpossibleValue(
        "choice",
        choice,
        "one of "
            + String.join(
                ", ",
                Arrays.stream(all)
                    .map(o -> ((Enum<?>) o).name().toLowerCase(Locale.ROOT))
                    .toList()));
  }
}
