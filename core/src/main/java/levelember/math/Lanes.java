package levelember.math;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/**
 * How many floats are worked on at a time. Results have the same bits with any number; it is for
 * speed alone, and for tests that hold the numbers against each other.
 */
public final class Lanes {
  /**
   * System property that sets it: 4, 8 or 16, or 1 for plain Java without vectors. Left out, it is
   * what the machine's vectors hold.
   */
  public static final String PROPERTY = "ember.lanes";

  /**
   * System property that, when 1, has looks developed in plain Java alone. A process that develops
   * a single picture is done sooner so: loops over vectors are slow until they are compiled.
   */
  public static final String LOOK_PROPERTY = "ember.look-lanes";

  private Lanes() {}

  /** True where the module of vectors is there and vectors are not switched off. */
  public static boolean vectors() {
    return ModuleLayer.boot().findModule("jdk.incubator.vector").isPresent()
        && Integer.getInteger(PROPERTY, 0) != 1;
  }

  /** True where looks are to be developed without vectors though there are some. */
  public static boolean scalarLook() {
    return Integer.getInteger(LOOK_PROPERTY, 0) == 1;
  }

  /** The species that is worked with; loaded only where there are {@link #vectors()}. */
  public static VectorSpecies<Float> species() {
    return switch (Integer.getInteger(PROPERTY, FloatVector.SPECIES_PREFERRED.length())) {
      case 1, 2, 4 -> FloatVector.SPECIES_128;
      case 8 -> FloatVector.SPECIES_256;
      default -> FloatVector.SPECIES_512;
    };
  }
}
