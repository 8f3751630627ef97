package levelember;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import java.util.TreeSet;

/** The one direction of the house: description, compile, trace, film, look, measure. */
@AnalyzeClasses(packages = "levelember", importOptions = ImportOption.DoNotIncludeTests.class)
class DirectionsTest {
  /** All packages; each may use those above it in this list and none below. */
  private static final List<String> PACKAGES =
      List.of(
          "math",
          "document",
          "texture",
          "shoot.material",
          "shoot.piece",
          "shoot.lighting",
          "shoot.look",
          "shoot.motion",
          "shoot",
          "shoot.shelf",
          "shoot.compile",
          "geometry",
          "trace",
          "surface",
          "light",
          "photometry",
          "gel",
          "daylight",
          "keyframes",
          "lens",
          "film",
          "noise",
          "denoise",
          "upsampling",
          "scene",
          "path",
          "caustics",
          "patches",
          "integrator",
          "firsthit",
          "look",
          "measure",
          "edit",
          "findings.inspection",
          "findings.surroundings",
          "findings");

  @ArchTest
  static void everyPackageUsesOnlyThoseAboveIt(JavaClasses classes) {
    var upward = new TreeSet<String>();
    for (JavaClass from : classes) {
      int at = PACKAGES.indexOf(name(from));
      assertThat(at).as("place of %s in the list", from.getPackageName()).isNotNegative();
      from.getDirectDependenciesFromSelf().stream()
          .map(d -> d.getTargetClass().getBaseComponentType())
          .filter(to -> to.getPackageName().startsWith("levelember."))
          .filter(to -> PACKAGES.indexOf(name(to)) > at)
          .forEach(to -> upward.add(from.getName() + " -> " + to.getName()));
    }
    assertThat(upward).isEmpty();
  }

  private static String name(JavaClass of) {
    return of.getPackageName().substring("levelember.".length());
  }

  @ArchTest
  static final ArchRule coreKnowsNoFilesAndNoInterface =
      noClasses()
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "java.io..",
              "java.nio.file..",
              "java.net..",
              "javax..",
              "org.springframework..",
              "tools.jackson..",
              "java.awt..");
}
