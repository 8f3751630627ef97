/** Sounds as samples. */
package levelember.formats.sound;
