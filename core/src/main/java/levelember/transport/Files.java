package levelember.transport;

import levelember.geometry.Meshes;
import levelember.texture.Pictures;

/**
 * Where a shoot's pictures and models come from.
 *
 * @param pictures by name
 * @param meshes by file and number
 */
public record Files(Pictures pictures, Meshes meshes) {}
