package levelember.integrator;

import levelember.math.Vec3;

/**
 * A place where arriving light is measured.
 *
 * @param position metres, in the world
 * @param normal unit vector that the meter faces along
 * @param piece number of the piece that the place is on, whose light linking holds there
 */
public record MeterPoint(Vec3 position, Vec3 normal, int piece) {}
