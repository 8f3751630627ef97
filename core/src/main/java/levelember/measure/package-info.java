/** Readings in the mixed picture. Uses {@code film}, {@code look} and beneath. */
package levelember.measure;
