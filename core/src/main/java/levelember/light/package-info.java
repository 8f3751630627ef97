/**
 * Lights made ready for tracing, each at unit value and neutral colour, and the weights that turn
 * unit layers into what the desk asks for. Uses {@code math}, {@code shoot} and {@code texture}.
 */
package levelember.light;
