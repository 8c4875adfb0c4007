package palegate.exports;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Text on pages: measured, broken into lines, and shown. A letter that the font does not have is shown as a question mark. */
final class PdfText {
  private final PDType0Font font;
  /** Widths in thousandths of the size, by letter; negative for those that the font does not have. */
  private final Map<Integer, Float> widths = new HashMap<>();

  PdfText(PDDocument document) throws IOException {
    try (InputStream file = PdfPages.font()) {
      // Ligatures would be looked for at every word, which takes longer than all else.
      TrueTypeFont plain = new TTFParser().parse(new RandomAccessReadBuffer(file));
      plain.setEnableGsub(false);
      font = PDType0Font.load(document, plain, true);
    }
  }

  private float width(int letter) {
    Float known = widths.get(letter);
    if (known == null) {
      try {
        known = Character.isISOControl(letter) ? -1 : font.getStringWidth(Character.toString(letter));
      } catch (IOException | IllegalArgumentException notThere) {
        known = -1f;
      }
      widths.put(letter, known);
    }
    return known;
  }

  float width(String line, float size) {
    double width = 0;
    for (int i = 0; i < line.length(); i = line.offsetByCodePoints(i, 1)) {
      width += Math.abs(width(shown(line.codePointAt(i))));
    }
    return (float) (width * size / 1000);
  }

  private int shown(int letter) {
    return width(letter) < 0 ? letter == '\t' ? ' ' : '?' : letter;
  }

  void show(PDPageContentStream content, String line, float size, float x, float y) throws IOException {
    StringBuilder shown = new StringBuilder(line.length());
    line.codePoints().forEach(letter -> shown.appendCodePoint(shown(letter)));
    content.beginText();
    content.setFont(font, size);
    content.newLineAtOffset(x, y);
    content.showText(shown.toString());
    content.endText();
  }

  /** Lines that fit, broken between words where there are any; nothing is left out. O(letters). */
  List<String> wrapped(String words, float size, float room) {
    List<String> lines = new ArrayList<>();
    for (String paragraph : words.split("\\R", -1)) {
      float width = 0;
      int start = 0;
      int blank = -1;
      float widthAtBlank = 0;
      for (int i = 0; i < paragraph.length(); i = paragraph.offsetByCodePoints(i, 1)) {
        int letter = paragraph.codePointAt(i);
        float of = Math.abs(width(shown(letter))) * size / 1000;
        if (width + of > room && i > start) {
          boolean between = blank > start;
          lines.add(paragraph.substring(start, between ? blank : i));
          start = between ? blank + 1 : i;
          width = between ? width - widthAtBlank : 0;
          blank = -1;
        }
        width += of;
        if (letter == ' ') {
          blank = i;
          widthAtBlank = width;
        }
      }
      lines.add(paragraph.substring(Math.min(start, paragraph.length())));
    }
    return lines;
  }
}
