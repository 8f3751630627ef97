/** Pictures: PNG, TIFF, Radiance HDR and OpenEXR, their colours, and stored layers. */
package levelember.formats.picture;
