package rhetor.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "rhetor.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  static final ArchRule core_knows_no_framework_database_web_or_screen =
      noClasses()
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "org.springframework..",
              "java.sql..",
              "javax.sql..",
              "java.net.http..",
              "jakarta..",
              "javax.swing..");

  /** Pixels are the job of one package; windows are nobody's. */
  @ArchTest
  static final ArchRule only_image_draws =
      noClasses()
          .that()
          .resideOutsideOfPackage("rhetor.core.image..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("java.awt..", "javax.imageio..");

  @ArchTest
  static final ArchRule packages_have_no_circles =
      slices().matching("rhetor.core.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule only_exchange_and_model_know_everything =
      noClasses()
          .that()
          .resideOutsideOfPackages("rhetor.core.exchange..", "rhetor.core.model..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("rhetor.core.exchange..");

  @ArchTest
  static final ArchRule no_names_that_say_nothing =
      classes().should().haveNameNotMatching(".*(Util|Utils|Helper|Manager|Impl)$");
}
