/** Decoding of KTX 2.0 textures of Basis Universal, as {@code KHR_texture_basisu} has them. */
package levelember.formats.basis;
