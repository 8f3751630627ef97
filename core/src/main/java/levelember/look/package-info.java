/**
 * How a linear picture becomes what is shown: shade, glow, lens, exposure, curve, grade. Uses
 * {@code math}, {@code shoot}, {@code texture} and {@code light}.
 */
package levelember.look;
