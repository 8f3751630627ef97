/**
 * From a description to what is traced: where pieces stand in the world, lights at unit level, the
 * frame near the cameras, clay, and what an edit costs.
 */
package levelember.shoot.compile;
