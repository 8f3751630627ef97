/** Where the sun stands and how the sky shines. */
package levelember.daylight;
