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
          .layer("document")
          .definedBy("levelember.document..")
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
          .whereLayer("document")
          .mayNotAccessAnyLayer()
          .whereLayer("texture")
          .mayOnlyAccessLayers("math")
          .whereLayer("shoot")
          .mayOnlyAccessLayers("math", "document")
          .whereLayer("geometry")
          .mayOnlyAccessLayers("math", "document", "shoot")
          .whereLayer("trace")
          .mayOnlyAccessLayers("math", "document", "geometry")
          .whereLayer("surface")
          .mayOnlyAccessLayers("math", "document", "shoot")
          .whereLayer("light")
          .mayOnlyAccessLayers("math", "document", "shoot", "texture")
          .whereLayer("photometry")
          .mayOnlyAccessLayers("math", "document", "shoot", "light")
          .whereLayer("gel")
          .mayOnlyAccessLayers("math", "document", "shoot", "photometry")
          .whereLayer("daylight")
          .mayOnlyAccessLayers("math", "document", "shoot", "texture", "photometry")
          .whereLayer("edit")
          .mayOnlyAccessLayers(
              "math", "document", "shoot", "geometry", "trace", "lens", "transport")
          .whereLayer("lens")
          .mayOnlyAccessLayers("math", "document", "shoot")
          .whereLayer("film")
          .mayOnlyAccessLayers("math", "document", "shoot", "photometry", "texture")
          .whereLayer("transport")
          .mayOnlyAccessLayers(
              "math",
              "document",
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
          .mayOnlyAccessLayers("math", "document", "shoot", "texture", "photometry", "film")
          .whereLayer("measure")
          .mayOnlyAccessLayers(
              "math", "document", "shoot", "texture", "photometry", "film", "look");

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
