/** Pieces of a set: shapes, water, what shows to whom. */
package levelember.shoot.piece;
