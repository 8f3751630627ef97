/** Patches of the set that lights shine on, towards which paths are guided. */
package levelember.patches;
