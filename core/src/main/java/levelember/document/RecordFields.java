package levelember.document;

import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.MethodType;
import java.lang.reflect.Constructor;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** The components of a record as fields of the document, found once for each record. */
public final class RecordFields {
  private static final ClassValue<RecordFields> ALL =
      new ClassValue<>() {
        @Override
        protected RecordFields computeValue(Class<?> record) {
          return new RecordFields(record);
        }
      };

  private final List<DocumentField> own;
  private final Set<String> names = new TreeSet<>();
  private final MethodHandle[] accessors;
  private final MethodHandle constructor;

  private RecordFields(Class<?> record) {
    RecordComponent[] components = record.getRecordComponents();
    own = Arrays.stream(components).map(DocumentField::new).toList();
    for (DocumentField field : own) {
      names.addAll(field.inline() ? of(field.type()).names : Set.of(field.name()));
    }
    try {
      MethodHandles.Lookup lookup = MethodHandles.lookup();
      accessors = new MethodHandle[components.length];
      Class<?>[] types = new Class<?>[components.length];
      for (int i = 0; i < components.length; i++) {
        components[i].getAccessor().setAccessible(true);
        accessors[i] =
            lookup
                .unreflect(components[i].getAccessor())
                .asType(MethodType.methodType(Object.class, Object.class));
        types[i] = components[i].getType();
      }
      Constructor<?> canonical = record.getDeclaredConstructor(types);
      canonical.setAccessible(true);
      constructor =
          lookup
              .unreflectConstructor(canonical)
              .asType(MethodType.genericMethodType(types.length))
              .asSpreader(Object[].class, types.length);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(record + " cannot be read", e);
    }
  }

  /** Of a record. */
  public static RecordFields of(Class<?> record) {
    return ALL.get(record);
  }

  /** One for each component, in order; those of inlined components stand in their own records. */
  public List<DocumentField> components() {
    return own;
  }

  /** Names of all fields in the document, those of inlined components too. */
  public Set<String> names() {
    return Collections.unmodifiableSet(names);
  }

  /**
   * Refuses values that the fields of a record cannot have; for use in its compact constructor.
   *
   * @param values of all components, in order
   * @throws ImpossibleValue of the first that is empty or out of range
   */
  public static void check(Class<? extends Record> record, Object... values) {
    List<DocumentField> fields = of(record).own;
    if (values.length != fields.size()) {
      throw new IllegalArgumentException(record + " has " + fields.size() + " components");
    }
    for (int i = 0; i < values.length; i++) {
      fields.get(i).check(values[i]);
    }
  }

  /** The value of a component. */
  public Object get(Object record, int component) {
    try {
      return (Object) accessors[component].invokeExact(record);
    } catch (Throwable e) {
      throw new IllegalStateException(e);
    }
  }

  /**
   * A record of given components.
   *
   * @throws ImpossibleValue as its constructor does
   */
  public Object make(Object... components) {
    try {
      return (Object) constructor.invokeExact(components);
    } catch (RuntimeException | Error e) {
      throw e;
    } catch (Throwable e) {
      throw new IllegalStateException(e);
    }
  }

  /**
   * The way to a field of the document, through inlined components.
   *
   * @return numbers of components, one within the other; empty when there is no such field
   */
  public List<Integer> find(String name) {
    for (int i = 0; i < own.size(); i++) {
      DocumentField field = own.get(i);
      if (!field.inline() && field.name().equals(name)) {
        return List.of(i);
      }
      if (field.inline()) {
        List<Integer> deeper = of(field.type()).find(name);
        if (!deeper.isEmpty()) {
          List<Integer> to = new ArrayList<>(List.of(i));
          to.addAll(deeper);
          return to;
        }
      }
    }
    return List.of();
  }
}
