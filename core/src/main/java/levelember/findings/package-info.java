/**
 * Second look: what is wrong with the light of a shot, measured, with the mends that would heal it.
 * Uses everything beneath {@code edit} and {@code measure}.
 */
package levelember.findings;
