package palegate.exports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;

/**
 * A sheet as pages to be read and signed: A4 laid across, tagged for screen readers, with bookmarks, every page with its number, what the
 * document is, and the digest of what it says. Text prints at eight points or more.
 */
public final class PdfFile {
  /** The pages are made in memory; more rows than these go into a workbook. */
  public static final int ROWS_AT_MOST = 20_000;
  /** Under which name the document's information holds the seal. */
  static final String SEAL = "PaleGateIdentity";
  /** Where a digest is cut for the foot of a page: enough to hold two papers beside each other. */
  private static final int DIGEST_SHOWN = 24;
  private static final int FACT_NAME = 38;
  private static final int FACT = 150;

  private PdfFile() {}

  /** More rows than {@link #ROWS_AT_MOST} are refused before anything is written. */
  public static void write(Sheet sheet, OutputStream out) throws IOException {
    List<List<String>> rows = new ArrayList<>();
    for (Iterator<List<String>> all = sheet.rows().iterator(); all.hasNext();) {
      if (rows.size() == ROWS_AT_MOST) {
        throw new TooManyRows(ROWS_AT_MOST);
      }
      rows.add(all.next());
    }
    String seal = sheet.seal() == null ? null : sheet.seal().get();
    try (PdfPages pages = new PdfPages(sheet.title(), foot(sheet.title(), seal))) {
      pages.heading(1, sheet.title());
      List<List<String>> facts = new ArrayList<>();
      for (Map.Entry<String, String> fact : sheet.facts().entrySet()) {
        facts.add(List.of(fact.getKey(), fact.getValue()));
      }
      if (seal != null) {
        facts.add(List.of("Identity", seal));
        pages.document().getDocumentInformation().setCustomMetadataValue(SEAL, seal);
      }
      pages.table(List.of(new Sheet.Column("fact", "", FACT_NAME), new Sheet.Column("value", "", FACT)), facts, false);
      if (!sheet.columns().isEmpty()) {
        pages.heading(2, rows.isEmpty() ? "There are no rows." : "Rows: " + rows.size());
      }
      if (!rows.isEmpty()) {
        pages.table(sheet.columns(), rows, true);
      }
      pages.heading(2, "Signature");
      pages.signature(List.of("Name", "Signature", "Date"));
      pages.finish(out);
    }
  }

  static byte[] bytes(Sheet sheet) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    write(sheet, out);
    return out.toByteArray();
  }

  static String foot(String title, String seal) {
    String shown = title.length() <= 110 ? title : title.substring(0, 110) + " …";
    int digest = seal == null ? -1 : seal.lastIndexOf("| ") + 2;
    return seal == null ? shown : shown + " · " + seal.substring(digest, Math.min(seal.length(), digest + DIGEST_SHOWN)) + " …";
  }
}
