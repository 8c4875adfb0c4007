package palegate.server.demo;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** A page of lines as a PDF (ISO 32000-1) of the plainest kind: one of the fonts that every reader has, in Latin 1. */
final class PlainPdf {
  private static final int ACROSS = 84;
  private static final int DOWN = 52;

  private PlainPdf() {}

  /** What does not fit on the page is left out. O(letters). */
  static byte[] of(List<String> lines) {
    StringBuilder text = new StringBuilder("BT /F1 10.5 Tf 14 TL 62 780 Td ");
    wrapped(lines).stream().limit(DOWN).forEach(line -> text.append('(').append(escaped(line)).append(") Tj T* "));
    text.append("ET");
    List<String> objects = List.of("<< /Type /Catalog /Pages 2 0 R >>", "<< /Type /Pages /Kids [3 0 R] /Count 1 >>",
        "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>",
        "<< /Length " + text.length() + " >>\nstream\n" + text + "\nendstream", "<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica /Encoding /WinAnsiEncoding >>");
    StringBuilder file = new StringBuilder("%PDF-1.4\n");
    StringBuilder places = new StringBuilder("0000000000 65535 f \n");
    for (int i = 0; i < objects.size(); i++) {
      places.append("%010d 00000 n \n".formatted(file.length()));
      file.append(i + 1).append(" 0 obj\n").append(objects.get(i)).append("\nendobj\n");
    }
    int start = file.length();
    file.append("xref\n0 ").append(objects.size() + 1).append('\n').append(places).append("trailer\n<< /Size ").append(objects.size() + 1)
        .append(" /Root 1 0 R >>\nstartxref\n").append(start).append("\n%%EOF\n");
    return file.toString().getBytes(StandardCharsets.ISO_8859_1);
  }

  private static List<String> wrapped(List<String> lines) {
    List<String> wrapped = new ArrayList<>();
    for (String line : lines) {
      String rest = line;
      while (rest.length() > ACROSS) {
        int cut = Math.max(1, rest.lastIndexOf(' ', ACROSS));
        wrapped.add(rest.substring(0, cut));
        rest = rest.substring(cut).strip();
      }
      wrapped.add(rest);
    }
    return wrapped;
  }

  private static String escaped(String line) {
    return line.replace("\\", "\\\\").replace("(", "\\(").replace(")", "\\)");
  }
}
