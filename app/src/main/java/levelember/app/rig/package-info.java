/** What the Rig asks for besides the shoot itself: units, gels, profiles, surroundings. */
package levelember.app.rig;
