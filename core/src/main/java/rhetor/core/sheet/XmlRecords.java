package rhetor.core.sheet;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The elements of an XML product list: those that repeat highest up and have fields inside. */
final class XmlRecords implements RecordStream {
  private static final int LOOKED_AT = 20_000;
  private static final int DEEPEST = 40;
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private final InputStream in;
  private final XMLStreamReader xml;
  private final String record;
  private final Deque<String> path = new ArrayDeque<>();

  XmlRecords(Path file) {
    try {
      record = findRecord(file);
      in = new BufferedInputStream(Files.newInputStream(file), 1 << 16);
      xml = XmlInput.reader(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (XMLStreamException e) {
      throw broken(e);
    }
  }

  private static final class Seen {
    private int count;
    private boolean hasFields;
  }

  /** The path of the element that stands for a product. */
  private static String findRecord(Path file) throws IOException {
    Map<String, Seen> seen = new LinkedHashMap<>();
    try (InputStream in = new BufferedInputStream(Files.newInputStream(file), 1 << 16)) {
      XMLStreamReader xml = XmlInput.reader(in);
      Deque<String> path = new ArrayDeque<>();
      for (int n = 0; xml.hasNext() && n < LOOKED_AT; ) {
        int event = xml.next();
        if (event == XMLStreamConstants.START_ELEMENT) {
          n++;
          if (!path.isEmpty()) {
            seen.get(String.join("/", path)).hasFields = true;
          }
          path.addLast(xml.getLocalName());
          if (path.size() > DEEPEST) {
            throw tooDeep();
          }
          Seen here = seen.computeIfAbsent(String.join("/", path), p -> new Seen());
          here.count++;
          here.hasFields |= xml.getAttributeCount() > 1;
        } else if (event == XMLStreamConstants.END_ELEMENT) {
          path.removeLast();
        }
      }
    } catch (XMLStreamException e) {
      throw broken(e);
    }
    return seen.entrySet().stream()
        .filter(e -> e.getValue().hasFields && e.getKey().contains("/"))
        .filter(e -> e.getValue().count > 1)
        .map(Map.Entry::getKey)
        .min(java.util.Comparator.comparingLong(p -> p.chars().filter(c -> c == '/').count()))
        .or(
            () ->
                seen.entrySet().stream()
                    .filter(e -> e.getValue().hasFields && e.getKey().contains("/"))
                    .map(Map.Entry::getKey)
                    .findFirst())
        .orElseThrow(
            () ->
                new SheetException(
                    SheetProblem.ofSheet(
                        "no-list",
                        "The XML file has no list of elements with fields in it.",
                        "Choose the file that has an element for each product.")));
  }

  @Override
  public JsonNode next() {
    try {
      while (xml.hasNext()) {
        int event = xml.next();
        if (event == XMLStreamConstants.START_ELEMENT) {
          path.addLast(xml.getLocalName());
          if (path.size() > DEEPEST) {
            throw tooDeep();
          }
          if (String.join("/", path).equals(record)) {
            JsonNode node = element(0);
            path.removeLast();
            return node;
          }
        } else if (event == XMLStreamConstants.END_ELEMENT) {
          path.removeLast();
        }
      }
      return null;
    } catch (XMLStreamException e) {
      throw broken(e);
    }
  }

  /** Reads the element that the reader stands at, to its end. */
  private JsonNode element(int depth) throws XMLStreamException {
    if (depth > DEEPEST) {
      throw tooDeep();
    }
    ObjectNode fields = NODES.objectNode();
    String unit = "";
    for (int i = 0; i < xml.getAttributeCount(); i++) {
      String name = xml.getAttributeLocalName(i);
      if (name.equalsIgnoreCase("unit") || name.equalsIgnoreCase("uom")) {
        unit = " " + xml.getAttributeValue(i);
      } else if (depth == 0 || !isLabel(name)) {
        add(fields, name, NODES.stringNode(xml.getAttributeValue(i)));
      }
    }
    StringBuilder text = new StringBuilder();
    while (true) {
      int event = xml.next();
      if (event == XMLStreamConstants.START_ELEMENT) {
        // <param name="Colour">red</param>: the label is the field's name.
        String label = label();
        String name = label == null ? xml.getLocalName() : label;
        add(fields, name, element(depth + 1));
      } else if (event == XMLStreamConstants.CHARACTERS || event == XMLStreamConstants.CDATA) {
        text.append(xml.getText());
      } else if (event == XMLStreamConstants.END_ELEMENT) {
        break;
      }
    }
    String own = text.toString().strip();
    if (fields.isEmpty()) {
      return NODES.stringNode(own.isEmpty() ? "" : own + unit);
    }
    if (!own.isEmpty()) {
      add(fields, "value", NODES.stringNode(own + unit));
    }
    return fields;
  }

  private static boolean isLabel(String attribute) {
    return attribute.equals("name") || attribute.equals("key") || attribute.equals("label");
  }

  private String label() {
    for (int i = 0; i < xml.getAttributeCount(); i++) {
      if (isLabel(xml.getAttributeLocalName(i)) && !xml.getAttributeValue(i).isBlank()) {
        return xml.getAttributeValue(i);
      }
    }
    return null;
  }

  private static void add(ObjectNode fields, String name, JsonNode value) {
    JsonNode before = fields.get(name);
    if (before == null) {
      fields.set(name, value);
    } else if (before instanceof ArrayNode list) {
      list.add(value);
    } else {
      fields.set(name, NODES.arrayNode().add(before).add(value));
    }
  }

  private static SheetException tooDeep() {
    return new SheetException(
        SheetProblem.ofSheet(
            "too-large",
            "The elements are nested more than " + DEEPEST + " deep, which no product list is.",
            "Check that this is the right file."));
  }

  private static SheetException broken(XMLStreamException e) {
    int line = e.getLocation() == null ? 0 : e.getLocation().getLineNumber();
    return new SheetException(
        new SheetProblem(
            "broken-xml",
            Math.max(line, 0),
            "",
            "The XML is broken here, or refers to something outside the file, which is never followed.",
            "Ask for the file once more, without a document type declaration."));
  }

  @Override
  public void close() {
    try {
      xml.close();
      in.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
  }
}
