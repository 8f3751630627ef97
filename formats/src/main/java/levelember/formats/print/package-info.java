/**
 * Orders of prints and what comes of them: films kept in a folder, passes, and files of pictures.
 * Uses the formats beside it and {@code core}.
 */
package levelember.formats.print;
