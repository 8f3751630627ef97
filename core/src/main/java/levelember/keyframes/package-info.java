/** Makers of keys: moves of cameras, pieces and lights as tracks that can be changed by hand. */
package levelember.keyframes;
