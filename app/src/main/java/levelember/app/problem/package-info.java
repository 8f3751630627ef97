/** Errors as RFC 9457 problems. */
package levelember.app.problem;
