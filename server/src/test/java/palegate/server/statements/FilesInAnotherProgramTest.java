package palegate.server.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.OfficeProgram;
import palegate.server.testkit.ReadsTheDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Statements opened in another spreadsheet program: what it saves can still be checked, and what it prints can be read. */
@ExtendWith(InDemo.class)
@ReadsTheDemo
class FilesInAnotherProgramTest {
  private static final List<String> ASKED = List.of("kind=place&id=lib-board", "kind=place&grouping=none&id=lib-board", "kind=outsiders", "kind=lists&id=lib-ten", "kind=walls", "kind=groups", "kind=roles", "kind=duties", "kind=shares", "kind=conditions");
  /** Of eight points, less what programs round. */
  private static final double POINTS = 7.9;

  @TempDir
  static Path folder;

  private static final List<Path> FILES = new ArrayList<>();

  @BeforeAll
  static void asked(TestApplication app) throws IOException {
    assumeTrue(OfficeProgram.isThere(), "no spreadsheet program here");
    Browser auditor = app.signedIn("oriel.fenn");
    for (String asked : ASKED) {
      FILES.add(Files.write(folder.resolve("statement-" + FILES.size() + ".xlsx"), auditor.get("/api/statements/file?" + asked + "&format=XLSX").bytes()));
    }
  }

  @Test
  void what_it_saves_is_still_what_the_system_said(TestApplication app) throws IOException {
    Browser auditor = app.signedIn("oriel.fenn");
    for (Path saved : OfficeProgram.saved(FILES, "xlsx", folder)) {
      assertThat(Files.readAllBytes(saved)).as("saved anew").isNotEqualTo(Files.readAllBytes(folder.resolve(saved.getFileName())));
      JsonNode verdict = auditor.postBytes("/api/statements/verification", Files.readAllBytes(saved)).body();
      assertThat(verdict.path("same").asBoolean()).as("%s: %s", saved.getFileName(), verdict).isTrue();
    }
  }

  @Test
  void every_letter_that_it_prints_has_eight_points_or_more() throws IOException {
    for (Path printed : OfficeProgram.saved(FILES, "pdf", folder)) {
      List<String> small = new ArrayList<>();
      try (PDDocument document = Loader.loadPDF(printed.toFile())) {
        new PDFTextStripper() {
          @Override
          protected void writeString(String text, List<TextPosition> positions) {
            positions.stream().filter(letter -> letter.getFontSizeInPt() < POINTS && !letter.getUnicode().isBlank()).findFirst().ifPresent(letter -> small.add(text + " (" + letter.getFontSizeInPt() + ")"));
          }
        }.writeText(document, Writer.nullWriter());
        assertThat(document.getNumberOfPages()).as("%s", printed.getFileName()).isBetween(2, 60);
      }
      assertThat(small).as("%s, %s", printed.getFileName(), ASKED.get(FILES.indexOf(folder.resolve(printed.getFileName().toString().replace("pdf", "xlsx"))))).isEmpty();
    }
  }
}
