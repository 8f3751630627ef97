/** glTF 2.0: files, meshes, materials, animations, in and out. */
package levelember.formats.gltf;
