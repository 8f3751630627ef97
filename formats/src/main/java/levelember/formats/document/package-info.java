/** The shoot document: read, written, compared and described by what its records say. */
package levelember.formats.document;
