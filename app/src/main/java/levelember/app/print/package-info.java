/**
 * The print room: orders of finished pictures, the queue that traces them beside the live pictures,
 * and their files. Uses {@code shoot}, {@code storage}, {@code problem} and the turns of {@code
 * live}.
 */
package levelember.app.print;
