/** Changes of JSON documents: JSON Patch (RFC 6902), and the patch between two documents. */
package levelember.app.patch;
