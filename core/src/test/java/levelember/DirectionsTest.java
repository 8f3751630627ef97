package levelember;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The one direction of the house: description, compile, trace, film, look, measure. */
@AnalyzeClasses(packages = "levelember", importOptions = ImportOption.DoNotIncludeTests.class)
class DirectionsTest {
  @ArchTest
  static final ArchRule packagesFollowTheArrow =
      layeredArchitecture()
          .consideringOnlyDependenciesInLayers()
          .layer("math")
          .definedBy("levelember.math..")
          .layer("texture")
          .definedBy("levelember.texture..")
          .layer("shoot")
          .definedBy("levelember.shoot..")
          .layer("geometry")
          .definedBy("levelember.geometry..")
          .layer("trace")
          .definedBy("levelember.trace..")
          .layer("surface")
          .definedBy("levelember.surface..")
          .layer("light")
          .definedBy("levelember.light..")
          .layer("photometry")
          .definedBy("levelember.photometry..")
          .layer("gel")
          .definedBy("levelember.gel..")
          .layer("daylight")
          .definedBy("levelember.daylight..")
          .layer("edit")
          .definedBy("levelember.edit..")
          .layer("lens")
          .definedBy("levelember.lens..")
          .layer("film")
          .definedBy("levelember.film..")
          .layer("transport")
          .definedBy("levelember.transport..")
          .layer("look")
          .definedBy("levelember.look..")
          .layer("measure")
          .definedBy("levelember.measure..")
          .whereLayer("math")
          .mayNotAccessAnyLayer()
          .whereLayer("texture")
          .mayOnlyAccessLayers("math")
          .whereLayer("shoot")
          .mayOnlyAccessLayers("math")
          .whereLayer("geometry")
          .mayOnlyAccessLayers("math", "shoot")
          .whereLayer("trace")
          .mayOnlyAccessLayers("math", "geometry")
          .whereLayer("surface")
          .mayOnlyAccessLayers("math", "shoot")
          .whereLayer("light")
          .mayOnlyAccessLayers("math", "shoot", "texture")
          .whereLayer("photometry")
          .mayOnlyAccessLayers("math", "shoot", "light")
          .whereLayer("gel")
          .mayOnlyAccessLayers("math", "shoot", "photometry")
          .whereLayer("daylight")
          .mayOnlyAccessLayers("math", "shoot", "texture", "photometry")
          .whereLayer("edit")
          .mayOnlyAccessLayers("math", "shoot", "geometry", "trace", "lens", "transport")
          .whereLayer("lens")
          .mayOnlyAccessLayers("math", "shoot")
          .whereLayer("film")
          .mayOnlyAccessLayers("math", "shoot", "photometry", "texture")
          .whereLayer("transport")
          .mayOnlyAccessLayers(
              "math",
              "shoot",
              "geometry",
              "trace",
              "texture",
              "surface",
              "light",
              "photometry",
              "daylight",
              "lens",
              "film")
          .whereLayer("look")
          .mayOnlyAccessLayers("math", "shoot", "texture", "photometry", "film")
          .whereLayer("measure")
          .mayOnlyAccessLayers("math", "shoot", "texture", "photometry", "film", "look");

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
