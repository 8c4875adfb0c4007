package palegate.exports;

import java.io.File;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;

/**
 * What a PDF of a statement says: the seal that it carries, empty if none, and the lines of its text. It can be read by a process of its own
 * with little memory, so that a document made to hurt takes that process with it and nothing else.
 */
public record PdfLines(String seal, List<String> lines) {
  /** More pages than any statement has. */
  private static final int PAGES_AT_MOST = 3_000;

  /** Reads a file that somebody sent. */
  public interface Reader {
    PdfLines read(File file) throws IOException;
  }

  public PdfLines {
    lines = List.copyOf(lines);
  }

  /** In this process: for files that were made here, or by whoever reads one alone. */
  public static PdfLines of(File file) throws IOException {
    try (PDDocument document = Loader.loadPDF(file)) {
      return of(document);
    } catch (IOException broken) {
      throw broken instanceof UnreadableFile unreadable ? unreadable : new UnreadableFile("The file is no PDF that can be read, or a part of it is missing.", "Send the whole file as it was made.");
    }
  }

  static PdfLines of(byte[] made) throws IOException {
    try (PDDocument document = Loader.loadPDF(made)) {
      return of(document);
    }
  }

  private static PdfLines of(PDDocument document) throws IOException {
    if (document.isEncrypted() || document.getNumberOfPages() > PAGES_AT_MOST) {
      throw new UnreadableFile("The PDF is encrypted, or has more than " + PAGES_AT_MOST + " pages.", "Send the file as it was made.");
    }
    String seal = document.getDocumentInformation().getCustomMetadataValue(PdfFile.SEAL);
    return new PdfLines(seal == null ? "" : seal, new PDFTextStripper().getText(document).lines().map(String::strip).filter(line -> !line.isEmpty()).toList());
  }

  /** Writes the seal, then the lines, each on its own. */
  public static void main(String[] arguments) throws IOException {
    PdfLines read = of(new File(arguments[0]));
    PrintStream out = new PrintStream(System.out, false, StandardCharsets.UTF_8);
    out.println(read.seal().lines().findFirst().orElse(""));
    read.lines().forEach(out::println);
    out.flush();
  }

  /** What {@link #main} wrote. */
  public static PdfLines parse(String written) {
    List<String> all = written.lines().toList();
    return all.isEmpty() ? new PdfLines("", List.of()) : new PdfLines(all.get(0), all.subList(1, all.size()));
  }
}
