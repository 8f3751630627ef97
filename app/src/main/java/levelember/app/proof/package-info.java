/** Proofs: kept test pictures with everything needed to get back to them. */
package levelember.app.proof;
