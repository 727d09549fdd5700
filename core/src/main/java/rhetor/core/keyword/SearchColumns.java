package rhetor.core.keyword;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/** Which column of search data holds what, told from its headings; reads rows with them. */
public final class SearchColumns {
  private static final int LONGEST_QUERY = 120;

  /** What a column holds, with its headings in several languages. */
  enum Column {
    QUERY(
        "query",
        "queries",
        "top queries",
        "search query",
        "search term",
        "keyword",
        "keywords",
        "suchanfrage",
        "suchanfragen",
        "suchbegriff",
        "keyphrase",
        "requête",
        "requêtes",
        "mot-clé",
        "consulta",
        "consultas",
        "zoekterm",
        "zoekopdracht"),
    PAGE("page", "pages", "url", "landing page", "address", "seite", "adresse", "página", "pagina"),
    IMPRESSIONS("impressions", "impressionen", "impresiones", "vertoningen", "views"),
    CLICKS("clicks", "klicks", "clics", "clicks total", "klikken"),
    POSITION(
        "position",
        "average position",
        "avg. position",
        "avg position",
        "rank",
        "rang",
        "durchschnittliche position",
        "position moyenne",
        "posición",
        "positie"),
    VOLUME(
        "volume",
        "search volume",
        "searches",
        "monthly searches",
        "avg. monthly searches",
        "suchvolumen",
        "volume de recherche",
        "zoekvolume"),
    COMPETITION("competition", "difficulty", "wettbewerb", "concurrence", "competencia");

    private final List<String> headings;

    Column(String... headings) {
      this.headings = List.of(headings);
    }
  }

  private final Map<Column, Integer> places = new EnumMap<>(Column.class);

  private SearchColumns() {}

  /**
   * Finds the columns.
   *
   * @throws IllegalArgumentException if none holds the queries, or nothing says how much they are
   *     searched for
   */
  public static SearchColumns of(List<String> headings) {
    SearchColumns columns = new SearchColumns();
    for (int i = 0; i < headings.size(); i++) {
      String heading = headings.get(i).strip().toLowerCase(Locale.ROOT);
      for (Column column : Column.values()) {
        if (column.headings.contains(heading)) {
          columns.places.putIfAbsent(column, i);
        }
      }
    }
    if (!columns.places.containsKey(Column.QUERY)) {
      throw new IllegalArgumentException(
          "No column holds the queries: there is none called %s. The headings are %s. Name one of them \"query\" and drop the file again."
              .formatted(
                  String.join(", ", Column.QUERY.headings.subList(0, 6)),
                  String.join(", ", headings)));
    }
    if (!columns.places.containsKey(Column.IMPRESSIONS)
        && !columns.places.containsKey(Column.VOLUME)) {
      throw new IllegalArgumentException(
          "No column says how much is searched: there is neither \"impressions\" nor \"volume\". Add one of them and drop the file again.");
    }
    return columns;
  }

  /** A row that was read, or why it wasn't. */
  public record Read(Optional<SearchRow> row, String why) {}

  /** Reads a row's cells; a number that makes no sense leaves the whole row out. */
  public Read read(List<String> cells) {
    String query = cell(cells, Column.QUERY).strip().replaceAll("\\s+", " ");
    if (query.isEmpty() || query.length() > LONGEST_QUERY) {
      return wrong(
          query.isEmpty()
              ? "no query"
              : "the query has more than " + LONGEST_QUERY + " characters");
    }
    List<String> troubles = new ArrayList<>();
    ToDoubleFunction<Column> number =
        column -> {
          String cell = cell(cells, column).strip();
          double n = number(cell);
          if (Double.isNaN(n) || n < 0) {
            troubles.add(
                "\"%s\" is no number of %s"
                    .formatted(
                        cell.length() > 40 ? cell.substring(0, 40) + "…" : cell,
                        column.name().toLowerCase(Locale.ROOT)));
          }
          return n;
        };
    SearchRow row =
        new SearchRow(
            query,
            cell(cells, Column.PAGE).strip(),
            (long) number.applyAsDouble(Column.IMPRESSIONS),
            (long) number.applyAsDouble(Column.CLICKS),
            number.applyAsDouble(Column.POSITION),
            (long) number.applyAsDouble(Column.VOLUME),
            number.applyAsDouble(Column.COMPETITION));
    return troubles.isEmpty() ? new Read(Optional.of(row), "") : wrong(String.join(", ", troubles));
  }

  private static Read wrong(String why) {
    return new Read(Optional.empty(), why);
  }

  private String cell(List<String> cells, Column column) {
    Integer place = places.get(column);
    return place == null || place >= cells.size() ? "" : cells.get(place);
  }

  /**
   * "1,234", "1.234", "3,7", "12 %", "–": a lone separator with three digits after it groups, any
   * other is a decimal one. NaN if it is no number; 0 for an empty cell.
   */
  private static double number(String cell) {
    if (cell.isEmpty() || cell.equals("-") || cell.equals("–")) {
      return 0;
    }
    StringBuilder plain = new StringBuilder(cell.length());
    int decimal = -1;
    for (int i = 0; i < cell.length(); i++) {
      char c = cell.charAt(i);
      if (c >= '0' && c <= '9' || c == '-' && i == 0) {
        plain.append(c);
      } else if (c == '.' || c == ',') {
        boolean groups = isGroup(cell, i);
        if (!groups && decimal >= 0) {
          return Double.NaN;
        }
        if (!groups) {
          decimal = plain.length();
          plain.append('.');
        }
      } else if (!(Character.isSpaceChar(c) || c == '%' && i == cell.length() - 1)) {
        return Double.NaN;
      }
    }
    // What is longer than this counts nothing that anybody searched for.
    if (plain.isEmpty() || plain.length() > 15) {
      return Double.NaN;
    }
    try {
      return Double.parseDouble(plain.toString());
    } catch (NumberFormatException e) {
      return Double.NaN;
    }
  }

  private static boolean isGroup(String cell, int at) {
    int end = at + 1;
    while (end < cell.length() && Character.isDigit(cell.charAt(end))) {
      end++;
    }
    // "0.500" is half, "90.500" ninety thousand.
    return end - at == 4 && at > 0 && !(at == 1 && cell.charAt(0) == '0');
  }
}
