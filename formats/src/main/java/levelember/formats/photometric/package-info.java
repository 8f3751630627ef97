/** Photometric files: IES LM-63 and EULUMDAT. */
package levelember.formats.photometric;
