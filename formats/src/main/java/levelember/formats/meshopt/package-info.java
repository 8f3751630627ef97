/** Decoding of meshes compressed as the glTF extension {@code EXT_meshopt_compression} says. */
package levelember.formats.meshopt;
