/**
 * How sure a film is: the standard error of what it shows, how it falls with samples, and which
 * tiles are sampled next. Uses {@code film}.
 */
package levelember.noise;
