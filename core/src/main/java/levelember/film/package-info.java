/**
 * The film: one linear layer a light, kept at unit value, features of what is seen, and how layers
 * mix into a picture. Uses {@code math}, {@code shoot} and {@code photometry}.
 */
package levelember.film;
