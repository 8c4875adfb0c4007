package palegate.server.papers;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;

/**
 * Reads the text of one document from its input, and writes it to its output. Runs as a process of its own with little memory, so that a
 * document made to hurt takes this process with it and nothing else.
 */
public final class ExtractText {
  private static final int LETTERS_AT_MOST = 1_000_000;
  private static final int PAGES_AT_MOST = 500;
  /** What one part of an archive may unpack to. */
  private static final int UNPACKED_AT_MOST = 20_000_000;

  private ExtractText() {}

  /** @param arguments the media type */
  public static void main(String[] arguments) throws Exception {
    PrintStream out = new PrintStream(System.out, false, StandardCharsets.UTF_8);
    out.print(of(arguments[0], System.in.readAllBytes()));
    out.flush();
  }

  static String of(String mediaType, byte[] bytes) throws IOException, XMLStreamException {
    return switch (mediaType) {
      case "text/plain" -> cut(new String(bytes, StandardCharsets.UTF_8));
      case "application/pdf" -> ofPdf(bytes);
      case "application/vnd.oasis.opendocument.text", "application/vnd.oasis.opendocument.spreadsheet" -> ofOpenDocument(bytes);
      default -> "";
    };
  }

  private static String ofPdf(byte[] bytes) throws IOException {
    try (PDDocument document = Loader.loadPDF(bytes)) {
      PDFTextStripper stripper = new PDFTextStripper();
      stripper.setEndPage(PAGES_AT_MOST);
      return cut(stripper.getText(document));
    }
  }

  private static String ofOpenDocument(byte[] bytes) throws IOException, XMLStreamException {
    try (ZipInputStream archive = new ZipInputStream(new ByteArrayInputStream(bytes))) {
      for (ZipEntry entry = archive.getNextEntry(); entry != null; entry = archive.getNextEntry()) {
        if (entry.getName().equals("content.xml")) {
          byte[] content = archive.readNBytes(UNPACKED_AT_MOST + 1);
          if (content.length > UNPACKED_AT_MOST) {
            throw new IOException("The document unpacks to more than " + UNPACKED_AT_MOST + " bytes.");
          }
          return ofXml(new ByteArrayInputStream(content));
        }
      }
    }
    return "";
  }

  private static String ofXml(InputStream content) throws XMLStreamException {
    XMLInputFactory factory = XMLInputFactory.newFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    XMLStreamReader reader = factory.createXMLStreamReader(content);
    StringBuilder text = new StringBuilder();
    while (reader.hasNext() && text.length() < LETTERS_AT_MOST) {
      int event = reader.next();
      if (event == XMLStreamReader.CHARACTERS) {
        text.append(reader.getText());
      } else if (event == XMLStreamReader.END_ELEMENT) {
        text.append(' ');
      }
    }
    return cut(text.toString());
  }

  private static String cut(String text) {
    return text.length() <= LETTERS_AT_MOST ? text : text.substring(0, LETTERS_AT_MOST);
  }
}
