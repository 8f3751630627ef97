/** Cameras: from a place in the picture to a ray. Uses {@code math} and {@code shoot}. */
package levelember.lens;
