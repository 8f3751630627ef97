package levelember.transport;

import levelember.math.Points;
import levelember.trace.RayWalk;

/**
 * What the parts of one thread's path tracer share.
 *
 * @param cutOut whether what lies behind the set is left out
 * @param points sample points of the path
 * @param rays what has been walked
 */
record TracingContext(
    Scene scene,
    boolean cutOut,
    RayWalk walk,
    Points points,
    LightSelection selection,
    ShadowRay shadow,
    MisWeight mis,
    ContributionSink sink,
    RayCount.Tally rays) {}
