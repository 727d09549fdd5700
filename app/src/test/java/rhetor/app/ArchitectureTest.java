package rhetor.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "rhetor.app", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  /** A virtual thread that loads a class can stop the server: see docs/architecture.md. */
  @ArchTest
  static final ArchRule threads_are_the_platforms =
      noClasses()
          .should()
          .callMethod(Thread.class, "ofVirtual")
          .orShould()
          .callMethod(Thread.class, "startVirtualThread", Runnable.class)
          .orShould()
          .callMethod(java.util.concurrent.Executors.class, "newVirtualThreadPerTaskExecutor");

  @ArchTest
  static final ArchRule packages_have_no_circles =
      slices().matching("rhetor.app.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule stores_are_known_in_their_own_package_only =
      classes().that().haveSimpleNameEndingWith("Store").should().bePackagePrivate();

  @ArchTest
  static final ArchRule controllers_do_not_touch_the_database =
      noClasses()
          .that()
          .haveSimpleNameEndingWith("Controller")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("org.springframework.jdbc..", "java.sql..");

  @ArchTest
  static final ArchRule the_application_does_not_know_the_stand_ins =
      noClasses().should().dependOnClassesThat().resideInAPackage("rhetor.standins..");

  @ArchTest
  static final ArchRule no_names_that_say_nothing =
      classes().should().haveNameNotMatching(".*(Util|Utils|Helper|Manager|Impl)$");
}
