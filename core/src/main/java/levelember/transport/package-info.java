/**
 * From a shoot to light on the film: the compiled scene, the path tracer and the renderer that
 * spreads it over threads. Uses everything beneath it: {@code math}, {@code shoot}, {@code
 * geometry}, {@code trace}, {@code texture}, {@code surface}, {@code light}, {@code lens} and
 * {@code film}.
 */
package levelember.transport;
