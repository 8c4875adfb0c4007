package palegate.server.walls;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import palegate.core.certificates.Certificate;
import palegate.server.store.WallRecords;

/** A certificate on one page, for a file or a wall. */
final class CertificatePdf {
  private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm 'UTC'", Locale.UK).withZone(ZoneOffset.UTC);
  private static final float LEFT = 64;
  private static final float TOP = 770;
  private static final float LINE = 18;
  private static final int LETTERS = 82;

  private CertificatePdf() {}

  static byte[] of(WallRecords.Kept kept, Certificate certificate) throws IOException {
    Certificate.Proved proved = certificate.walls().get(0);
    List<String> lines = new ArrayList<>(List.of(
        "Wall: " + proved.name(), "Proved for: " + WHEN.format(proved.provedFor()) + (proved.planned() ? " (it did not stand yet)" : ""), "Made: " + WHEN.format(kept.at()) + " by " + kept.author(),
        "State: change " + kept.change(), "",
        String.format(Locale.UK, "Pairs of a barred person and a covered place: %,d", proved.pairs()), String.format(Locale.UK, "Of these with any right: %,d", proved.leaks()),
        String.format(Locale.UK, "Asked again by the explained stages: %,d, with any right: %,d", proved.explained(), proved.explainedLeaks()), "Seed of their choice: " + proved.seed(), "",
        certificate.holds() ? "The wall holds: nobody whom it bars has any right on anything that it covers." : "The wall does not hold.", "",
        "Digest of the state:", certificate.bundleDigest(), "Digest of the wall's definition:", proved.definition(), "",
        "The same certificate as JSON can be checked against a bundle of that state with: palegate verify"));
    try (PDDocument document = new PDDocument(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
      PDPage page = new PDPage(PDRectangle.A4);
      document.addPage(page);
      document.getDocumentInformation().setTitle("Certificate of a wall");
      PDType1Font plain = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
      try (PDPageContentStream text = new PDPageContentStream(document, page)) {
        float at = TOP;
        line(text, new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD), 16, at, "Certificate of a wall");
        at -= 2 * LINE;
        for (String one : lines) {
          for (String part : wrapped(one)) {
            line(text, plain, 10.5f, at, part);
            at -= LINE;
          }
        }
      }
      document.save(out);
      return out.toByteArray();
    }
  }

  /** Lines that fit the page, broken between words where there are any; nothing is left out. */
  private static List<String> wrapped(String line) {
    List<String> parts = new ArrayList<>();
    String rest = line;
    while (rest.length() > LETTERS) {
      int cut = rest.lastIndexOf(' ', LETTERS) > 0 ? rest.lastIndexOf(' ', LETTERS) : LETTERS;
      parts.add(rest.substring(0, cut));
      rest = rest.substring(cut).strip();
    }
    parts.add(rest);
    return parts;
  }

  private static void line(PDPageContentStream text, PDType1Font font, float size, float at, String line) throws IOException {
    text.beginText();
    text.setFont(font, size);
    text.newLineAtOffset(LEFT, at);
    text.showText(written(line, font));
    text.endText();
  }

  /** The fonts that every reader has know the letters of western Europe; any other is said to be missing. */
  private static String written(String line, PDType1Font font) {
    StringBuilder written = new StringBuilder();
    line.codePoints().forEach(letter -> {
      String one = Character.toString(letter);
      try {
        font.encode(one);
        written.append(one);
      } catch (IOException | IllegalArgumentException unknown) {
        written.append('?');
      }
    });
    return written.toString();
  }
}
