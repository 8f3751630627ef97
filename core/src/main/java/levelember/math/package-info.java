/**
 * The mathematics beneath everything: immutable vectors for descriptions, float helpers for the hot
 * path, and the sample points. Uses nothing but the JDK.
 */
package levelember.math;
