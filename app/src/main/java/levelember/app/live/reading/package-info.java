/** What is asked of a live picture over HTTP: meter, match, findings, pictures, variants. */
package levelember.app.live.reading;
