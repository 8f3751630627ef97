package levelember.findings;

import java.util.ArrayList;
import java.util.List;

/** Looks a picture over and lists what is probably not meant, what matters most first. */
public final class SecondLook {
  private static final List<Check> CHECKS =
      List.of(
          new BurntAreas(),
          new CrushedBlacks(),
          new FaintLights(),
          new EmptyLinks(),
          new SeenLamps(),
          new ClosedInLamps(),
          new TwoSuns(),
          new EnvironmentPictures(),
          new ImprobableSizes(),
          new SourceSizes(),
          new GoboEdges(),
          new StrongContactShade(),
          new DrownedEmission(),
          new DrownedCaustics(),
          new NoisyLights(),
          new Backdrops(),
          new PlateBanding(),
          new TiltedHorizon(),
          new Focus(),
          new LostEdges(),
          new FlatKey(),
          new FloatingPieces());

  private SecondLook() {}

  /** All findings, also those that are silenced. */
  public static List<Finding> at(Inspection in) {
    List<Finding> to = new ArrayList<>();
    CHECKS.forEach(check -> check.look(in, to));
    to.sort((a, b) -> Double.compare(b.weight(), a.weight()));
    return List.copyOf(to);
  }
}
