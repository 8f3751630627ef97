/** Decodes meshes that Draco compressed, in a box of WebAssembly. */
package levelember.formats.draco;
