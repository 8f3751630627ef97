/** The command line: the same renderer without the page. Uses core, formats and demo. */
package levelember.cli;
