package palegate.exports;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.common.PDNumberTreeNode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDParentTreeValue;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.PDTableAttributeObject;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;

/**
 * Tagged pages, written from top to bottom: headings with bookmarks, tables whose head stands on every page, lines to sign on. What repeats
 * and what only decorates is marked so that screen readers pass it over.
 */
final class PdfPages implements AutoCloseable {
  private static final PDRectangle ACROSS = new PDRectangle(PDRectangle.A4.getHeight(), PDRectangle.A4.getWidth());
  private static final float MARGIN = 36;
  private static final float FOOT = 26;
  private static final float SIZE = 9;
  private static final float FOOT_SIZE = 8.5f;
  private static final float LEADING = 11.2f;
  private static final float PADDING = 3;
  private static final float[] HEADINGS = {15, 11};
  private static final COSName ARTIFACT = COSName.getPDFName("Artifact");
  private static final String METADATA = """
      <?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>
      <x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
      <rdf:Description rdf:about="" xmlns:pdfuaid="http://www.aiim.org/pdfua/ns/id/" xmlns:dc="http://purl.org/dc/elements/1.1/">
      <pdfuaid:part>1</pdfuaid:part><dc:title><rdf:Alt><rdf:li xml:lang="x-default">%s</rdf:li></rdf:Alt></dc:title></rdf:Description></rdf:RDF></x:xmpmeta>
      <?xpacket end="w"?>""";

  private final PDDocument document = new PDDocument();
  private final PdfText text;
  private final String foot;
  private final PDStructureElement whole;
  private final PDStructureTreeRoot structure = new PDStructureTreeRoot();
  private final PDDocumentOutline outline = new PDDocumentOutline();
  private final Map<Integer, COSArray> parents = new HashMap<>();
  private PDPage page;
  private PDPageContentStream content;
  private float at;

  PdfPages(String title, String foot) throws IOException {
    this.foot = foot;
    text = new PdfText(document);
    document.getDocumentInformation().setTitle(title);
    document.getDocumentCatalog().setLanguage("en-GB");
    PDMarkInfo marks = new PDMarkInfo();
    marks.setMarked(true);
    document.getDocumentCatalog().setMarkInfo(marks);
    PDViewerPreferences preferences = new PDViewerPreferences(new COSDictionary());
    preferences.setDisplayDocTitle(true);
    document.getDocumentCatalog().setViewerPreferences(preferences);
    document.getDocumentCatalog().setDocumentOutline(outline);
    PDMetadata metadata = new PDMetadata(document);
    metadata.importXMPMetadata(METADATA.formatted(title.replace("&", "&amp;").replace("<", "&lt;").replaceAll("[\\x00-\\x1F\\uFFFE\\uFFFF]", " ")).getBytes(StandardCharsets.UTF_8));
    document.getDocumentCatalog().setMetadata(metadata);
    document.getDocumentCatalog().setStructureTreeRoot(structure);
    whole = new PDStructureElement("Document", structure);
    structure.appendKid(whole);
    turnPage();
  }

  PDDocument document() {
    return document;
  }

  private void turnPage() throws IOException {
    if (content != null) {
      content.close();
    }
    page = new PDPage(ACROSS);
    document.addPage(page);
    int number = document.getNumberOfPages() - 1;
    page.getCOSObject().setInt(COSName.STRUCT_PARENTS, number);
    page.getCOSObject().setName(COSName.getPDFName("Tabs"), "S");
    parents.put(number, new COSArray());
    content = new PDPageContentStream(document, page);
    at = ACROSS.getHeight() - MARGIN;
  }

  private void room(float height) throws IOException {
    if (at - height < MARGIN + FOOT) {
      turnPage();
    }
  }

  /** Begins something that is read: returns nothing, and the next text belongs to the element. */
  private void mark(PDStructureElement element) throws IOException {
    COSArray here = parents.get(document.getNumberOfPages() - 1);
    element.setPage(page);
    element.appendKid(here.size());
    content.beginMarkedContent(COSName.getPDFName(element.getStructureType()), here.size());
    here.add(element.getCOSObject());
  }

  private PDStructureElement element(String type, PDStructureElement parent) {
    PDStructureElement element = new PDStructureElement(type, parent);
    parent.appendKid(element);
    return element;
  }

  void heading(int level, String words) throws IOException {
    float size = HEADINGS[level - 1];
    List<String> lines = text.wrapped(words, size, width());
    room(lines.size() * size * 1.25f + (level == 1 ? 0 : 4 * LEADING));
    at -= level == 1 ? 0 : LEADING;
    PDOutlineItem item = new PDOutlineItem();
    item.setTitle(level == 1 ? "What this says" : words);
    PDPageXYZDestination destination = new PDPageXYZDestination();
    destination.setPage(page);
    destination.setTop((int) at);
    item.setDestination(destination);
    outline.addLast(item);
    mark(element("H" + level, whole));
    for (String line : lines) {
      at -= size * 1.25f;
      text.show(content, line, size, MARGIN, at);
    }
    content.endMarkedContent();
    at -= 5;
  }

  private static float width() {
    return ACROSS.getWidth() - 2 * MARGIN;
  }

  void table(List<Sheet.Column> columns, List<List<String>> rows, boolean headed) throws IOException {
    PDStructureElement table = element("Table", whole);
    float[] widths = widths(columns);
    if (headed) {
      head(columns, widths, table);
    }
    for (List<String> row : rows) {
      List<List<String>> cells = new ArrayList<>();
      int lines = 1;
      for (int i = 0; i < columns.size(); i++) {
        cells.add(text.wrapped(row.get(i), SIZE, widths[i] - 2 * PADDING));
        lines = Math.max(lines, cells.get(i).size());
      }
      row(columns, cells, lines, widths, table, headed);
    }
  }

  private float[] widths(List<Sheet.Column> columns) {
    float[] widths = new float[columns.size()];
    float all = 0;
    for (int i = 0; i < widths.length; i++) {
      float longest = 0;
      for (String word : columns.get(i).title().split(" ")) {
        longest = Math.max(longest, text.width(word, SIZE));
      }
      // No word of a head is cut in two: what is wider for that makes the others narrower.
      widths[i] = Math.max(columns.get(i).width() * SIZE / 2, longest + 2 * PADDING + 1);
      all += widths[i];
    }
    for (int i = 0; i < widths.length; i++) {
      widths[i] *= width() / all;
    }
    return widths;
  }

  /** @param table null for a head that is only repeated */
  private void head(List<Sheet.Column> columns, float[] widths, PDStructureElement table) throws IOException {
    List<List<String>> titles = new ArrayList<>();
    int lines = 1;
    for (int i = 0; i < columns.size(); i++) {
      titles.add(text.wrapped(columns.get(i).title(), SIZE, widths[i] - 2 * PADDING));
      lines = Math.max(lines, titles.get(i).size());
    }
    float height = lines * LEADING + PADDING;
    if (table != null) {
      room(height + 3 * LEADING);
    }
    PDStructureElement row = table == null ? null : element("TR", table);
    cells(columns, titles, 0, lines, widths, row, "TH");
    at -= height;
    line(at, 1.1f);
  }

  /** A row that is higher than a page goes on on the next one. */
  private void row(List<Sheet.Column> columns, List<List<String>> cells, int lines, float[] widths, PDStructureElement table, boolean headed) throws IOException {
    PDStructureElement row = element("TR", table);
    int from = 0;
    while (from < lines) {
      int fit = (int) ((at - MARGIN - FOOT - PADDING) / LEADING);
      if (fit < Math.min(lines - from, 6)) {
        turnPage();
        if (headed) {
          head(columns, widths, null);
        }
        fit = (int) ((at - MARGIN - FOOT - PADDING) / LEADING);
      }
      int until = Math.min(lines, from + fit);
      cells(columns, cells, from, until, widths, row, headed ? "TD" : null);
      at -= (until - from) * LEADING + PADDING;
      if (headed) {
        line(at, 0.3f);
      }
      from = until;
    }
  }

  /** @param type of the cells; null for a row whose first cell is its head */
  private void cells(List<Sheet.Column> columns, List<List<String>> cells, int from, int until, float[] widths, PDStructureElement row, String type) throws IOException {
    float left = MARGIN;
    for (int i = 0; i < cells.size(); i++) {
      List<String> lines = cells.get(i).subList(Math.min(from, cells.get(i).size()), Math.min(until, cells.get(i).size()));
      String tag = type == null ? i == 0 ? "TH" : "TD" : type;
      if (row == null) {
        content.beginMarkedContent(ARTIFACT);
      } else {
        PDStructureElement cell = element(tag, row);
        if (tag.equals("TH")) {
          PDTableAttributeObject scope = new PDTableAttributeObject();
          scope.setScope(type == null ? PDTableAttributeObject.SCOPE_ROW : PDTableAttributeObject.SCOPE_COLUMN);
          cell.addAttribute(scope);
        }
        mark(cell);
      }
      float y = at;
      for (String line : lines) {
        y -= LEADING;
        float indent = columns.get(i).number() ? widths[i] - PADDING - text.width(line, SIZE) : PADDING;
        text.show(content, line, SIZE, left + indent, y);
      }
      content.endMarkedContent();
      left += widths[i];
    }
  }

  private void line(float y, float thickness) throws IOException {
    content.beginMarkedContent(ARTIFACT);
    content.setLineWidth(thickness);
    content.moveTo(MARGIN, y - PADDING / 2);
    content.lineTo(ACROSS.getWidth() - MARGIN, y - PADDING / 2);
    content.stroke();
    content.endMarkedContent();
  }

  void signature(List<String> fields) throws IOException {
    room(4 * LEADING);
    at -= 3 * LEADING;
    float each = width() / fields.size();
    for (int i = 0; i < fields.size(); i++) {
      mark(element("P", whole));
      text.show(content, fields.get(i), SIZE, MARGIN + i * each, at - LEADING);
      content.endMarkedContent();
      content.beginMarkedContent(ARTIFACT);
      content.setLineWidth(0.7f);
      content.moveTo(MARGIN + i * each, at);
      content.lineTo(MARGIN + (i + 1) * each - 18, at);
      content.stroke();
      content.endMarkedContent();
    }
    at -= 2 * LEADING;
  }

  /** Numbers the pages, now that it is known how many there are, and writes the whole. */
  void finish(OutputStream out) throws IOException {
    content.close();
    content = null;
    int pages = document.getNumberOfPages();
    for (int i = 0; i < pages; i++) {
      try (PDPageContentStream below = new PDPageContentStream(document, document.getPage(i), AppendMode.APPEND, true)) {
        below.beginMarkedContent(ARTIFACT);
        text.show(below, foot, FOOT_SIZE, MARGIN, FOOT);
        String number = "Page " + (i + 1) + " of " + pages;
        text.show(below, number, FOOT_SIZE, ACROSS.getWidth() - MARGIN - text.width(number, FOOT_SIZE), FOOT);
        below.endMarkedContent();
      }
    }
    PDNumberTreeNode tree = new PDNumberTreeNode(PDParentTreeValue.class);
    Map<Integer, PDParentTreeValue> numbers = new HashMap<>();
    parents.forEach((number, array) -> numbers.put(number, new PDParentTreeValue(array)));
    tree.setNumbers(numbers);
    structure.setParentTree(tree);
    structure.setParentTreeNextKey(pages);
    document.save(out, CompressParameters.NO_COMPRESSION);
  }

  @Override
  public void close() throws IOException {
    if (content != null) {
      content.close();
    }
    document.close();
  }

  /** The font that pages are set in: it comes with the library, knows Latin, Greek and Cyrillic letters, and is embedded as far as used. */
  static InputStream font() {
    return PDDocument.class.getResourceAsStream("/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf");
  }
}
