/** Files that shoots use, kept once by their content. */
package levelember.app.asset;
