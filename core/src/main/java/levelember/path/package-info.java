/**
 * A path and its vertices: surface interactions, media, shadow rays, and where contributions go.
 * Uses {@code scene} and {@code film}.
 */
package levelember.path;
