package levelember.transport;

import levelember.math.Sampler;
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
    Sampler points,
    LightSelection selection,
    ShadowRay shadow,
    MisWeight mis,
    ContributionSink sink,
    RayCount.Tally rays) {}
