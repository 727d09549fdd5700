package rhetor.core.sheet;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Rows of an ODS worksheet (OpenDocument 1.3, part 3, chapter 9), streamed from its content.xml.
 */
final class OdsRows implements RowStream {
  private static final String TABLE = "urn:oasis:names:tc:opendocument:xmlns:table:1.0";
  private static final String OFFICE = "urn:oasis:names:tc:opendocument:xmlns:office:1.0";

  /**
   * Spreadsheet programs fill the sheet to its edge with one repeated empty cell; that is no width.
   */
  private static final int MOST_REPEATED = 400;

  private static final int SHEET_EDGE = 1_048_576;

  private final WorkbookNotes notes = new WorkbookNotes();
  private final ZipFile zip;
  private final XMLStreamReader xml;
  private int number;
  private int repeats;
  private SheetRow repeated;

  OdsRows(Path file, String worksheet) {
    try {
      zip = new ZipFile(file.toFile());
      xml = content(zip);
      while (xml.hasNext()) {
        if (xml.next() == XMLStreamConstants.START_ELEMENT
            && isTable("table")
            && worksheet.equals(xml.getAttributeValue(TABLE, "name"))) {
          return;
        }
      }
    } catch (IOException | XMLStreamException e) {
      throw ZipGuard.damaged();
    }
    throw new SheetException(
        SheetProblem.ofSheet(
            "no-worksheet",
            "There is no worksheet called \"" + worksheet + "\".",
            "Choose one of those that there are."));
  }

  private static XMLStreamReader content(ZipFile zip) throws IOException, XMLStreamException {
    ZipEntry entry = zip.getEntry("content.xml");
    if (entry == null) {
      throw ZipGuard.damaged();
    }
    InputStream in = new BufferedInputStream(zip.getInputStream(entry), 1 << 16);
    return XmlInput.reader(in);
  }

  static List<String> worksheets(Path file) {
    List<String> names = new ArrayList<>();
    try (ZipFile zip = new ZipFile(file.toFile())) {
      XMLStreamReader xml = content(zip);
      while (xml.hasNext()) {
        if (xml.next() == XMLStreamConstants.START_ELEMENT
            && xml.getLocalName().equals("table")
            && TABLE.equals(xml.getNamespaceURI())) {
          names.add(xml.getAttributeValue(TABLE, "name"));
        }
      }
    } catch (IOException | XMLStreamException e) {
      throw ZipGuard.damaged();
    }
    return names;
  }

  private boolean isTable(String name) {
    return xml.getLocalName().equals(name) && TABLE.equals(xml.getNamespaceURI());
  }

  @Override
  public SheetRow next() {
    if (repeats > 0) {
      repeats--;
      number++;
      return new SheetRow(number, repeated.cells(), new BitSet());
    }
    try {
      while (xml.hasNext()) {
        int event = xml.next();
        if (event == XMLStreamConstants.START_ELEMENT && isTable("table-row")) {
          return row();
        }
        if (event == XMLStreamConstants.END_ELEMENT && isTable("table")) {
          return null;
        }
      }
      return null;
    } catch (XMLStreamException e) {
      throw ZipGuard.damaged();
    }
  }

  private SheetRow row() throws XMLStreamException {
    int times = repeated("number-rows-repeated");
    String visibility = xml.getAttributeValue(TABLE, "visibility");
    if (visibility != null && !visibility.equals("visible")) {
      notes.hiddenRow();
    }
    List<String> cells = new ArrayList<>();
    int blanks = 0;
    while (true) {
      int event = xml.next();
      if (event == XMLStreamConstants.END_ELEMENT && isTable("table-row")) {
        break;
      }
      if (event == XMLStreamConstants.START_ELEMENT
          && (isTable("table-cell") || isTable("covered-table-cell"))) {
        int columns = repeated("number-columns-repeated");
        String text = cell();
        if (text.isEmpty()) {
          blanks = Math.min(blanks + columns, SHEET_EDGE);
        } else {
          // So many columns are too many, however many there are.
          for (int i = 0; i < Math.min(blanks, MOST_REPEATED); i++) {
            cells.add("");
          }
          blanks = 0;
          for (int i = 0; i < Math.min(columns, MOST_REPEATED); i++) {
            cells.add(text);
          }
        }
      }
    }
    number++;
    SheetRow row = new SheetRow(number, cells, new BitSet());
    if (cells.isEmpty() && times > 1) {
      // Blank rows to the end of the sheet: they count, and none of them has to be looked at.
      number = Math.min(number + times - 1, 100 * SHEET_EDGE);
    } else {
      repeats = times - 1;
      repeated = row;
    }
    return row;
  }

  private int repeated(String attribute) {
    String times = xml.getAttributeValue(TABLE, attribute);
    if (times == null) {
      return 1;
    }
    try {
      // A positive whole number (19.675, 19.679); to the edge of the sheet is enough.
      return Math.clamp(Long.parseLong(times), 1, SHEET_EDGE);
    } catch (NumberFormatException e) {
      throw ZipGuard.damaged();
    }
  }

  /** What a cell shows: the value of numbers and dates, the paragraphs of anything else. */
  private String cell() throws XMLStreamException {
    if (xml.getAttributeValue(TABLE, "formula") != null) {
      notes.formula();
    }
    String type = xml.getAttributeValue(OFFICE, "value-type");
    String value =
        switch (type == null ? "" : type) {
          case "float", "currency", "percentage" -> xml.getAttributeValue(OFFICE, "value");
          case "date" -> xml.getAttributeValue(OFFICE, "date-value");
          case "boolean" ->
              "true".equals(xml.getAttributeValue(OFFICE, "boolean-value")) ? "yes" : "no";
          default -> null;
        };
    StringBuilder text = new StringBuilder();
    int depth = 1;
    int annotation = 0;
    while (depth > 0) {
      switch (xml.next()) {
        case XMLStreamConstants.START_ELEMENT -> {
          depth++;
          String name = xml.getLocalName();
          annotation += name.equals("annotation") || annotation > 0 ? 1 : 0;
          if (annotation == 0 && name.equals("p") && !text.isEmpty()) {
            text.append('\n');
          } else if (annotation == 0 && (name.equals("s") || name.equals("tab"))) {
            text.append(' ');
          } else if (annotation == 0 && name.equals("line-break")) {
            text.append('\n');
          }
        }
        case XMLStreamConstants.END_ELEMENT -> {
          depth--;
          annotation -= annotation > 0 ? 1 : 0;
        }
        case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
          if (annotation == 0 && depth > 1) {
            text.append(xml.getText());
          }
        }
        default -> {}
      }
    }
    if (value != null) {
      return value;
    }
    if (text.length() > 1
        && text.charAt(0) == '#'
        && text.toString().matches("#(?:REF!|N/A|DIV/0!|VALUE!|NAME\\?|NUM!)")) {
      notes.error();
      return "";
    }
    return text.toString();
  }

  @Override
  public List<String> notes() {
    return notes.inWords();
  }

  @Override
  public void close() {
    try {
      xml.close();
      zip.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
  }
}
