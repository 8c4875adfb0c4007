package palegate.core;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideOutsideOfPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "palegate.core", importOptions = ImportOption.DoNotIncludeTests.class)
class CoreStandsAloneTest {
  @ArchTest
  static final ArchRule the_core_knows_nothing_of_web_database_or_framework = classes().should().onlyDependOnClassesThat()
      .resideInAnyPackage("palegate.core..", "java.lang..", "java.util..", "java.time..", "java.io..", "java.nio.charset..", "java.nio", "java.math",
          "java.security", "org.roaringbitmap..", "com.networknt.schema..", "tools.jackson..", "org.apache.commons.csv..", "org.antlr.v4.runtime..");

  @ArchTest
  static final ArchRule json_stays_where_open_formats_are_read = noClasses().that().resideOutsideOfPackages("palegate.core.bundle..", "palegate.core.changes..", "palegate.core.certificates")
      .should().dependOnClassesThat().resideInAnyPackage("tools.jackson..", "com.networknt..");

  @ArchTest
  static final ArchRule collections_know_nothing_of_access = noClasses().that().resideInAPackage("palegate.core.collections")
      .should().dependOnClassesThat(resideInAPackage("palegate.core..").and(resideOutsideOfPackage("palegate.core.collections")));

  @ArchTest
  static final ArchRule the_model_knows_nothing_of_what_is_computed_from_it = noClasses()
      .that().resideInAnyPackage("palegate.core.roles", "palegate.core.people", "palegate.core.places", "palegate.core.types", "palegate.core.structure")
      .should().dependOnClassesThat().resideInAnyPackage("palegate.core.snapshot..", "palegate.core.questions..", "palegate.core.changes..", "palegate.core.rehearsal..", "palegate.core.reversal..", "palegate.core.ways..", "palegate.core.statements..", "palegate.core.bundle..");

  @ArchTest
  static final ArchRule the_clock_is_passed_in = noClasses().should().callMethod(java.time.Instant.class, "now")
      .orShould().dependOnClassesThat().areAssignableTo(java.time.Clock.class);
}
