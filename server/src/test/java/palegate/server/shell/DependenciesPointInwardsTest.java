package palegate.server.shell;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import org.springframework.web.bind.annotation.RestController;
import palegate.server.store.Snapshots;

@AnalyzeClasses(packages = "palegate", importOptions = ImportOption.DoNotIncludeTests.class)
class DependenciesPointInwardsTest {
  @ArchTest
  static final ArchRule the_core_knows_neither_server_nor_demo = noClasses().that().resideInAPackage("palegate.core..")
      .should().dependOnClassesThat().resideInAnyPackage("palegate.server..", "palegate.demo..", "palegate.cli..", "org.springframework..", "java.sql..");

  @ArchTest
  static final ArchRule the_demo_knows_only_the_core = noClasses().that().resideInAPackage("palegate.demo..")
      .should().dependOnClassesThat().resideInAnyPackage("palegate.server..", "palegate.cli..", "org.springframework..");

  @ArchTest
  static final ArchRule the_store_serves_the_rooms_and_knows_none_of_them = noClasses().that().resideInAPackage("palegate.server.store..")
      .should().dependOnClassesThat().resideInAnyPackage("palegate.server.drafts..", "palegate.server.approvals..", "palegate.server.inforce..", "palegate.server.rehearsal..", "palegate.server.tray..",
          "palegate.server.places..", "palegate.server.statements..",
          "palegate.server.journal..", "palegate.server.session..", "palegate.server.bundle..");

  @ArchTest
  static final ArchRule files_are_made_from_sheets_and_know_no_room = noClasses().that().resideInAPackage("palegate.server.exports..")
      .should().dependOnClassesThat().resideInAnyPackage("palegate.core..", "palegate.server.statements..", "palegate.server.store..");

  @ArchTest
  static final ArchRule sql_is_run_in_the_store_and_by_the_owners_of_drafts_and_accounts_only = noClasses()
      .that().resideOutsideOfPackages("palegate.server.store..", "palegate.server.drafts..", "palegate.server.approvals..", "palegate.server.inforce..", "palegate.server.tray..",
          "palegate.server.session..")
      .should().dependOnClassesThat().resideInAnyPackage("org.springframework.jdbc..", "java.sql..")
      .andShould().notBe(Outage.class);

  /** Whoever answers somebody gets the structure from the viewpoint, and from nowhere else. */
  @ArchTest
  static final ArchRule a_controller_cannot_reach_a_snapshot_past_the_viewpoint = noClasses().that().areAnnotatedWith(RestController.class)
      // It says the number of the newest change, and nothing else of it.
      .and().doNotHaveSimpleName("SessionController")
      .should().dependOnClassesThat().areAssignableTo(Snapshots.class);

  @ArchTest
  static final ArchRule no_package_of_the_core_goes_round_in_a_circle_with_others =
      slices().matching("palegate.core.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule no_room_of_the_server_goes_round_in_a_circle_with_others =
      slices().matching("palegate.server.(*)..").should().beFreeOfCycles();
}
