package levelember.findings;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.surroundings.Backdrops;
import levelember.findings.surroundings.EnvironmentPictures;
import levelember.findings.surroundings.PlateBanding;
import levelember.findings.surroundings.TwoSuns;

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
          new NoiseSources(),
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
    // Why a light gives nothing says more than that it does.
    Set<String> told = new HashSet<>();
    to.stream()
        .filter(f ->
            f.kind() == Finding.Kind.LINKED_TO_NOTHING || f.kind() == Finding.Kind.LAMP_CLOSED_IN)
        .forEach(f -> told.add(f.light()));
    to.removeIf(f -> f.kind() == Finding.Kind.FAINT_LIGHT && told.contains(f.light()));
    to.sort((a, b) -> Double.compare(b.weight(), a.weight()));
    return List.copyOf(to);
  }
}
