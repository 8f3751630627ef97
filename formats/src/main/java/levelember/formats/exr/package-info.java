/**
 * Reads OpenEXR files of every compression that the file layout names, in plain Java, so that a
 * broken file can never take the process down. {@link levelember.formats.exr.ExrReader} is the way
 * in; one class a compression unpacks blocks.
 *
 * <p>Source: "OpenEXR File Layout" and "Technical Introduction to OpenEXR", the Academy Software
 * Foundation.
 */
package levelember.formats.exr;
