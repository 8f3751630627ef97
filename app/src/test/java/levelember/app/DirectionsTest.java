package levelember.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "levelember", importOptions = ImportOption.DoNotIncludeTests.class)
class DirectionsTest {
  @ArchTest
  static final ArchRule nothingBeneathKnowsTheApplication =
      noClasses()
          .that()
          .resideOutsideOfPackage("levelember.app..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("levelember.app..", "org.springframework..", "org.apache.ibatis..");

  @ArchTest
  static final ArchRule sqlStaysInMappers =
      noClasses()
          .that()
          .haveSimpleNameNotEndingWith("Mapper")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("org.apache.ibatis.annotations..");

  @ArchTest
  static final ArchRule keptThingsDoNotKnowTheLiveChannel =
      noClasses()
          .that()
          .resideInAnyPackage("levelember.app.shoot..", "levelember.app.asset..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("levelember.app.live..");
}
