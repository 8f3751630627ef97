/**
 * Films at fractions of the size, and how pictures of full size are made of them. Uses {@code film}
 * and {@code denoise}.
 */
package levelember.upsampling;
