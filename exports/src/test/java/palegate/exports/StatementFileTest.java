package palegate.exports;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.File;
import java.io.FileInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import palegate.core.statements.Recipe;
import palegate.core.statements.StatementCheck;
import palegate.core.statements.StatementDigest;
import palegate.core.statements.StatementIdentity;
import palegate.core.statements.StatementKind;
import palegate.core.statements.StatementTable;

/** What was written is what is read back; what was altered since is named; whatever else is sent is refused with a sentence. */
class StatementFileTest {
  private static final Instant AT = Instant.parse("2026-11-24T10:00:00Z");
  private static final List<List<String>> ROWS = List.of(
      List.of("Casualties / C-2406 Brannock Star / Survey", "Mia Torrance", "12", "=HYPERLINK(\"x\")"), List.of("Casualties / C-2406 Brannock Star / Fees", "Ola Lindqvist", "3", "Keeper; from above"),
      List.of("Charts & tides", "Søren <b> O’Dell", "0", ""), List.of("Charts & tides", "Per \"the\" Brask, Jr", "400", "line one\nline two"));

  @TempDir Path folder;

  private static StatementTable table(List<List<String>> rows) {
    return new StatementTable("Who can reach Casualties", Map.of("People", "4"), List.of(new StatementTable.Column("place", "Place", 60, false, true), new StatementTable.Column("person", "Person", 30, false, true),
        new StatementTable.Column("documents", "Documents", 10, true, false), new StatementTable.Column("how", "How", 60, false, false)), () -> rows.stream().map(StatementTable.Row::new));
  }

  private static StatementIdentity identity() {
    return new StatementIdentity(Recipe.of(StatementKind.PLACE, "lib-cas"), AT, StatementIdentity.ofChange(12), null);
  }

  private File write(FileFormat format, StatementTable table) throws IOException {
    File file = folder.resolve("statement." + format.ending()).toFile();
    try (OutputStream out = Files.newOutputStream(file.toPath())) {
      format.write(StatementSheet.of(table, identity(), "Oriel Fenn", false), out);
    }
    return file;
  }

  @ParameterizedTest
  @EnumSource
  void a_file_read_back_says_the_same_and_its_digest_is_that_of_the_statement(FileFormat format) throws IOException {
    StatementFile file = StatementFile.read(write(format, table(ROWS)), 100_000, PdfLines::of);
    assertThat(file.format()).isEqualTo(format);
    assertThat(file.identity().recipe()).isEqualTo(identity().recipe());
    assertThat(file.identity().change()).contains(12L);
    assertThat(file.identity().digest()).isEqualTo(StatementDigest.of(identity().recipe(), AT, table(ROWS)));
    StatementCheck check = file.against(table(ROWS), 100_000);
    assertThat(check.same()).as("%s", check).isTrue();
  }

  @ParameterizedTest
  @EnumSource
  void a_file_of_other_rows_is_not_the_same_in_any_format(FileFormat format) throws IOException {
    List<List<String>> other = new ArrayList<>(ROWS);
    other.set(1, List.of("Casualties / C-2406 Brannock Star / Fees", "Ola Lindqvist", "4", "Keeper; from above"));
    StatementCheck check = StatementFile.read(write(format, table(other)), 100_000, PdfLines::of).against(table(ROWS), 100_000);
    assertThat(check.same()).isFalse();
    assertThat(check.altered() + check.added() + check.leftOut()).isBetween(1, 2);
  }

  @Test
  void a_workbook_that_another_hand_sorted_and_saved_is_the_same_and_one_altered_cell_is_named() throws IOException {
    File file = write(FileFormat.XLSX, table(ROWS));
    rewrite(file, sheet -> {
      List<List<String>> rows = new ArrayList<>();
      for (int i = 1; i <= sheet.getLastRowNum(); i++) {
        rows.add(ROWS.get(i - 1));
        sheet.removeRow(sheet.getRow(i));
      }
      Collections.reverse(rows);
      for (int i = 0; i < rows.size(); i++) {
        Row row = sheet.createRow(i + 1);
        for (int column = 0; column < 4; column++) {
          row.createCell(column).setCellValue(Cells.neutral(rows.get(i).get(column)));
        }
      }
    });
    assertThat(StatementFile.read(file, 100_000, PdfLines::of).against(table(ROWS), 100_000).same()).isTrue();
    rewrite(file, sheet -> sheet.getRow(2).getCell(1).setCellValue("Somebody Else"));
    StatementCheck check = StatementFile.read(file, 100_000, PdfLines::of).against(table(ROWS), 100_000);
    assertThat(check.cells()).singleElement().satisfies(cell -> {
      assertThat(cell.row()).isEqualTo(3);
      assertThat(cell.column()).isEqualTo("Person");
      assertThat(cell.says()).isEqualTo("Somebody Else");
      assertThat(cell.said()).isEqualTo("Søren <b> O’Dell");
    });
    rewrite(file, sheet -> sheet.getRow(2).getCell(1).setCellFormula("\"Søren <b> \"&\"O’Dell\""));
    assertThat(StatementFile.read(file, 100_000, PdfLines::of).against(table(ROWS), 100_000).same()).as("a formula that shows the same is not the same").isFalse();
  }

  @Test
  void a_sheet_and_a_column_that_were_put_in_are_named_and_the_file_is_not_what_was_said() throws IOException {
    File file = write(FileFormat.XLSX, table(ROWS));
    try (FileInputStream in = new FileInputStream(file); XSSFWorkbook workbook = new XSSFWorkbook(in)) {
      workbook.createSheet("Statement of trust").createRow(0).createCell(0).setCellValue("Nobody else can read this.");
      workbook.createSheet("Blank");
      Sheet sheet = workbook.getSheet("Statement");
      sheet.getRow(0).createCell(5).setCellValue("Checked by");
      sheet.getRow(2).createCell(7).setCellValue("seen");
      try (OutputStream out = Files.newOutputStream(file.toPath())) {
        workbook.write(out);
      }
    }
    StatementCheck check = StatementFile.read(file, 100_000, PdfLines::of).against(table(ROWS), 100_000);
    assertThat(check.addedParts()).containsExactly("the sheet “Statement of trust”", "the column “Checked by”", "what stands in column 8, which has no title");
    assertThat(check.altered() + check.added() + check.leftOut()).as("its rows are as they were").isZero();
    assertThat(check.same()).isFalse();
  }

  @Test
  void what_was_put_into_json_beside_what_was_said_is_named() throws IOException {
    File file = write(FileFormat.JSON, table(ROWS));
    String text = Files.readString(file.toPath());
    Files.writeString(file.toPath(), text.replaceFirst("\\{\"place\"", "{\"approved\":\"yes\",\"place\"").replaceFirst("\"facts\"", "\"remark\":\"all well\",\"facts\""));
    StatementCheck check = StatementFile.read(file, 100_000, PdfLines::of).against(table(ROWS), 100_000);
    assertThat(check.addedParts()).containsExactly("what it calls “remark”", "the column “approved”");
    assertThat(check.same()).isFalse();
  }

  @Test
  void what_it_says_of_the_one_before_is_no_part_of_it_and_that_is_said() throws IOException {
    File file = folder.resolve("since.xlsx").toFile();
    try (OutputStream out = Files.newOutputStream(file.toPath())) {
      FileFormat.XLSX.write(StatementSheet.of(table(ROWS), identity(), "Oriel Fenn", false).with(new palegate.exports.Sheet.Before(StatementFile.SINCE_THE_LAST_ONE, "2 rows came.", List.of(new palegate.exports.Sheet.Column("what", "What changed", 16)), List.of(List.of("came")))), out);
    }
    StatementFile read = StatementFile.read(file, 100_000, PdfLines::of);
    assertThat(read.sinceTheLastOne()).isTrue();
    assertThat(read.against(table(ROWS), 100_000).same()).isTrue();
    assertThat(StatementFile.read(write(FileFormat.XLSX, table(ROWS)), 100_000, PdfLines::of).sinceTheLastOne()).isFalse();
  }

  private static StatementTable told(String people) {
    StatementTable table = table(ROWS);
    return new StatementTable(table.title(), Map.of("People", people), table.columns(), table.rows());
  }

  @ParameterizedTest
  @EnumSource(names = {"XLSX", "PDF", "JSON"})
  void a_cover_that_says_something_else_is_named(FileFormat format) throws IOException {
    StatementCheck check = StatementFile.read(write(format, told("5")), 100_000, PdfLines::of).against(told("4"), 100_000);
    assertThat(check.same()).isFalse();
    assertThat(check.cells()).singleElement().satisfies(cell -> {
      assertThat(cell.row()).isEqualTo(StatementCheck.COVER);
      assertThat(cell.says()).contains("5").doesNotContain("4");
      assertThat(cell.said()).contains("4").doesNotContain("5");
    });
    assertThat(check.added() + check.leftOut()).isZero();
  }

  @Test
  void a_workbook_whose_cover_was_written_over_is_caught_to_the_fact_and_who_made_it_is_not_compared() throws IOException {
    File file = write(FileFormat.XLSX, table(ROWS));
    try (FileInputStream in = new FileInputStream(file); XSSFWorkbook workbook = new XSSFWorkbook(in)) {
      Sheet cover = workbook.getSheet("Cover");
      for (Row row : cover) {
        String name = row.getCell(0).getStringCellValue();
        if (name.equals("As of")) {
          row.createCell(1).setCellValue("1 January 2026, 00:00:00 UTC");
        } else if (name.equals("Made by")) {
          row.createCell(1).setCellValue("Somebody Else");
        } else if (name.equals("How to check this file")) {
          row.createCell(1).setCellValue("Call this number.");
        }
      }
      cover.createRow(30).createCell(0).setCellValue("Approved by");
      cover.getRow(30).createCell(1).setCellValue("The board");
      in.close();
      try (OutputStream out = Files.newOutputStream(file.toPath())) {
        workbook.write(out);
      }
    }
    StatementCheck check = StatementFile.read(file, 100_000, PdfLines::of).against(table(ROWS), 100_000);
    assertThat(check.cells()).extracting(StatementCheck.Cell::column).containsExactly("As of", "How to check this file", "Approved by");
    assertThat(check.cells().get(0).says()).startsWith("1 January");
    assertThat(check.cells().get(0).said()).startsWith("24 November");
    assertThat(check.altered()).isEqualTo(3);
  }

  @ParameterizedTest
  @EnumSource(names = {"XLSX", "PDF", "JSON"})
  void a_cover_of_several_pages_is_the_same_and_one_altered_total_among_many_is_named(FileFormat format) throws IOException {
    Map<String, String> totals = new TreeMap<>();
    IntStream.range(100, 220).forEach(i -> totals.put("Total " + i, "of " + i));
    StatementTable table = new StatementTable("Who can reach Casualties", totals, table(ROWS).columns(), () -> IntStream.range(0, 300).mapToObj(i -> new StatementTable.Row(List.of("Place " + i, "Person", "1", ""))));
    assertThat(StatementFile.read(write(format, table), 100_000, PdfLines::of).against(table, 100_000).cells()).isEmpty();
    Map<String, String> other = new TreeMap<>(totals);
    other.put("Total 207", "of 208");
    StatementCheck check = StatementFile.read(write(format, new StatementTable(table.title(), other, table.columns(), table.rows())), 100_000, PdfLines::of).against(table, 100_000);
    assertThat(check.cells()).singleElement().satisfies(cell -> assertThat(cell.says()).contains("of 208"));
  }

  @ParameterizedTest
  @EnumSource(names = {"XLSX", "PDF", "JSON"})
  void one_made_ahead_says_so_and_is_the_same(FileFormat format) throws IOException {
    File file = folder.resolve("ahead." + format.ending()).toFile();
    try (OutputStream out = Files.newOutputStream(file.toPath())) {
      format.write(StatementSheet.of(table(ROWS), identity(), "Oriel Fenn, who has a name that goes on and on, of the office for the audit of all things at Sallowpoint", true), out);
    }
    assertThat(StatementFile.read(file, 100_000, PdfLines::of).against(table(ROWS), 100_000).same()).isTrue();
  }

  private interface Altering {
    void alter(Sheet sheet);
  }

  private static void rewrite(File file, Altering altering) throws IOException {
    try (FileInputStream in = new FileInputStream(file); XSSFWorkbook workbook = new XSSFWorkbook(in)) {
      altering.alter(workbook.getSheet("Statement"));
      in.close();
      try (OutputStream out = Files.newOutputStream(file.toPath())) {
        workbook.write(out);
      }
    }
  }

  @Test
  void a_csv_that_was_saved_with_semicolons_or_in_an_older_encoding_is_still_read() throws IOException {
    List<List<String>> rows = List.of(List.of("Charts", "Søren Vik", "2", "here"));
    File file = write(FileFormat.CSV, table(rows));
    String text = Files.readString(file.toPath());
    Files.write(file.toPath(), text.substring(1).replace(",", ";").getBytes("windows-1252"));
    assertThat(StatementFile.read(file, 100_000, PdfLines::of).against(table(rows), 100_000).same()).isTrue();
  }

  @Test
  void whatever_is_no_statement_or_is_damaged_is_refused_with_what_would_be_right() throws IOException {
    File file = folder.resolve("anything").toFile();
    for (byte[] bytes : List.of(new byte[0], "Place,Person\na,b\n".getBytes(StandardCharsets.UTF_8), "{\"title\": \"x\"".getBytes(StandardCharsets.UTF_8), "%PDF-1.7 cut".getBytes(StandardCharsets.UTF_8), "PK\u0003\u0004cut".getBytes(StandardCharsets.UTF_8), "{}".getBytes(StandardCharsets.UTF_8))) {
      Files.write(file.toPath(), bytes);
      assertThatThrownBy(() -> StatementFile.read(file, 100_000, PdfLines::of)).as(new String(bytes, StandardCharsets.UTF_8)).isInstanceOf(IOException.class);
    }
    byte[] whole = Files.readAllBytes(write(FileFormat.XLSX, table(ROWS)).toPath());
    Random random = new Random(20_261_129);
    for (int i = 0; i < 40; i++) {
      int length = random.nextInt(whole.length);
      Files.write(file.toPath(), Arrays.copyOf(whole, length));
      try {
        // Cut by a few bytes of what ends the archive, all that it says is still there.
        assertThat(StatementFile.read(file, 100_000, PdfLines::of).against(table(ROWS), 100_000).same()).as("cut after %d of %d bytes", length, whole.length).isTrue();
      } catch (UnreadableFile refused) {
        assertThat(refused.remedy()).isNotBlank();
      }
    }
  }

  @Test
  void a_workbook_that_unpacks_to_far_more_than_it_is_is_refused_before_it_fills_the_memory() throws IOException {
    File file = write(FileFormat.XLSX, table(ROWS));
    File bomb = folder.resolve("bomb.xlsx").toFile();
    try (ZipFile zip = new ZipFile(file); ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(bomb.toPath()))) {
      for (var entries = zip.entries(); entries.hasMoreElements();) {
        ZipEntry entry = entries.nextElement();
        out.putNextEntry(new ZipEntry(entry.getName()));
        if (entry.getName().endsWith("sheet2.xml")) {
          byte[] blanks = new byte[1 << 20];
          Arrays.fill(blanks, (byte) ' ');
          out.write("<?xml version=\"1.0\"?><worksheet xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\"><sheetData>".getBytes(StandardCharsets.UTF_8));
          for (int i = 0; i < 200; i++) {
            out.write(blanks);
          }
          out.write("</sheetData></worksheet>".getBytes(StandardCharsets.UTF_8));
        } else {
          zip.getInputStream(entry).transferTo(out);
        }
        out.closeEntry();
      }
    }
    assertThat(bomb.length()).isLessThan(1 << 20);
    assertThatThrownBy(() -> StatementFile.read(bomb, 100_000, PdfLines::of)).isInstanceOf(UnreadableFile.class).hasMessageContaining("unpacks to far more");
  }

  @Test
  void pages_are_tagged_have_bookmarks_a_language_page_numbers_and_the_digest_and_print_at_eight_points_or_more() throws IOException {
    List<List<String>> many = new ArrayList<>();
    for (int i = 0; i < 300; i++) {
      many.add(List.of("Casualties / C-24" + i, "Person " + i, Integer.toString(i), "Preparer to Adjusters, from above"));
    }
    try (PDDocument document = Loader.loadPDF(write(FileFormat.PDF, table(many)))) {
      assertThat(document.getDocumentCatalog().getStructureTreeRoot()).isNotNull();
      assertThat(document.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
      assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("en-GB");
      assertThat(document.getDocumentCatalog().getDocumentOutline().getFirstChild().getTitle()).isEqualTo("What this says");
      assertThat(document.getNumberOfPages()).isGreaterThan(5);
      Set<Float> sizes = new HashSet<>();
      PDFTextStripper stripper = new PDFTextStripper() {
        @Override
        protected void writeString(String text, List<TextPosition> positions) throws IOException {
          positions.forEach(position -> sizes.add(position.getFontSizeInPt()));
          super.writeString(text, positions);
        }
      };
      String text = stripper.getText(document);
      assertThat(text).contains("Page 1 of " + document.getNumberOfPages(), "Page " + document.getNumberOfPages() + " of", "sha256-2:", "Oriel Fenn", "Signature");
      assertThat(sizes).allSatisfy(size -> assertThat(size).isGreaterThanOrEqualTo(8f));
    }
  }

  @Test
  void more_rows_than_pages_are_made_for_are_refused_before_anything_is_written() {
    StatementTable endless = new StatementTable("Everyone", Map.of(), List.of(new StatementTable.Column("place", "Place", 60, false, true)),
        () -> Stream.generate(() -> new StatementTable.Row(List.of("x"))));
    assertThatThrownBy(() -> write(FileFormat.PDF, endless)).isInstanceOf(TooManyRows.class);
    assertThat(folder.resolve("statement.pdf")).isEmptyFile();
  }

  @Test
  void what_has_more_cells_than_are_held_is_refused_in_every_format_but_pages() throws IOException {
    for (FileFormat format : new FileFormat[] {FileFormat.XLSX, FileFormat.CSV, FileFormat.JSON, FileFormat.JSONL}) {
      File file = write(format, table(ROWS));
      assertThatThrownBy(() -> StatementFile.read(file, 7, PdfLines::of)).as("%s", format).isInstanceOf(UnreadableFile.class).hasMessageContaining("more than 7");
    }
  }
}
