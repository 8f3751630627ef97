/**
 * The film: one linear layer a light, kept at unit value, how layers mix into a picture, and the
 * table that says which edit costs what. Uses {@code math}, {@code shoot}, {@code light} and {@code
 * texture}.
 */
package levelember.film;
