package rhetor.core.reading;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.reading.Meaning.Role;
import rhetor.core.sheet.SheetRow;

/**
 * Finds the columns that tell products apart, their code and their name. What a heading says
 * counts, and so does what the cells are like: a code is another in each row, and a name is short,
 * another in each row, and begins as names do.
 */
final class Identity {
  private static final Pattern CODE = Pattern.compile("(?=.*\\d)[A-Za-z0-9][A-Za-z0-9._/-]{1,30}");

  /** What describes a thing rather than names it: lists, and measures. */
  private static final Pattern DESCRIBES =
      Pattern.compile(".*[,;:].*|.*\\d\\s?(?:[a-zµ]{1,3}|[%\"°]).*");

  private static final int LONGEST_NAME = 90;
  private static final int WORDS_OF_A_NAME = 6;
  private static final int SHORT_PROSE = 40;

  /** What a known heading is worth, the surest one; cells that are all as they should be, 1. */
  private static final double NAMED = 1.2;

  /** Names and codes stand before what is said of the product. */
  private static final double COLUMN_FURTHER = 0.02;

  /** Less like a code or a name than this is none. */
  private static final double LEAST_CODE = 1;

  private static final double LEAST_NAME = 1.75;

  private final Knowledge knowledge;
  private final HeadingNames names;

  Identity(Knowledge knowledge, HeadingNames names) {
    this.knowledge = knowledge;
    this.names = names;
  }

  /** Leaves one column as the code and one as the name, if there are any. */
  void find(List<ColumnReading> columns, List<SheetRow> sample) {
    Set<Integer> noCodes =
        choose(columns, sample, Set.of(), Role.SKU, Meaning.SKU, this::codeLike, LEAST_CODE);
    choose(columns, sample, noCodes, Role.NAME, Meaning.NAME, this::nameLike, LEAST_NAME);
  }

  /**
   * Leaves one column of a role.
   *
   * @param free columns that may have it whatever they are read as
   * @return the columns that have lost it
   */
  private Set<Integer> choose(
      List<ColumnReading> columns,
      List<SheetRow> sample,
      Set<Integer> free,
      Role role,
      Meaning meaning,
      ToDoubleFunction<List<String>> like,
      double least) {
    int best = -1;
    double bestScore = 0;
    for (int i = 0; i < columns.size(); i++) {
      ColumnReading column = columns.get(i);
      boolean named = column.meaning().role() == role;
      int index = i;
      List<String> values =
          sample.stream()
              .map(r -> CellText.clean(r.cell(index)))
              .filter(v -> !CellText.saysNothing(v))
              .toList();
      boolean open =
          named
              || free.contains(i)
              || mayBeAnything(column)
              || role == Role.NAME && mayBeNames(column, values);
      if (!open) {
        continue;
      }
      double cells = like.applyAsDouble(values) * filled(values, sample);
      double score = cells + (named ? heading(role, column, values) : 0) - COLUMN_FURTHER * i;
      // Without cells to go by, the heading decides.
      boolean enough = named ? score > 0 || sample.isEmpty() : cells >= least;
      if (enough && (best < 0 || score > bestScore)) {
        best = i;
        bestScore = score;
      }
    }
    Set<Integer> lost = new HashSet<>();
    for (int i = 0; i < columns.size(); i++) {
      ColumnReading column = columns.get(i);
      boolean named = column.meaning().role() == role;
      if (i == best && !named) {
        columns.set(
            i,
            new ColumnReading(
                column.heading(),
                meaning,
                "",
                0.7,
                role == Role.SKU
                    ? "Every cell is a different code."
                    : "Every cell is different and reads like a name."));
      } else if (i != best && named) {
        lost.add(i);
        columns.set(
            i,
            new ColumnReading(
                column.heading(),
                role == Role.SKU ? Meaning.KEEP : Meaning.EXTRA,
                column.unit(),
                0.5,
                best < 0
                    ? "The cells are not like those of a " + word(role) + "."
                    : "Another column is the " + word(role) + "."));
      }
    }
    return lost;
  }

  private static String word(Role role) {
    return role == Role.SKU ? "SKU" : role.name().toLowerCase(Locale.ROOT);
  }

  /** Columns that nothing is known of. */
  private static boolean mayBeAnything(ColumnReading column) {
    return column.meaning().role() == Role.EXTRA
        || column.meaning().role() == Role.KEEP && column.asks();
  }

  /**
   * Words of which hardly one is in a dictionary: "Pattern" and "Design" say what decorates a thing
   * in one house, and in another what it is called.
   */
  private boolean mayBeNames(ColumnReading column, List<String> values) {
    // A description of two words is what the thing is called.
    if (column.meaning().role() == Role.PROSE) {
      return values.stream().mapToInt(String::length).average().orElse(LONGEST_NAME) < SHORT_PROSE;
    }
    return knowledge
            .concept(column.meaning().concept())
            .filter(c -> c.kind() == Concept.Kind.WORDS && !c.theme().equals("identity"))
            .isPresent()
        && coined(values) >= 0.6;
  }

  /** The share of cells that have a word of no dictionary. */
  private static double coined(List<String> values) {
    return share(
        values,
        v ->
            Arrays.stream(v.split("[^\\p{L}']+"))
                .anyMatch(w -> w.length() > 2 && !English.isKnown(w.toLowerCase(Locale.ROOT))));
  }

  private double heading(Role role, ColumnReading column, List<String> values) {
    double rank = 1 + 0.03 * names.rank(role, column.heading(), knowledge);
    // Codes look alike; which of them is the product's is said by the heading, if it is one at all.
    return (role == Role.SKU && distinct(values) >= 0.9 ? 2 * NAMED : NAMED) / rank;
  }

  private static double filled(List<String> values, List<SheetRow> sample) {
    return sample.isEmpty() ? 0 : (double) values.size() / sample.size();
  }

  /** The share of cells that are another each. */
  private static double distinct(List<String> values) {
    return values.isEmpty() ? 0 : (double) new HashSet<>(values).size() / values.size();
  }

  /** 0 to 1.5. */
  private double codeLike(List<String> values) {
    double codes = share(values, v -> CODE.matcher(v).matches() && !CellProposer.isGtin(v));
    return distinct(values) < 0.9 ? 0 : codes < 0.9 ? 0.5 * codes : 0.5 + codes;
  }

  /** 0 to 2.8. */
  private double nameLike(List<String> values) {
    double letters =
        share(
            values,
            v ->
                v.length() >= 3
                    && v.length() <= LONGEST_NAME
                    && v.chars().filter(Character::isLetter).count() * 2 > v.length());
    if (letters < 0.7 || share(values, v -> CODE.matcher(v).matches()) > 0.5) {
      return 0;
    }
    double different = distinct(values);
    double short_ =
        share(
            values, v -> !DESCRIBES.matcher(v).matches() && v.split(" ").length <= WORDS_OF_A_NAME);
    double begins = share(values, v -> Character.isUpperCase(v.codePointAt(0)));
    return different < 0.7
        ? 0
        : different + 0.7 * short_ + 0.5 * begins + 0.6 * begins * coined(values);
  }

  private static double share(List<String> values, Predicate<String> test) {
    return values.isEmpty() ? 0 : (double) values.stream().filter(test).count() / values.size();
  }
}
