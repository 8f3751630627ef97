package levelember.document;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A field of the shoot document: one component of a record. Whether it can be keyed follows from
 * its type: numbers, three numbers, switches and choices can.
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.RECORD_COMPONENT)
public @interface Field {
  /** The default of a field that a document must have. */
  String REQUIRED = "";

  /** Mark before the name of the field of the same record whose value is the default. */
  String SAME_AS = "@";

  /** What it is, in one line of the document's description. */
  String meaning();

  /**
   * What a document without the field has, as JSON: {@code "0"}, {@code "[0, 2, 0]"}, {@code "{}"}
   * for a record of defaults, {@code "null"} for a field that may be empty; or {@link #SAME_AS}
   * with the name of another field.
   */
  String defaultValue() default REQUIRED;

  /** Least number, in the field's unit; of three numbers or a list, of each. */
  double min() default Double.NEGATIVE_INFINITY;

  /** Greatest number, in the field's unit; of three numbers or a list, of each. */
  double max() default Double.POSITIVE_INFINITY;

  /** Whether 0 is possible besides the range. */
  boolean orZero() default false;

  /** Symbol of the unit, empty for a plain number. */
  String unit() default "";

  /** Name in the document, where it is not the component's. */
  String name() default "";

  /** What a text, or each text of a list, may be. */
  Text text() default Text.NAME;

  /**
   * Regular expression that a text fits besides; empty for any. The record's constructor asks it.
   */
  String pattern() default "";

  /** Fewest entries of a list. */
  int minEntries() default 0;

  /** Most entries of a list. */
  int maxEntries() default Integer.MAX_VALUE;

  /** Rules of texts. */
  enum Text {
    /** 1 to 200 characters, not blank. */
    NAME,
    /** 1 to 64 letters, digits, hyphens or underscores. */
    ID,
    /** At most 200 characters, which may be none. */
    REMARK
  }
}
