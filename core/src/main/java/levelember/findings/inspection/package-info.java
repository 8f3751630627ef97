/** What checks of the light look at, what they find, and the edits that mend it. */
package levelember.findings.inspection;
