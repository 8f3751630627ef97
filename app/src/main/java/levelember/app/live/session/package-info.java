/**
 * Sessions that trace a shoot in one view: wanted states, films, progress, and frames for all who
 * look on. Uses {@code message}, {@code view} and {@code schedule}.
 */
package levelember.app.live.session;
