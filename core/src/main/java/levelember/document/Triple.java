package levelember.document;

import java.lang.reflect.RecordComponent;

/**
 * Three numbers that the document has as an array: records of three {@code double} components of
 * which none is a {@link Field} of its own, as vectors and colours are.
 */
public final class Triple {
  private static final ClassValue<Boolean> IS =
      new ClassValue<>() {
        @Override
        protected Boolean computeValue(Class<?> type) {
          RecordComponent[] all = type.getRecordComponents();
          if (all == null || all.length != 3) {
            return false;
          }
          for (RecordComponent c : all) {
            if (c.getType() != double.class || c.isAnnotationPresent(Field.class)) {
              return false;
            }
          }
          return true;
        }
      };

  private Triple() {}

  /** Whether a type is one. */
  public static boolean is(Class<?> type) {
    return IS.get(type);
  }

  /** The numbers of one. */
  public static double[] numbers(Object triple) {
    RecordFields fields = RecordFields.of(triple.getClass());
    return new double[] {
      (Double) fields.get(triple, 0), (Double) fields.get(triple, 1), (Double) fields.get(triple, 2)
    };
  }

  /** One of that type. */
  public static Object of(Class<?> type, double x, double y, double z) {
    return RecordFields.of(type).make(x, y, z);
  }
}
