/**
 * Where data lives: commits that are on the device before they are answered, room on it, backup and
 * restore, uploads on their way in, and what is swept when nothing uses it any more.
 */
package levelember.app.storage;
