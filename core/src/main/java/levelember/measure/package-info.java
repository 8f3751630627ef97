/**
 * Readings in the mixed picture, and the levels that bring wanted ones. Uses {@code photometry},
 * {@code film}, {@code look} and beneath.
 */
package levelember.measure;
