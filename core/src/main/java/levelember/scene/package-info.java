/**
 * The compiled set with its lights, and views of it. Uses {@code shoot}, {@code geometry}, {@code
 * trace}, {@code texture}, {@code surface} and {@code light}.
 */
package levelember.scene;
