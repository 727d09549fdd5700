package rhetor.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import rhetor.core.knowledge.Knowledge;

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
  static final ArchRule files_have_no_circles =
      slices().assignedFrom(new Files()).should().beFreeOfCycles();

  /** A class with those inside it. */
  private static final class Files implements SliceAssignment {
    @Override
    public String getDescription() {
      return "files";
    }

    @Override
    public SliceIdentifier getIdentifierOf(JavaClass javaClass) {
      return SliceIdentifier.of(javaClass.getName().replaceAll("\\$.*", ""));
    }
  }

  @ArchTest
  static final ArchRule only_exchange_and_model_know_everything =
      noClasses()
          .that()
          .resideOutsideOfPackages("rhetor.core.exchange..", "rhetor.core.model..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("rhetor.core.exchange..");

  /** What is told is decided before anybody speaks, and for every language alike. */
  @ArchTest
  static final ArchRule what_is_told_knows_no_language =
      noClasses()
          .that()
          .resideInAPackage("rhetor.core.plan..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("rhetor.core.say..");

  @ArchTest
  static final ArchRule what_all_languages_share_knows_none_of_them =
      noClasses()
          .that()
          .resideInAPackage("rhetor.core.say")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("rhetor.core.say.en..");

  /** What is known comes from outside: a house lays its own over it. */
  @ArchTest
  static final ArchRule nobody_reads_the_shipped_knowledge_from_a_static =
      noClasses().should().callMethod(Knowledge.class, "standard");

  @ArchTest
  static final ArchRule no_names_that_say_nothing =
      classes().should().haveNameNotMatching(".*(Util|Utils|Helper|Manager|Impl)$");
}
