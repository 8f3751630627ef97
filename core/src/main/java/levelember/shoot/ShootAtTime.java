package levelember.shoot;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import levelember.document.Checks;
import levelember.document.FieldPath;
import levelember.document.ImpossibleValue;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Link;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Piece;

/** A shoot as its keys have it at a time: a function of shoot and time alone. */
public final class ShootAtTime {
  private ShootAtTime() {}

  /**
   * A shoot at a time; without tracks it is the shoot itself.
   *
   * @param seconds from the beginning
   */
  public static Shoot of(Shoot shoot, double seconds) {
    if (shoot.motion().tracks().isEmpty() && shoot.motion().links().isEmpty()) {
      return shoot;
    }
    Lists lists = new Lists(shoot);
    for (Track track : shoot.motion().tracks()) {
      lists.move(track, seconds);
    }
    lists.follow(shoot.motion());
    return lists.shoot();
  }

  /** A shoot at rest whose linked values are what they follow; it keeps its motion. */
  public static Shoot atRest(Shoot shoot) {
    if (shoot.motion().links().isEmpty()) {
      return shoot;
    }
    Lists lists = new Lists(shoot);
    lists.follow(shoot.motion());
    return lists.shoot().with(shoot.motion());
  }

  /** Says which track cannot be. */
  static void check(Shoot still, Motion motion) {
    for (int i = 0; i < motion.tracks().size(); i++) {
      Track track = motion.tracks().get(i);
      String at = "motion.tracks[" + i + "]";
      FieldPath.Kind kind = new Lists(still).kind(track.place());
      if (kind == null) {
        throw new ImpossibleValue(
            at + ".place", track.place(), "a value of an entry that is there, by its id");
      }
      Key first = track.keys().getFirst();
      if (kind.numbers() != first.value().size()) {
        throw new ImpossibleValue(at + ".keys[0].value", first.value(), "as many as its place has");
      }
      boolean held = track.keys().stream().allMatch(k -> k.span() == Key.Span.HOLD);
      if (!held && (kind == FieldPath.Kind.SWITCH || kind == FieldPath.Kind.CHOICE)) {
        throw new ImpossibleValue(at + ".keys", "spans", "hold for a switch or a choice");
      }
      try {
        tried(still, track, kind);
      } catch (ImpossibleValue e) {
        throw e.within(at + ".keys");
      }
    }
    checkLinks(still, motion);
  }

  private static void checkLinks(Shoot still, Motion motion) {
    for (int i = 0; i < motion.links().size(); i++) {
      Link link = motion.links().get(i);
      String at = "motion.links[" + i + "]";
      FieldPath.Kind kind = new Lists(still).kind(link.place());
      if (kind == null) {
        throw new ImpossibleValue(
            at + ".place", link.place(), "a value of an entry that is there, by its id");
      }
      if (new Lists(still).kind(link.from()) != kind) {
        throw new ImpossibleValue(at + ".from", link.from(), "a value of the same kind");
      }
      try {
        new Lists(still).follow(link);
      } catch (ImpossibleValue e) {
        throw e.within(at);
      }
    }
  }

  private static void tried(Shoot still, Track track, FieldPath.Kind kind) {
    if (kind == FieldPath.Kind.CHOICE) {
      for (Key key : track.keys()) {
        new Lists(still).put(track.place(), null, key.choice());
      }
      return;
    }
    try {
      new Lists(still).put(track.place(), track.extreme(false), null);
      new Lists(still).put(track.place(), track.extreme(true), null);
    } catch (ImpossibleValue e) {
      // Three numbers may be impossible together, as a camera in its aim, where each of them is
      // not.
      if (kind.numbers() == 1) {
        throw e;
      }
      for (Key key : track.keys()) {
        double[] value = key.value().stream().mapToDouble(v -> v).toArray();
        new Lists(still).put(track.place(), value, null);
      }
    }
  }

  /** The entries of a shoot while they are moved. */
  private static final class Lists {
    private final Shoot shoot;
    private final List<Piece> pieces;
    private final List<Material> materials;
    private final List<Light> lights;
    private final List<Bank> banks;
    private final List<Shot> shots;
    private final List<Look> looks;
    private Bounce bounce;
    private double masterStops;

    Lists(Shoot shoot) {
      this.shoot = shoot;
      pieces = new ArrayList<>(shoot.pieces());
      materials = new ArrayList<>(shoot.materials());
      lights = new ArrayList<>(shoot.lights());
      banks = new ArrayList<>(shoot.banks());
      shots = new ArrayList<>(shoot.shots());
      looks = new ArrayList<>(shoot.looks());
      bounce = shoot.bounce();
      masterStops = shoot.masterStops();
    }

    Shoot shoot() {
      return new Shoot(
              shoot.name(), pieces, materials, lights, banks, bounce, masterStops, shots, looks)
          .with(shoot.meter());
    }

    /**
     * Moves what a track is about. What would go out of range on its way stays within its keys, and
     * where that is impossible too, as a camera that passes its aim, the value stays at rest.
     */
    void move(Track track, double seconds) {
      String choice = track.choiceAt(seconds);
      double[] value = choice == null ? track.at(seconds) : null;
      try {
        put(track.place(), value, choice);
      } catch (ImpossibleValue e) {
        double[] least = track.extreme(false), most = track.extreme(true);
        for (int k = 0; k < value.length; k++) {
          value[k] = Math.clamp(value[k], least[k], most[k]);
        }
        try {
          put(track.place(), value, null);
        } catch (ImpossibleValue again) {
          // The value at rest is possible.
        }
      }
    }

    /** Puts values where they follow others; one that would go out of its range stays. */
    void follow(Motion motion) {
      for (Link link : motion.links()) {
        try {
          follow(link);
        } catch (ImpossibleValue e) {
          // What it follows is out of its own range at that time.
        }
      }
    }

    void follow(Link link) {
      String[] parts = link.from().split("/", 3);
      Object entry = entry(link.from());
      String way =
          parts[0].equals("bounce") ? link.from().substring(7) : parts.length < 3 ? "" : parts[2];
      if (link.from().equals("masterStops")) {
        put(link.place(), link.of(new double[] {masterStops}), null);
        return;
      }
      String choice = FieldPath.of(way).choice(entry);
      double[] numbers = FieldPath.of(way).numbers(entry);
      boolean number = kind(link.from()) != FieldPath.Kind.SWITCH;
      put(link.place(), number ? link.of(numbers) : numbers, choice);
    }

    private Object entry(String place) {
      String[] parts = place.split("/", 3);
      return switch (parts[0]) {
        case "bounce" -> bounce;
        case "pieces" -> pieces.get(index(pieces, Piece::id, parts[1]));
        case "materials" -> materials.get(index(materials, Material::id, parts[1]));
        case "lights" -> lights.get(index(lights, Light::id, parts[1]));
        case "banks" -> banks.get(index(banks, Bank::id, parts[1]));
        case "shots" -> shots.get(index(shots, Shot::id, parts[1]));
        case "looks" -> looks.get(index(looks, Look::id, parts[1]));
        default -> null;
      };
    }

    FieldPath.Kind kind(String place) {
      if (place.equals("masterStops")) {
        return FieldPath.Kind.NUMBER;
      }
      String[] parts = place.split("/", 3);
      if (parts[0].equals("bounce")) {
        return FieldPath.of(place.substring(Math.min(place.length(), 7))).kind(bounce);
      }
      return parts.length < 3 ? null : kindIn(parts);
    }

    private FieldPath.Kind kindIn(String[] parts) {
      return switch (parts[0]) {
        case "pieces" -> kind(pieces, Piece::id, parts);
        case "materials" -> kind(materials, Material::id, parts);
        case "lights" -> kind(lights, Light::id, parts);
        case "banks" -> kind(banks, Bank::id, parts);
        case "shots" -> kind(shots, Shot::id, parts);
        case "looks" -> kind(looks, Look::id, parts);
        default -> null;
      };
    }

    private static <T> FieldPath.Kind kind(List<T> list, Function<T, String> id, String[] parts) {
      int i = index(list, id, parts[1]);
      return i < 0 ? null : FieldPath.of(parts[2]).kind(list.get(i));
    }

    private static <T> int index(List<T> list, Function<T, String> id, String wanted) {
      for (int i = 0; i < list.size(); i++) {
        if (id.apply(list.get(i)).equals(wanted)) {
          return i;
        }
      }
      return -1;
    }

    void put(String place, double[] value, String choice) {
      if (place.equals("masterStops")) {
        Checks.range("masterStops", value[0], -10, 10);
        masterStops = value[0];
        return;
      }
      String[] parts = place.split("/", 3);
      switch (parts[0]) {
        case "bounce" -> bounce = FieldPath.of(place.substring(7)).with(bounce, value, choice);
        case "pieces" -> put(pieces, Piece::id, parts, value, choice);
        case "materials" -> put(materials, Material::id, parts, value, choice);
        case "lights" -> put(lights, Light::id, parts, value, choice);
        case "banks" -> put(banks, Bank::id, parts, value, choice);
        case "shots" -> put(shots, Shot::id, parts, value, choice);
        default -> put(looks, Look::id, parts, value, choice);
      }
    }

    private static <T> void put(
        List<T> list, Function<T, String> id, String[] parts, double[] value, String choice) {
      int i = index(list, id, parts[1]);
      list.set(i, FieldPath.of(parts[2]).with(list.get(i), value, choice));
    }
  }
}
