/** Writing frames one after the other into a film: MP4, animated PNG, animated GIF. */
package levelember.formats.movie;
