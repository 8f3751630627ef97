package levelember.path;

import levelember.math.Sampler;
import levelember.scene.LightSelection;
import levelember.scene.Scene;
import levelember.trace.RayWalk;

/**
 * What the parts of one thread's path tracer share.
 *
 * @param cutOut whether what lies behind the set is left out
 * @param points sample points of the path
 * @param rays what has been walked
 */
public record TracingContext(
    Scene scene,
    boolean cutOut,
    RayWalk walk,
    Sampler points,
    LightSelection selection,
    ShadowRay shadow,
    MisWeight mis,
    ContributionSink sink,
    RayCount.Tally rays) {}
