/** Pictures as linear floats, and where they come from. Uses nothing but the JDK. */
package levelember.texture;
