/**
 * Frames of a print from the compiled set to their files: films, denoised layers, passes, pictures,
 * and the filter over time.
 */
package levelember.printing.frame;
