package levelember.formats;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "levelember", importOptions = ImportOption.DoNotIncludeTests.class)
class DirectionsTest {
  @ArchTest
  static final ArchRule coreDoesNotKnowFormats =
      noClasses()
          .that()
          .resideOutsideOfPackage("levelember.formats..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("levelember.formats..");

  @ArchTest
  static final ArchRule formatsKnowNoInterfaceAndNoNetwork =
      noClasses()
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("org.springframework..", "java.net..");
}
