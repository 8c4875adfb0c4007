package palegate.server.papers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import palegate.server.store.TextIndex;

/** What documents say is read in a process of its own; one that is made to hurt hurts nothing else. */
class TextExtractionTest {
  private static final String ODT = "application/vnd.oasis.opendocument.text";
  private final TextIndex index = Mockito.mock(TextIndex.class);
  private final TextExtraction extraction = new TextExtraction(index, Duration.ofSeconds(20));

  private static byte[] archive(String content) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("content.xml"));
      zip.write(content.getBytes(StandardCharsets.UTF_8));
      zip.closeEntry();
    }
    return out.toByteArray();
  }

  @Test
  void a_pdf_and_an_open_document_are_read() throws Exception {
    ByteArrayOutputStream pdf = new ByteArrayOutputStream();
    try (PDDocument document = new PDDocument()) {
      PDPage page = new PDPage();
      document.addPage(page);
      try (PDPageContentStream content = new PDPageContentStream(document, page)) {
        content.beginText();
        content.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 12);
        content.newLineAtOffset(50, 700);
        content.showText("The rudder stock was cracked");
        content.endText();
      }
      document.save(pdf);
    }
    assertThat(extraction.extracted("application/pdf", pdf.toByteArray())).contains("rudder stock");
    assertThat(extraction.extracted(ODT, archive("<doc><p>General average</p><p>adjusted</p></doc>"))).contains("General average", "adjusted");
  }

  @Test
  void an_archive_that_unpacks_without_end_and_a_pdf_that_is_none_are_given_up() throws Exception {
    byte[] bomb = archive("<a>" + " ".repeat(60_000_000) + "</a>");
    assertThat(bomb.length).as("small as a file").isLessThan(100_000);
    assertThatThrownBy(() -> extraction.extracted(ODT, bomb)).isInstanceOf(IOException.class);
    assertThatThrownBy(() -> extraction.extracted("application/pdf", "%PDF-1.7 and nothing more".getBytes(StandardCharsets.UTF_8))).isInstanceOf(IOException.class);
    String laughs = "<!DOCTYPE a [<!ENTITY b \"" + "b".repeat(1_000) + "\"><!ENTITY c \"" + "&b;".repeat(1_000) + "\"><!ENTITY d \"" + "&c;".repeat(1_000) + "\">]><a>&d;</a>";
    assertThat(catching(() -> extraction.extracted(ODT, archive(laughs)))).as("entities are not unfolded").hasSizeLessThan(10_000);
  }

  @Test
  void one_that_takes_too_long_is_ended() throws Exception {
    TextExtraction hasty = new TextExtraction(index, Duration.ofMillis(1));
    assertThatThrownBy(() -> hasty.extracted("text/plain", new byte[] {65})).isInstanceOf(IOException.class).hasMessageContaining("longer");
  }

  @Test
  void plain_text_is_kept_at_once_and_pictures_say_nothing() {
    Map<String, String> kept = new ConcurrentHashMap<>();
    Mockito.doAnswer(call -> kept.put(call.getArgument(0), call.getArgument(2))).when(index).keep(Mockito.anyString(), Mockito.anyInt(), Mockito.anyString());
    extraction.read("d-1", 1, "text/plain", "Salvage".getBytes(StandardCharsets.UTF_8));
    extraction.read("d-2", 1, "image/png", new byte[] {1});
    assertThat(kept).containsEntry("d-1", "Salvage").containsEntry("d-2", "");
  }

  private interface Reading {
    String text() throws Exception;
  }

  private static String catching(Reading reading) {
    try {
      return reading.text();
    } catch (Exception refused) {
      return "";
    }
  }
}
