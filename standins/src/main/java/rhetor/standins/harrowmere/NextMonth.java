package rhetor.standins.harrowmere;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/**
 * What Harrowmere's suppliers send a month later. In each sheet a column has moved, one has another
 * heading, grams have become kilograms, ten products are new and five have gone.
 */
final class NextMonth {
  private static final int NEW = 10;
  private static final int GONE = 5;
  private static final Pattern GRAMS = Pattern.compile("(\\d+) ?g\\b");

  private NextMonth() {}

  /** A sheet's headings and rows. */
  record Table(List<String> headings, List<List<String>> rows) {

    private Table moved(String column, int to) {
      int from = headings.indexOf(column);
      UnaryOperator<List<String>> move =
          cells -> {
            List<String> moved = new ArrayList<>(cells);
            moved.add(to, moved.remove(from));
            return moved;
          };
      return new Table(move.apply(headings), rows.stream().map(move).toList());
    }

    private Table renamed(Map<String, String> names) {
      return new Table(headings.stream().map(h -> names.getOrDefault(h, h)).toList(), rows);
    }

    private Table with(String column, UnaryOperator<String> change) {
      int at = headings.indexOf(column);
      return new Table(
          headings,
          rows.stream()
              .map(
                  row -> {
                    List<String> cells = new ArrayList<>(row);
                    cells.set(at, change.apply(cells.get(at)));
                    return cells;
                  })
              .toList());
    }

    /** Ten rows more, made from the first ones under other codes and names, and five fewer. */
    private Table renewed(String code, String name, String series) {
      int sku = headings.indexOf(code);
      int called = headings.indexOf(name);
      List<List<String>> renewed = new ArrayList<>(rows.subList(0, rows.size() - GONE));
      for (int i = 0; i < NEW; i++) {
        List<String> cells = new ArrayList<>(rows.get(i));
        cells.set(sku, cells.get(sku).replaceFirst("\\d", "9"));
        String before = cells.get(called);
        boolean capitals = before.equals(before.toUpperCase(Locale.ROOT));
        String fresh = series + " " + before.replaceFirst("^\\S+ ", "");
        cells.set(called, capitals ? fresh.toUpperCase(Locale.ROOT) : fresh);
        renewed.add(cells);
      }
      return new Table(headings, renewed);
    }
  }

  static Table tolvane() {
    return new Table(Catalogue.TOLVANE_HEADINGS, Catalogue.tolvane())
        .renewed("Artikelnr.", "Bezeichnung", "Saltmarsh")
        .with("Gewicht", g -> inKilograms(g).replace('.', ','))
        .renamed(Map.of("Obermaterial", "Material"))
        .moved("Farbe", 2);
  }

  static Table kestering() {
    return new Table(Catalogue.KESTERING_HEADINGS, withoutRepeats(Catalogue.kestering()))
        .renewed("SKU", "Name", "Portcullis")
        .with("Weight (g)", g -> g.isEmpty() ? "" : kilograms(g))
        .renamed(Map.of("Weight (g)", "Weight (kg)", "Coating", "Finish"))
        .moved("Colour", 4);
  }

  static Table brightwick() {
    return new Table(Catalogue.BRIGHTWICK_HEADINGS, Catalogue.brightwick())
        .renewed("Ref", "Product", "Torch")
        .with("Weight", NextMonth::inKilograms)
        .renamed(Map.of("Mount", "Mounting"))
        .moved("Modes", 3);
  }

  static List<String> oskerby() {
    List<String> lines = Catalogue.oskerby();
    List<String> all = new ArrayList<>(lines.subList(0, lines.size() - GONE));
    for (int i = 0; i < NEW; i++) {
      all.add(
          lines
              .get(i)
              .replaceFirst("\"ref\":\"[^\"]+\"", "\"ref\":\"OS-9%02d\"".formatted(i))
              .replaceFirst("\"title\":\"\\S+ ", "\"title\":\"Mizzle "));
    }
    return all.stream()
        .map(NextMonth::inKilograms)
        .map(l -> l.replace("\"care\":", "\"care instructions\":"))
        .map(l -> l.replaceFirst("(\"kind\":\"[^\"]+\",)(.*)\\}$", "$2,$1}").replace(",}", "}"))
        .toList();
  }

  private static List<List<String>> withoutRepeats(List<List<String>> rows) {
    return rows.stream().distinct().toList();
  }

  /** "940 g" as "0.94 kg". */
  private static String inKilograms(String text) {
    return GRAMS.matcher(text).replaceAll((MatchResult m) -> kilograms(m.group(1)) + " kg");
  }

  private static String kilograms(String grams) {
    return String.format(Locale.ROOT, "%.3f", Integer.parseInt(grams) / 1000.0)
        .replaceAll("0+$", "")
        .replaceAll("\\.$", "");
  }
}
