/**
 * The ray kernel: triangles in flat arrays under a bounding hierarchy, and the walk through it.
 * Single precision, nothing allocated per ray. Uses {@code math} and {@code geometry}.
 */
package levelember.trace;
