/**
 * How a linear picture becomes what is shown: exposure, shoulder, transfer curve. Uses {@code
 * math}, {@code shoot} and {@code texture}.
 */
package levelember.look;
