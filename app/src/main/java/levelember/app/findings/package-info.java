/** Second look over HTTP. */
package levelember.app.findings;
