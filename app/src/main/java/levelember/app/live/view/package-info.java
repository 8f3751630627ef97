/** What a page shows of a shoot, and how a mixed picture becomes what is shown. */
package levelember.app.live.view;
