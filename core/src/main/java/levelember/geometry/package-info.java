/**
 * Turns shapes into triangles with corner normals, and a set of nested pieces into one list of
 * world-space triangles. Uses {@code math} and {@code shoot}.
 */
package levelember.geometry;
