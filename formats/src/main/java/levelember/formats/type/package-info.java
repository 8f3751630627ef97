/** The typeface that the application ships. */
package levelember.formats.type;
