package rhetor.core.fact;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Meaning.Role;
import rhetor.core.sheet.SheetRow;

/** Proposes what each column of a sheet means, from its heading and its first cells. */
public final class ReadingProposer {
  private static final Set<String> NEUTRAL =
      Set.of(
          "product", "item", "main", "total", "overall", "approx", "ca", "the", "of", "article",
          "net", "no");
  private static final Pattern PRICE =
      Pattern.compile(
          "(?:[£$€]|EUR|GBP|USD)\\s*\\d+(?:[.,]\\d{1,2})?|\\d+(?:[.,]\\d{1,2})?\\s*(?:[£$€]|EUR|GBP|USD)");
  private static final Pattern ADDRESS =
      Pattern.compile("(?i)(?:https?://|www\\.)\\S+|\\S+\\.(?:png|jpe?g|gif|webp|tiff?|svg|pdf)");
  private static final Pattern CODE = Pattern.compile("(?=.*\\d)[A-Za-z0-9][A-Za-z0-9._/-]{1,30}");

  private static final Pattern UNIT_AT_END = Pattern.compile(".*\\d\\s?([A-Za-z°%²/]{1,12})");

  private final Knowledge knowledge;
  private final Map<String, Meaning> byName = new HashMap<>();
  private final Map<String, List<Concept>> byConceptName = new HashMap<>();
  private final Map<String, String> languageOf = new HashMap<>();

  public ReadingProposer(Knowledge knowledge) {
    this.knowledge = knowledge;
    knowledge
        .roles()
        .forEach((role, names) -> names.forEach(n -> byName.put(n, Meaning.parse(role))));
    for (Concept concept : knowledge.concepts()) {
      concept
          .names()
          .forEach(
              (language, names) ->
                  names.forEach(
                      n -> {
                        String key = Heading.of(n, knowledge).name();
                        byName.putIfAbsent(key, Meaning.of(concept));
                        byConceptName.computeIfAbsent(key, k -> new ArrayList<>()).add(concept);
                        languageOf.putIfAbsent(key, language);
                      }));
    }
  }

  /**
   * Proposes a reading.
   *
   * @param headings the sheet's headings
   * @param sample some of its first rows; a few hundred are plenty
   */
  public Reading propose(List<String> headings, List<SheetRow> sample) {
    List<ColumnReading> columns = new ArrayList<>();
    Map<String, Integer> languages = new HashMap<>();
    NumberStyle.Evidence numbers = new NumberStyle.Evidence();
    sample.forEach(row -> row.cells().forEach(numbers::add));
    for (int i = 0; i < headings.size(); i++) {
      int column = i;
      List<String> values =
          sample.stream()
              .map(r -> CellText.clean(r.cell(column)))
              .filter(v -> !CellText.saysNothing(v))
              .toList();
      columns.add(proposeColumn(headings.get(i), values, languages));
    }
    readAsGrowing(columns);
    keepFirst(columns, Role.SKU, Meaning.KEEP);
    keepFirst(columns, Role.NAME, Meaning.EXTRA);
    findMissing(columns, sample);
    doubtShortCodes(columns, sample);
    String language =
        languages.entrySet().stream()
            .filter(e -> !e.getKey().equals("en") && e.getValue() > languages.getOrDefault("en", 0))
            .max(Map.Entry.comparingByValue())
            .map(Map.Entry::getKey)
            .orElse("en");
    return new Reading(columns, numbers.decide(), language);
  }

  /** What the cells of each column look like. */
  public List<ColumnProfile> profiles(Reading reading, List<SheetRow> sample) {
    List<ColumnProfile> profiles = new ArrayList<>();
    for (int i = 0; i < reading.columns().size(); i++) {
      int column = i;
      profiles.add(
          ColumnProfile.of(
              sample.stream()
                  .map(r -> CellText.clean(r.cell(column)))
                  .filter(v -> !CellText.saysNothing(v))
                  .toList(),
              reading.columns().get(i).unit(),
              reading.numbers(),
              knowledge));
    }
    return profiles;
  }

  /** Beside sowing and harvest, a plain "height" is the plant's. */
  private void readAsGrowing(List<ColumnReading> columns) {
    long growing =
        columns.stream()
            .filter(
                c ->
                    knowledge
                        .concept(c.meaning().concept())
                        .map(k -> k.theme().equals("growing"))
                        .orElse(false))
            .count();
    for (int i = 0; i < columns.size(); i++) {
      ColumnReading c = columns.get(i);
      if (growing >= 2 && c.meaning().concept().equals("height")) {
        columns.set(
            i,
            new ColumnReading(
                c.heading(),
                Meaning.parse("plant_height"),
                c.unit(),
                0.8,
                "Other columns are about growing, so this is the plant's height."));
      }
    }
  }

  private ColumnReading proposeColumn(
      String raw, List<String> values, Map<String, Integer> languages) {
    Heading heading = Heading.of(raw, knowledge);
    Meaning meaning = byName.get(heading.name());
    String matched = heading.name();
    double confidence = 0.95;
    if (meaning == null && heading.name().contains("/ ")) {
      // "Light / Run time" is first looked up as "light run time", then as "run time".
      matched = heading.name().replace(" / ", " ");
      meaning = byName.get(matched);
      if (meaning == null) {
        matched = heading.ownName();
        meaning = byName.get(matched);
        confidence = 0.85;
      }
      // A name or code inside a group is the group's, not the product's.
      if (meaning != null && (meaning.role() == Role.SKU || meaning.role() == Role.NAME)) {
        meaning = null;
      }
    }
    if (meaning == null) {
      matched = withoutNeutral(heading.name());
      meaning = byName.get(matched);
      confidence = 0.8;
    }
    if (meaning != null && meaning.role() == Role.CONCEPT) {
      Optional<Concept> fitting = fitting(matched, heading.unit(), values);
      if (fitting.isEmpty()) {
        return new ColumnReading(
            raw,
            Meaning.EXTRA,
            heading.unit(),
            0.5,
            "The heading says \"" + matched + "\", but the cells measure something else.");
      }
      meaning = Meaning.of(fitting.get());
    }
    if (meaning != null
        && meaning.role() == Role.KEEP
        && heading.name().equals("trade")
        && !share(values, v -> v.matches(".*\\d.*"), 0.8)) {
      meaning = null;
    }
    if (meaning != null) {
      languages.merge(
          languageOf.getOrDefault(matched, germanRole(matched) ? "de" : "en"), 1, Integer::sum);
      return new ColumnReading(
          raw, meaning, heading.unit(), confidence, "The heading says \"" + matched + "\".");
    }
    if (share(values, v -> isGtin(v), 0.9)) {
      return new ColumnReading(
          raw, Meaning.KEEP, "", 0.9, "The cells are GTINs with right check digits.");
    }
    if (share(values, v -> ADDRESS.matcher(v).matches(), 0.9)) {
      return new ColumnReading(
          raw, Meaning.KEEP, "", 0.9, "The cells are addresses or file names.");
    }
    if (share(values, v -> PRICE.matcher(v).matches(), 0.9)) {
      return new ColumnReading(raw, Meaning.KEEP, "", 0.85, "The cells are prices.");
    }
    if (values.stream().mapToInt(String::length).average().orElse(0) > 90) {
      return new ColumnReading(raw, Meaning.PROSE, "", 0.75, "The cells are prose.");
    }
    return new ColumnReading(
        raw, Meaning.EXTRA, heading.unit(), 0.6, "No known name; kept as a fact of its own.");
  }

  /** Of the concepts called so, the first whose dimension is what the cells measure. */
  private Optional<Concept> fitting(String name, String headingUnit, List<String> values) {
    List<String> units =
        headingUnit.isEmpty()
            ? values.stream()
                .map(UNIT_AT_END::matcher)
                .filter(Matcher::matches)
                .map(m -> m.group(1))
                .toList()
            : List.of(headingUnit);
    List<String> measured =
        units.stream()
            .map(knowledge::unitWritten)
            .flatMap(Optional::stream)
            .map(Unit::dimension)
            .toList();
    return byConceptName.get(name).stream()
        .filter(
            c ->
                c.dimension().isEmpty()
                    || measured.isEmpty()
                    || 2 * measured.stream().filter(c.dimension()::equals).count()
                        >= measured.size())
        .findFirst();
  }

  private static boolean germanRole(String name) {
    return name.matches(
        "artikel.*|art nr|bezeichnung|.*beschreibung|bestellnummer|.*preis|uvp|bestand|lagerbestand|bild.*|modell|titel|langtext|kurztext|lieferzeit|mwst");
  }

  private static String withoutNeutral(String name) {
    List<String> words = new ArrayList<>(List.of(name.split(" ")));
    words.removeIf(NEUTRAL::contains);
    return String.join(" ", words);
  }

  private static boolean share(List<String> values, Predicate<String> test, double least) {
    return !values.isEmpty() && values.stream().filter(test).count() >= least * values.size();
  }

  /** A GTIN-8, -12, -13 or -14 whose check digit is right (GS1 General Specifications, 7.9). */
  static boolean isGtin(String text) {
    if (!text.matches("\\d{8}|\\d{12,14}")) {
      return false;
    }
    int sum = 0;
    for (int i = 0; i < text.length() - 1; i++) {
      int fromRight = text.length() - 1 - i;
      sum += (text.charAt(i) - '0') * (fromRight % 2 == 1 ? 3 : 1);
    }
    return (10 - sum % 10) % 10 == text.charAt(text.length() - 1) - '0';
  }

  private void keepFirst(List<ColumnReading> columns, Role role, Meaning otherwise) {
    // "Name" beats "Model" when both are there: names are listed from the surest to the least sure.
    List<String> names = knowledge.roles().get(role.name().toLowerCase(Locale.ROOT));
    int best = -1;
    int bestRank = Integer.MAX_VALUE;
    for (int i = 0; i < columns.size(); i++) {
      ColumnReading c = columns.get(i);
      if (c.meaning().role() == role) {
        int rank = names.indexOf(withoutNeutralOr(c.heading(), names));
        rank = rank < 0 ? names.size() : rank;
        if (rank < bestRank) {
          best = i;
          bestRank = rank;
        }
      }
    }
    for (int i = 0; i < columns.size(); i++) {
      ColumnReading c = columns.get(i);
      if (c.meaning().role() == role && i != best) {
        columns.set(
            i,
            new ColumnReading(
                c.heading(),
                otherwise,
                c.unit(),
                0.5,
                "Another column is the " + role.name().toLowerCase(Locale.ROOT) + "."));
      }
    }
  }

  private static String withoutNeutralOr(String heading, List<String> names) {
    String lower = heading.toLowerCase(Locale.ROOT).replaceAll("[.:*#_-]+", " ").strip();
    return names.contains(lower) ? lower : withoutNeutral(lower);
  }

  /** Codes of digits of which a few are shorter: a spreadsheet has taken their leading zeros. */
  private static void doubtShortCodes(List<ColumnReading> columns, List<SheetRow> sample) {
    for (int i = 0; i < columns.size(); i++) {
      ColumnReading c = columns.get(i);
      if (c.meaning().role() != Role.SKU) {
        continue;
      }
      int column = i;
      Map<Integer, Long> lengths =
          sample.stream()
              .map(r -> r.cell(column).strip())
              .filter(v -> !v.isEmpty())
              .collect(
                  java.util.stream.Collectors.groupingBy(
                      v -> v.matches("\\d+") ? v.length() : -1,
                      java.util.stream.Collectors.counting()));
      int usual =
          lengths.entrySet().stream()
              .max(Map.Entry.comparingByValue())
              .map(Map.Entry::getKey)
              .orElse(-1);
      long shorter =
          lengths.entrySet().stream()
              .filter(e -> e.getKey() > 0 && e.getKey() < usual)
              .mapToLong(Map.Entry::getValue)
              .sum();
      if (!lengths.containsKey(-1) && usual >= 4 && shorter > 0) {
        columns.set(
            i,
            new ColumnReading(
                c.heading(),
                c.meaning(),
                c.unit(),
                0.6,
                c.reason()
                    + " %d of the first codes have fewer digits than the usual %d: a spreadsheet may have taken their leading zeros."
                        .formatted(shorter, usual)));
      }
    }
  }

  /** Finds a key and a name by their values when no heading gave them away. */
  private static void findMissing(List<ColumnReading> columns, List<SheetRow> sample) {
    if (columns.stream().noneMatch(c -> c.meaning().role() == Role.SKU)) {
      promote(
          columns,
          sample,
          Meaning.SKU,
          v -> CODE.matcher(v).matches() && !isGtin(v),
          "Every cell is a different code.");
    }
    if (columns.stream().noneMatch(c -> c.meaning().role() == Role.NAME)) {
      promote(
          columns,
          sample,
          Meaning.NAME,
          v ->
              v.length() >= 4
                  && v.length() <= 90
                  && v.chars().filter(Character::isLetter).count() * 2 > v.length(),
          "Every cell is different and reads like a name.");
    }
  }

  private static void promote(
      List<ColumnReading> columns,
      List<SheetRow> sample,
      Meaning meaning,
      Predicate<String> looks,
      String reason) {
    for (int i = 0; i < columns.size(); i++) {
      ColumnReading c = columns.get(i);
      int column = i;
      if (c.meaning().role() == Role.EXTRA) {
        List<String> values =
            sample.stream()
                .map(r -> CellText.clean(r.cell(column)))
                .filter(v -> !v.isEmpty())
                .toList();
        Set<String> distinct = new HashSet<>(values);
        if (values.size() * 10 >= sample.size() * 9
            && distinct.size() * 10 >= values.size() * 9
            && share(values, looks, 0.9)) {
          columns.set(i, new ColumnReading(c.heading(), meaning, "", 0.7, reason));
          return;
        }
      }
    }
  }
}
