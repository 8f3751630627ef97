package levelember.scene;

import levelember.geometry.Meshes;
import levelember.texture.Luts;
import levelember.texture.Pictures;

/**
 * Where a shoot's pictures, models and LUTs come from.
 *
 * @param pictures by name
 * @param meshes by file and number
 * @param luts by name
 */
public record SceneAssets(Pictures pictures, Meshes meshes, Luts luts) {}
