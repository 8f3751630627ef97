/** Units, colour temperatures and weights by which light is measured and mixed. */
package levelember.photometry;
