/**
 * Looks and grades over HTTP: the shelf of grades, looks kept for all shoots, grades for others.
 */
package levelember.app.look;
