/**
 * Filters of layers by features and by their own noise, within a frame and over frames. Uses {@code
 * film}.
 */
package levelember.denoise;
