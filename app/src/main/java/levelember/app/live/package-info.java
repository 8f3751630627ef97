/** The live channel: one render session a shoot, frames down, hands up. */
package levelember.app.live;
