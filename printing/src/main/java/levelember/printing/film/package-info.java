/**
 * Films of any size that are traced in bands and rounds, kept on the way, and go on after a stop as
 * if there had been none.
 */
package levelember.printing.film;
