/**
 * Reading and writing open formats: the shoot document and its package, Radiance HDR, OpenEXR, PNG
 * and JPEG. Every reader checks sizes before it allocates, follows nothing outside the file, and
 * answers a file that it cannot read with {@link levelember.formats.RefusedFile}. Uses {@code
 * core}.
 */
package levelember.formats;
