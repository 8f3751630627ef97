/** Pictures as linear floats, and where they come from. Uses {@code math}. */
package levelember.texture;
