package rhetor.core.sheet;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/**
 * Records laid out as rows: nested fields get columns of their own ("fabric / shell"), lists share
 * a cell, and a record that lists articles with codes of their own gives a row for each.
 */
final class RecordRows implements RowStream {
  /** Fields that say what their parent is, and need no column of their own. */
  private static final Set<String> NAMING = Set.of("name", "value", "label", "title", "text");

  /** Articles of one product, each of which is a row with all that the product says. */
  private static final int MOST_ARTICLES = 1_000;

  private static final Pattern CODE =
      Pattern.compile(
          "(?i)(?:variant|item|product)?[_ -]?sku|gtin|ean|article[_ -]?(?:no|number|code|id)|item[_ -]?(?:no|number|code)|ref");

  private final RecordStream records;
  private final Map<String, Integer> columns = new LinkedHashMap<>();
  private final boolean grows;
  private final Deque<Map<String, String>> waiting = new ArrayDeque<>();
  private int number;

  /** Rows with these columns; what a record has besides is not read. */
  RecordRows(RecordStream records, List<String> headings) {
    this.records = records;
    this.grows = headings.isEmpty();
    headings.forEach(h -> columns.put(h, columns.size()));
  }

  /** The fields met so far, in the order of their first appearance. */
  Collection<String> fields() {
    return columns.keySet();
  }

  @Override
  public SheetRow next() {
    if (waiting.isEmpty()) {
      JsonNode record = records.next();
      if (record == null) {
        return null;
      }
      waiting.addAll(flat(record));
    }
    Map<String, String> fields = waiting.removeFirst();
    if (grows) {
      fields.keySet().forEach(k -> columns.putIfAbsent(k, columns.size()));
    }
    String[] cells = new String[columns.size()];
    java.util.Arrays.fill(cells, "");
    fields.forEach(
        (field, text) -> {
          Integer at = columns.get(field);
          if (at != null) {
            cells[at] = text;
          }
        });
    number++;
    return new SheetRow(number, List.of(cells), new BitSet());
  }

  private static List<Map<String, String>> flat(JsonNode record) {
    if (!record.isObject()) {
      Map<String, StringBuilder> one = new LinkedHashMap<>();
      put(record, "value", one);
      return List.of(cells(one));
    }
    Map<String, StringBuilder> shared = new LinkedHashMap<>();
    JsonNode articles = null;
    for (Map.Entry<String, JsonNode> field : record.properties()) {
      if (articles == null && isListOfArticles(field.getValue())) {
        articles = field.getValue();
      } else {
        put(field.getValue(), field.getKey(), shared);
      }
    }
    if (articles == null) {
      return List.of(cells(shared));
    }
    if (articles.size() > MOST_ARTICLES) {
      throw new SheetException(
          SheetProblem.ofSheet(
              "too-large",
              "A product lists %,d articles; up to %,d are read."
                  .formatted(articles.size(), MOST_ARTICLES),
              "Give each article a record of its own, or leave the list out."));
    }
    Map<String, String> ofAll = cells(shared);
    List<Map<String, String>> rows = new ArrayList<>();
    for (JsonNode article : articles) {
      Map<String, StringBuilder> own = new LinkedHashMap<>();
      put(article, "", own);
      Map<String, String> row = new LinkedHashMap<>();
      ofAll.forEach((k, text) -> row.put(own.containsKey(k) ? "parent " + k : k, text));
      row.putAll(cells(own));
      rows.add(row);
    }
    return rows;
  }

  private static Map<String, String> cells(Map<String, StringBuilder> built) {
    Map<String, String> cells = new LinkedHashMap<>();
    built.forEach((field, text) -> cells.put(field, text.toString()));
    return cells;
  }

  private static boolean isListOfArticles(JsonNode node) {
    return node.isArray()
        && !node.isEmpty()
        && node.valueStream()
            .allMatch(
                n ->
                    n.isObject()
                        && n.size() > 1
                        && n.propertyNames().stream().anyMatch(k -> CODE.matcher(k).matches()));
  }

  private static void put(JsonNode node, String path, Map<String, StringBuilder> out) {
    if (node.isObject()) {
      for (Map.Entry<String, JsonNode> field : node.properties()) {
        String key = field.getKey();
        boolean naming = !path.isEmpty() && NAMING.contains(key.toLowerCase(java.util.Locale.ROOT));
        put(field.getValue(), path.isEmpty() ? key : naming ? path : path + " / " + key, out);
      }
    } else if (node.isArray()) {
      node.forEach(n -> put(n, path, out));
    } else if (!node.isNull()) {
      String text = node.isNumber() ? PlainNumber.of(node.decimalValue()) : node.asString();
      StringBuilder cell = out.get(path);
      if (cell == null) {
        out.put(path, new StringBuilder(text));
      } else {
        cell.append("; ").append(text);
      }
    }
  }

  @Override
  public void close() {
    records.close();
  }
}
